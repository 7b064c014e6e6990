import { Trash2 } from 'lucide-react';
import { newId, roomOf, wallsInOrder } from '@heronstone/core/plan';
import { formatLength } from '@heronstone/core/lengths';
import { diagonalError, outOfSquare } from '@heronstone/core/survey';
import { distance } from '@heronstone/core/geometry';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, SelectField } from '../../ui/fields/index.ts';

/** Measured diagonals, and what they say about squareness. Corner n is where wall n begins. */
export function Diagonals() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const walls = wallsInOrder(plan);
  const { outline, closes } = roomOf(plan);
  if (walls.length < 4) return null;
  const corners = walls.map((w, i) => [w.id, `corner ${i + 1}`] as const);
  const add = () =>
    dispatch({
      type: 'addDiagonal',
      diagonal: {
        id: newId('diagonal'),
        fromWallId: walls[0]!.id,
        toWallId: walls[2]!.id,
        length: Math.max(1, Math.round(distance(outline[0]!, outline[2]!))),
      },
    });
  return (
    <section aria-label="Diagonals">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">Diagonals</h2>
        <Button look="quiet" onClick={add}>
          A diagonal
        </Button>
      </div>
      {Object.keys(plan.diagonals).length === 0 && (
        <p className="text-[13px] text-soft">
          Measured from corner to corner they tell whether the room is square. Corner 1 is where wall 1 begins.
        </p>
      )}
      {Object.values(plan.diagonals).map((d) => {
        const from = walls.findIndex((w) => w.id === d.fromWallId);
        const to = walls.findIndex((w) => w.id === d.toWallId);
        const error = closes ? diagonalError(outline, from, to, d.length) : null;
        const set = (part: Partial<typeof d>) => dispatch({ type: 'setDiagonal', id: d.id, set: part });
        // two walls away the diagonal spans one corner, which it tells the squareness of
        const near = (to - from + walls.length) % walls.length === 2;
        const square = near
          ? outOfSquare(walls[from]!.length, walls[(from + 1) % walls.length]!.length, d.length)
          : null;
        return (
          <div key={d.id} className="mt-1 grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
            <SelectField
              label="from"
              value={d.fromWallId}
              options={corners}
              onCommit={(fromWallId) => set({ fromWallId })}
            />
            <SelectField label="to" value={d.toWallId} options={corners} onCommit={(toWallId) => set({ toWallId })} />
            <LengthField
              label="measured"
              positive
              mm={d.length}
              onCommit={(mm) => mm !== null && set({ length: mm })}
            />
            <Button
              look="quiet"
              className="!px-1.5"
              aria-label="Take this diagonal out"
              onClick={() => dispatch({ type: 'removeDiagonal', id: d.id })}
            >
              <Trash2 size={15} aria-hidden />
            </Button>
            <p className="col-span-4 text-[13px] text-soft">
              {error === null
                ? 'It is compared once the walls close, and only between two corners.'
                : Math.abs(error) < 1
                  ? 'It agrees with the walls as they are drawn.'
                  : `${formatLength(Math.abs(error), plan.head.measure)} ${error > 0 ? 'longer' : 'shorter'} than the walls as they are drawn.`}
              {square &&
                ` Corner ${((from + 1) % walls.length) + 1} is ${Math.abs(square.degrees) < 0.1 ? 'square' : `${Math.abs(square.degrees).toFixed(1)}° out of square: ${plan.head.measure === 'metric' ? `${square.perMetre.toFixed(0)} mm on a metre` : `${((square.perMetre * 12) / 1000).toFixed(2)}" in a foot`}`}.`}
            </p>
          </div>
        );
      })}
    </section>
  );
}
