import { placeSaid } from '@heronstone/core/concepts';
import { Minus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { formatLength } from '@heronstone/core/lengths';
import { type CutPiece, type Plan } from '@heronstone/core/plan';
import { cutSaves } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField } from '../../../ui/fields/index.ts';
import { PlaceField } from '../../../ui/place-field.tsx';
import { yearWords } from '../../../ui/words.ts';
import { Level } from './Level.tsx';
import { GRAIN_WORDS } from './grain-words.ts';

/** One piece: how many there are of those kept, each a little sheet; its numbers when asked for. */
export function Row({
  plan,
  piece,
  wanted,
  onWant,
}: {
  plan: Plan;
  piece: CutPiece;
  wanted: number;
  onWant: (count: number) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const [open, setOpen] = useState(false);
  const { measure } = plan.head;
  const paper = plan.supplies[piece.supplyId]!;
  const saves = cutSaves(plan, piece);
  const set = (part: Partial<CutPiece>) => dispatch({ type: 'setCutPiece', id: piece.id, set: part });
  const title = `${piece.name} of ${paper.name}`;
  return (
    <li className="border-t border-line py-1.5">
      <div className="flex items-center gap-2">
        <button
          type="button"
          aria-expanded={open}
          className="min-w-0 grow text-left hover:text-heron"
          onClick={() => setOpen(!open)}
        >
          <span className="block truncate">
            <strong className="font-semibold">{piece.name}</strong> {paper.name}{' '}
            <span className="text-soft">
              {formatLength(piece.width, measure)} × {formatLength(piece.depth, measure)}
            </span>
          </span>
          <Level piece={piece} colour={paper.colour} wanted={wanted} />
        </button>
        <Button
          className="!px-2.5"
          aria-label={`One ${title} used`}
          disabled={piece.have === 0}
          onClick={() => set({ have: piece.have - 1 })}
        >
          <Minus size={15} aria-hidden />
        </Button>
        <Button aria-pressed={wanted > 0} onClick={() => onWant(wanted > 0 ? 0 : Math.max(1, piece.keep - piece.have))}>
          {wanted > 0 ? `cut ${wanted}` : 'not now'}
        </Button>
      </div>
      {open && (
        <div className="mt-1 flex flex-wrap items-end gap-2">
          <NumberField className="w-20" label="there are" whole value={piece.have} onCommit={(have) => set({ have })} />
          <NumberField className="w-20" label="kept" whole value={piece.keep} onCommit={(keep) => set({ keep })} />
          <NumberField
            className="w-24"
            label="again below"
            whole
            value={piece.below}
            onCommit={(below) => set({ below })}
          />
          <NumberField className="w-20" label="cut now" whole value={wanted} onCommit={onWant} />
          <PlaceField
            plan={plan}
            label="they lie in"
            placeId={piece.placeId}
            onCommit={(placeId) => set({ placeId })}
          />
          <Button look="quiet" onClick={() => dispatch({ type: 'removeCutPiece', id: piece.id })}>
            <Trash2 size={15} aria-hidden /> Keep it no longer
          </Button>
          <p className="basis-full text-[13px] text-soft">
            {GRAIN_WORDS[piece.grain]}
            {piece.placeId !== null &&
              plan.places[piece.placeId] &&
              `; they lie in ${placeSaid(plan, plan.places[piece.placeId]!)}`}
            {saves > 60 && `; cut ahead it saves ${yearWords(saves)}`}
          </p>
        </div>
      )}
    </li>
  );
}
