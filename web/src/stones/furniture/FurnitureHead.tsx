import { Box, FileDown, GitFork, Shapes, ShoppingBasket, Shuffle } from 'lucide-react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { forkPlan } from '../../state/api.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { BesideChoice } from './BesideChoice.tsx';
import { BringIn } from './BringIn.tsx';

/** What lies over Furniture when it is asked for. */
export type FurnitureSheet = 'shopping' | 'goesIn' | 'drawings';

/** What can be done with furniture: brought in, asked about, zoned, printed, tried another way, arranged. */
export function FurnitureHead({ onSheet }: { onSheet: (sheet: FurnitureSheet) => void }) {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const navigate = useNavigate();
  const fork = async () => {
    try {
      const { id } = await forkPlan(plan.id, `${plan.head.name}, another way`);
      await navigate(`/p/${id}/furniture?beside=${plan.id}`);
    } catch (e) {
      toast.error((e as Error).message);
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-x-1 gap-y-1 py-1 [&>button]:!px-2.5 [&>h1]:mr-2">
      <h1 className="font-display text-2xl font-semibold">Furniture</h1>
      <BringIn />
      <Button look="quiet" onClick={() => onSheet('goesIn')}>
        <Box size={16} aria-hidden /> Does it go in?
      </Button>
      <Button look="quiet" onClick={() => onSheet('shopping')}>
        <ShoppingBasket size={16} aria-hidden /> Containers
      </Button>
      <Button look="quiet" onClick={() => select({ view: 'zones' })}>
        <Shapes size={16} aria-hidden /> Zones
      </Button>
      <Button look="quiet" onClick={() => onSheet('drawings')}>
        <FileDown size={16} aria-hidden /> On paper
      </Button>
      <Button look="quiet" onClick={() => void fork()} title="A copy of this plan to change, with this one beside it">
        <GitFork size={16} aria-hidden /> Try another way
      </Button>
      <Button look="quiet" onClick={() => select({ view: 'arrange' })}>
        <Shuffle size={16} aria-hidden /> Arrange for me
      </Button>
      <BesideChoice planId={plan.id} beside={get('beside')} onChoose={(id) => select({ beside: id })} />
    </div>
  );
}
