import { Link } from 'react-router';
import { usePlan } from '../../state/plan-store.ts';
import { EmptyStone } from '../../views/empty/EmptyStone.tsx';

export function NoSeat() {
  const id = usePlan((s) => s.plan.id);
  return (
    <main className="p-8">
      <h1 className="font-display text-2xl font-semibold">Homes</h1>
      <EmptyStone of="homes">
        <p>
          The room as it is seen from your seat: near and far are measured from where someone works. Give an activity a
          seat at{' '}
          <Link className="text-heron underline" to={`/p/${id}/activities?view=where`}>
            Activities
          </Link>{' '}
          first.
        </p>
      </EmptyStone>
    </main>
  );
}
