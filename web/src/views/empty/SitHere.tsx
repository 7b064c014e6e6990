import { Armchair } from 'lucide-react';
import { Link } from 'react-router';
import { tableToSitAt } from '@heronstone/core/beginning';
import { factsOf } from '@heronstone/core/catalogue';
import { type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { sitDown } from '../../state/sit.ts';
import { Button } from '../../ui/button.tsx';

/** The first seat, in place: at the first table there is, or before what stands here; where nothing stands, where it is brought in. */
export function SitHere() {
  const plan = usePlan((s) => s.plan);
  const table = tableToSitAt(plan);
  if (!table) return <BringInFirst planId={plan.id} />;
  const { worktop } = factsOf(table.kind);
  return (
    <Button look="main" className="mt-3" onClick={() => sitDown(table.id)}>
      <Armchair size={15} aria-hidden /> {worktop ? `Sit down at ${table.name}` : `Stand before ${table.name}`}
    </Button>
  );
}

const BringInFirst = ({ planId }: { planId: Plan['id'] }) => (
  <p className="mt-2">
    Nothing stands here yet:{' '}
    <Link className="text-heron underline" to={`/p/${planId}/furniture`}>
      bring in a table or a cupboard
    </Link>
    , and its seat is one press further.
  </p>
);
