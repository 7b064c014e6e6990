import { X } from 'lucide-react';
import { type CutPiece, type Plan } from '@heronstone/core/plan';
import { type WantedPiece } from '@heronstone/core/stock';
import { Button } from '../../../ui/button.tsx';
import { Row } from './PieceRow.tsx';
import { OneMore } from './OneMorePiece.tsx';

/** Pieces kept cut ahead: how many there are, below how many they are cut again, and what that saves. */
export function Pieces({
  plan,
  pieces,
  wanted,
  onWant,
  once,
  onOnce,
}: {
  plan: Plan;
  pieces: readonly CutPiece[];
  wanted: (piece: CutPiece) => number;
  onWant: (id: string, count: number) => void;
  once: readonly WantedPiece[];
  onOnce: (once: readonly WantedPiece[]) => void;
}) {
  return (
    <section aria-label="Kept cut" data-print-part="none">
      <h2 className="font-display text-lg font-semibold">Kept cut ahead</h2>
      {pieces.length === 0 && (
        <p className="max-w-xl text-soft">
          Eight or ten card bases of each colour, cut at once, save more time than any shelf (common practice). Say a
          piece below; from then on it is said here when it is time to cut again.
        </p>
      )}
      {pieces.length > 0 && (
        <ul className="grid grid-cols-1 gap-x-6 xl:grid-cols-2">
          {pieces.map((p) => (
            <Row key={p.id} plan={plan} piece={p} wanted={wanted(p)} onWant={(n) => onWant(p.id, n)} />
          ))}
        </ul>
      )}
      {once.length > 0 && (
        <ul aria-label="Cut this once" className="mt-1 flex flex-wrap gap-2">
          {once.map(({ piece, count }) => (
            <li
              key={piece.id}
              className="flex items-center gap-1 rounded-full border border-edge bg-paper pl-3 text-[14px]"
            >
              this once: {count} {piece.name} of {plan.supplies[piece.supplyId]?.name}
              <Button
                look="quiet"
                className="!px-1.5"
                aria-label={`Not ${piece.name} of ${plan.supplies[piece.supplyId]?.name}`}
                onClick={() => onOnce(once.filter((w) => w.piece.id !== piece.id))}
              >
                <X size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <OneMore plan={plan} onOnce={(more) => onOnce([...once, ...more])} />
    </section>
  );
}
