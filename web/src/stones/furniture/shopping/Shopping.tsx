import { shoppingList } from '@heronstone/core/fit';
import { blankOrganiser, newId } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { Sheet } from '../../../ui/sheet.tsx';
import { Row } from './Row.tsx';

/** The containers one has or wants, each drawn beside the place it stands in, and what to buy. */
export function Shopping({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const rows = shoppingList(plan);
  const add = () =>
    dispatch({
      type: 'addOrganiser',
      organiser: { ...blankOrganiser(newId('organiser'), `Box ${rows.length + 1}`, 150, 200, 100), seeThrough: true },
    });
  return (
    <Sheet title="Containers and what to buy" onClose={onClose} wide>
      {rows.length === 0 && (
        <p className="text-soft">
          No containers yet. Measure one of your own here, once; then set as many of it into places as you like.
        </p>
      )}
      <ul className="divide-y divide-line">
        {rows.map((row) => (
          <Row key={row.organiser.id} plan={plan} row={row} onClose={onClose} />
        ))}
      </ul>
      <Button className="mt-2" onClick={add}>
        Measure another container
      </Button>
    </Sheet>
  );
}
