import { type ReactNode } from 'react';

export const box =
  'min-h-[34px] w-full rounded-md border border-edge bg-paper px-2 py-1 text-ink placeholder:text-soft focus-visible:outline-2 aria-invalid:border-clash';

export type Shared = { label: string; hideLabel?: boolean; className?: string };

export function Labelled({
  label,
  hideLabel,
  className,
  id,
  trouble,
  children,
}: Shared & { id: string; trouble?: string | null; children: ReactNode }) {
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block text-[13px] text-soft'}>
        {label}
      </label>
      {children}
      {trouble && (
        <p id={`${id}-trouble`} role="alert" className="mt-0.5 text-[13px] text-clash">
          {trouble}
        </p>
      )}
    </div>
  );
}
