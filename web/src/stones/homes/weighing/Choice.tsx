import { type ReactNode } from 'react';
import { type Effect } from '@heronstone/core/homes';
import { effectWords } from './effect-words.ts';

export function Choice({
  name,
  words,
  checked,
  effect,
  now,
  speaks = false,
  drawing,
  onChoose,
  onBeside,
}: {
  name: string;
  words: string;
  checked: boolean;
  effect: Effect | undefined;
  now: Effect | undefined;
  speaks?: boolean;
  /** what it looks like */
  drawing?: ReactNode;
  onChoose: () => void;
  /** sets it beside how one works now; null while that is being worked out */
  onBeside?: (() => void) | null;
}) {
  const label = (
    <label
      className={
        drawing
          ? `flex w-56 items-start gap-2 rounded-xl border px-2 py-1 focus-within:outline-2 ${checked ? 'border-ink bg-stone' : 'border-line bg-paper hover:border-heron'}`
          : 'inline-flex items-baseline gap-1.5'
      }
    >
      {drawing}
      <input type="radio" name={name} checked={checked} onChange={onChoose} className={drawing ? 'mt-1' : ''} />
      <span className="leading-snug">
        {words}
        {effect && now && <span className="block text-[13px] text-soft">{effectWords(effect, now)}</span>}
        {speaks && <span className="block text-[13px] text-heron">the figures speak for this</span>}
      </span>
    </label>
  );
  if (onBeside === undefined) return label;
  return (
    <span className="block">
      {label}
      <button
        type="button"
        disabled={onBeside === null}
        onClick={() => onBeside?.()}
        aria-label={`${words}: see it in the room`}
        className="ml-2 block min-h-6 text-[13px] text-heron hover:underline disabled:text-soft"
      >
        {onBeside === null ? 'finding both …' : 'see it in the room'}
      </button>
    </span>
  );
}
