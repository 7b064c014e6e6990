import { type ButtonHTMLAttributes, forwardRef } from 'react';

type Props = ButtonHTMLAttributes<HTMLButtonElement> & { look?: 'main' | 'plain' | 'quiet' };

const LOOK = {
  main: 'bg-heron text-on-heron border-heron hover:brightness-110',
  plain: 'bg-paper text-ink border-edge hover:border-heron',
  quiet: 'bg-transparent text-ink border-transparent hover:bg-stone',
};

export const Button = forwardRef<HTMLButtonElement, Props>(function Button(
  { look = 'plain', className = '', ...rest },
  ref,
) {
  return (
    <button
      ref={ref}
      type="button"
      className={`inline-flex min-h-8 items-center justify-center gap-1.5 rounded-full border px-3 py-1 font-medium disabled:cursor-not-allowed disabled:opacity-50 ${LOOK[look]} ${className}`}
      {...rest}
    />
  );
});
