import { type ReactNode } from 'react';

/** One line to fill in, on a page before anybody is known. */
export function Line({
  label,
  value,
  onChange,
  type = 'text',
  complete,
  wrong = false,
  hint,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'password';
  /** what the browser may fill in */
  complete: string;
  wrong?: boolean;
  hint?: string;
}) {
  const id = `line-${label.toLowerCase().replace(/[^a-z]+/g, '-')}`;
  return (
    <div className="mt-3">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        type={type}
        autoComplete={complete}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-invalid={wrong}
        aria-describedby={hint ? `${id}-hint` : undefined}
        className="mt-1 w-full rounded-xl border-2 border-heron bg-paper px-4 py-2.5 text-lg"
      />
      {hint && (
        <p id={`${id}-hint`} className="mt-0.5 text-[14px] text-soft">
          {hint}
        </p>
      )}
    </div>
  );
}

/** A page before anybody is known: the name, one thing to do. */
export function Before({ children, secure }: { children: ReactNode; secure: boolean }) {
  return (
    <main className="mx-auto flex min-h-full max-w-sm flex-col justify-center px-6 py-10">
      <h1 className="font-display text-4xl font-semibold">Heronstone</h1>
      {children}
      {!secure && !window.isSecureContext && (
        <p className="mt-6 text-[14px] text-soft">
          This goes over plain HTTP: others on the way can read the passphrase and the plans. Ask whoever runs this
          server for an address that begins with https.
        </p>
      )}
    </main>
  );
}

export const Trouble = ({ words }: { words: string | null }) =>
  words && (
    <p role="alert" className="mt-2 text-clash">
      {words}
    </p>
  );
