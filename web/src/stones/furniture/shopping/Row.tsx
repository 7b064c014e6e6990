import { massIn, type ShoppingRow } from '@heronstone/core/fit';
import { formatLength } from '@heronstone/core/lengths';
import { homesIn, type Place, placesIn, placeTitle, type Plan } from '@heronstone/core/plan';
import { useSelection } from '../../../state/selection.ts';
import { Beside } from './Beside.tsx';
import { Editor } from './Editor.tsx';

export function Row({ plan, row, onClose }: { plan: Plan; row: ShoppingRow; onClose: () => void }) {
  const { organiser, need, packs, buy, spare, where } = row;
  const { select } = useSelection();
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const money = organiser.price === null ? '' : ` for ${(buy * organiser.price).toFixed(2)}`;
  return (
    <li className="grid grid-cols-1 gap-x-4 gap-y-1 py-3 sm:grid-cols-[15rem_1fr]">
      <Beside plan={plan} organiser={organiser} place={where[0]?.place ?? null} />
      <div>
        <h3 className="font-semibold">
          {organiser.name}{' '}
          <span className="font-normal text-soft">
            {len(organiser.width)} × {len(organiser.depth)} × {len(organiser.height)} high
            {organiser.lid ? ', with a lid' : ''}
            {organiser.carried ? ', carried to the seat' : ''}
          </span>
        </h3>
        <p className={packs > 0 ? 'font-semibold' : ''}>
          {packs === 0
            ? need === 0
              ? 'Stands nowhere yet.'
              : `Enough: ${need} in places, ${organiser.have} at hand.`
            : `Buy ${packs} ${packs === 1 ? 'pack' : 'packs'} of ${organiser.packOf}: ${buy}${money}, with ${organiser.have} at hand for ${need}; ${spare} over.`}
        </p>
        <ul className="text-[14px]">
          {where.map((w) => (
            <li key={w.place.id}>
              <button
                type="button"
                className="text-left text-heron hover:underline"
                onClick={() => {
                  select({ unit: w.place.unitId, place: w.place.id });
                  onClose();
                }}
              >
                {w.count} in {placeTitle(plan, w.place)}
              </button>{' '}
              <span className="text-soft">{heldWords(plan, w.place, organiser.id)}</span>
            </li>
          ))}
        </ul>
        <details className="mt-1">
          <summary className="cursor-pointer text-[14px] text-heron">Measure and describe it</summary>
          <Editor organiser={organiser} />
        </details>
      </div>
    </li>
  );
}

/** What lies in the containers of a kind in one place. */
function heldWords(plan: Plan, place: Place, organiserId: string): string {
  const boxes = placesIn(plan, place.id).filter((p) => p.organiserId === organiserId);
  const kinds = boxes.reduce((sum, p) => sum + homesIn(plan, p.id).length, 0);
  const mass = boxes.reduce((sum, p) => sum + massIn(plan, p), 0);
  return kinds === 0 ? 'empty' : `${kinds} ${kinds === 1 ? 'kind' : 'kinds'}, ${(mass / 1000).toFixed(1)} kg`;
}
