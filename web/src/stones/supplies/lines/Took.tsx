import { type KeyboardEvent, useEffect } from 'react';
import { type LineRead } from '@heronstone/core/lines';
import { useRoving } from '../../../ui/roving.ts';

/** What a line was taken for, guesses said as such. */
export function Took({ read, className = '' }: { read: LineRead; className?: string }) {
  if (read.what === 'nothing') return <p className={`text-clash ${className}`}>{read.reason}</p>;
  const guessed = read.what === 'supply' && read.guessed.length > 0;
  return (
    <p className={className}>
      {read.what === 'supply' && read.supply.colour && (
        <span
          className="mr-1.5 inline-block size-3 rounded-full border border-edge align-[-1px]"
          style={{ background: read.supply.colour }}
        />
      )}
      <strong>{read.took[0]}</strong>
      {read.took.slice(1).map((t) => (
        <span key={t} className="text-soft">
          {' · '}
          {t}
        </span>
      ))}
      {guessed && <span className="ml-1.5 rounded-full bg-stone px-2 text-[13px]">{guessWords(read)}</span>}
    </p>
  );
}

function guessWords(read: LineRead & { what: 'supply' }): string {
  const sides = read.guessed.filter((g) => g === 'width' || g === 'depth' || g === 'height');
  const size = sides.length > 1 ? 'usual size' : sides.length === 1 ? `usual ${sides[0]!}` : '';
  const weight = size === '' && read.guessed.includes('mass') ? 'usual weight' : '';
  const count = read.guessed.includes('working') ? 'count guessed' : '';
  return [size, weight, count].filter((w) => w !== '').join(', ');
}

/** The one question of a line in doubt, with its likeliest answers: 1, 2, 3; 0 leaves it open. */
export function Asked({
  read,
  onChoose,
  focus = false,
}: {
  read: LineRead;
  /** a kind, or empty: none of these */
  onChoose: (kind: string) => void;
  focus?: boolean;
}) {
  const roving = useRoving<HTMLDivElement>(true);
  const box = roving.ref;
  useEffect(() => {
    if (focus) box.current?.querySelector('button')?.focus();
  }, [focus, box]);
  if (read.what !== 'supply' || read.doubts.length === 0) return null;
  const { why, candidates } = read.doubts[0]!;
  const onKeyDown = (e: KeyboardEvent) => {
    const n = Number(e.key);
    const picked = e.key === '0' || e.key === 'Escape' ? '' : candidates[n - 1]?.kind;
    if (picked !== undefined && (e.key === 'Escape' || /^\d$/.test(e.key))) {
      e.preventDefault();
      e.stopPropagation();
      return onChoose(picked);
    }
    roving.onKeyDown(e);
  };
  return (
    <div
      ref={box}
      role="group"
      aria-label={why}
      className="mt-1 flex flex-wrap items-center gap-1.5"
      onKeyDown={onKeyDown}
    >
      <span className="font-semibold">{why}</span>
      {candidates.map((c, i) => (
        <button
          key={c.kind}
          type="button"
          data-row
          className="min-h-8 rounded-full border border-heron bg-paper px-3"
          onClick={() => onChoose(c.kind)}
        >
          <span className="text-heron">{i + 1}</span> {c.name}
        </button>
      ))}
      <button
        type="button"
        data-row
        className="min-h-8 rounded-full border border-line px-3 text-soft"
        onClick={() => onChoose('')}
      >
        <span>0</span> none of these
      </button>
    </div>
  );
}
