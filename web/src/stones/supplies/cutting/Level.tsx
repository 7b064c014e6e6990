import { type CutPiece } from '@heronstone/core/plan';

/** More than so many are not drawn one by one. */
const DRAWN = 24;

/** So many there are, so many are kept, below the mark they are cut again; what is to be cut now in outline. */
export function Level({ piece, colour, wanted }: { piece: CutPiece; colour: string | null; wanted: number }) {
  const { have, keep, below } = piece;
  const all = Math.min(DRAWN, Math.max(have + wanted, keep, 1));
  return (
    <span className="mt-0.5 flex items-center gap-[3px]">
      {Array.from({ length: all }, (_, i) => (
        <span
          key={i}
          aria-hidden
          className={`h-5 w-3 shrink-0 rounded-[2px] border ${i < have ? 'border-ink' : i < have + wanted ? 'border-dashed border-heron' : 'border-line'} ${i === below - 1 ? 'mr-1.5' : ''}`}
          style={{ background: i < have ? (colour ?? 'var(--wood)') : 'transparent' }}
        />
      ))}
      <span className={`ml-1 text-[13px] ${have < below ? 'text-clash' : 'text-soft'}`}>
        {have} of {keep}
        {have < below && ', cut again'}
      </span>
    </span>
  );
}
