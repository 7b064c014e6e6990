import { type KeyboardEvent, useCallback } from 'react';
import { type Unit } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Floor } from '../../views/floor/Floor.tsx';
import { BringIn } from './BringIn.tsx';
import { ChosenUnit } from './ChosenUnit.tsx';

/** Floor large; the chosen unit, with its front to scale, along the bottom. */
export default function FurnitureStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const chosen = get('unit');
  const unit = chosen ? plan.units[chosen] : undefined;
  const away = Object.values(plan.units).filter((u) => u.mount === 'away');

  const onKeyUnit = useCallback(
    (u: Unit, e: KeyboardEvent) => {
      const step = e.shiftKey ? 100 : 10;
      const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
      if (by) {
        e.preventDefault();
        dispatch({ type: 'setUnit', id: u.id, set: { x: u.x + by[0]!, y: u.y + by[1]! } });
      } else if (e.key.toLowerCase() === 'r') {
        const facing = (u.facing + (e.shiftKey ? 15 : 90)) % 360;
        dispatch({ type: 'setUnit', id: u.id, set: { facing } });
      } else if (e.key === 'Delete' || e.key === 'Backspace') {
        e.preventDefault();
        if (dispatch({ type: 'removeUnit', id: u.id })) select({ unit: null });
      }
    },
    [dispatch, select],
  );

  return (
    <main className="flex grow flex-col px-4 pb-3">
      <div className="flex flex-wrap items-center gap-3 py-1">
        <h1 className="font-display text-2xl font-semibold">Furniture</h1>
        <BringIn />
        {away.length > 0 && (
          <p className="text-soft">
            Outside the room:{' '}
            {away.map((u, i) => (
              <span key={u.id}>
                {i > 0 && ', '}
                <button
                  type="button"
                  className={`underline decoration-line underline-offset-2 hover:text-heron ${u.id === chosen ? 'text-heron' : ''}`}
                  onClick={() => select({ unit: u.id })}
                >
                  {u.name}
                </button>
              </span>
            ))}
          </p>
        )}
        <p className="ml-auto text-[13px] text-soft">Drag, or arrows (Shift: 10 cm) · R turns · Delete takes out</p>
      </div>
      <div className="relative h-[46vh] min-h-72 grow">
        {Object.keys(plan.units).length === 0 && (
          <p className="absolute inset-x-0 top-1/2 z-10 mx-auto w-fit -translate-y-1/2 rounded-2xl bg-ground px-6 py-4 text-center">
            Nothing stands here yet. <strong>Bring in a unit</strong> above: a work table is a good first one.
          </p>
        )}
        <Floor
          plan={plan}
          measures
          chosenUnit={chosen}
          onChooseUnit={(id) => select({ unit: id })}
          onMoveUnit={(id, to) => dispatch({ type: 'setUnit', id, set: to })}
          onKeyUnit={onKeyUnit}
          className="absolute inset-0 h-full w-full"
        />
      </div>
      {unit ? (
        <ChosenUnit unit={unit} />
      ) : (
        Object.keys(plan.units).length > 0 && (
          <p className="border-t border-line py-3 text-soft">
            Choose a unit on Floor to see its front, its sizes and how far it is from the walls.
          </p>
        )
      )}
    </main>
  );
}
