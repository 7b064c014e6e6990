import { formatLength } from '@heronstone/core/lengths';
import { SIDES, type Unit } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';

/** What of a unit nobody measured with a tape; a length that is typed is known from then on. */
export function UnitGuesses({ unit }: { unit: Unit }) {
  const dispatch = usePlan((s) => s.dispatch);
  const measure = usePlan((s) => s.plan.head.measure);
  const usual = SIDES.filter((side) => unit.usual.includes(side) && !unit.unsure.includes(side));
  const { unsure, pictured } = unit;
  if (usual.length + unsure.length + pictured.length === 0) return null;
  const set = (part: Partial<Unit>) => dispatch({ type: 'setUnit', id: unit.id, set: part });
  return (
    <p className="mt-1 text-[14px] text-soft">
      {usual.length > 0 &&
        `Usual for its kind, not measured: ${usual.join(', ')}. Measure before anything is bought for it. `}
      {unsure.length > 0 && `Guessed: ${unsure.join(', ')}. `}
      {pictured.length > 0 && `By picture, ± ${formatLength(unit.plusMinus, measure)}: ${pictured.join(', ')}. `}
      <button
        type="button"
        className="text-heron underline"
        onClick={() => set({ usual: [], unsure: [], pictured: [], plusMinus: 0 })}
      >
        It is right as it stands
      </button>
      {usual.length > 0 && (
        <>
          {' · '}
          <button
            type="button"
            className="text-heron underline"
            onClick={() => set({ usual: [], unsure: [...new Set([...unsure, ...usual])] })}
          >
            I guessed it
          </button>
        </>
      )}
    </p>
  );
}
