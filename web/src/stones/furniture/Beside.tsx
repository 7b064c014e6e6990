import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { openFindings } from '../../state/findings.ts';
import { getPlan, takeOver } from '../../state/api.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { Floor } from '../../views/floor/Floor.tsx';
import { countWords } from '../../ui/words.ts';

/** Another plan beside this one, as it is saved now. */
export function Beside({ planId, mine }: { planId: string; mine: Plan }) {
  const [plan, setPlan] = useState<Plan | null>(null);
  const [open, setOpen] = useState<number | null>(null);
  const navigate = useNavigate();
  const unsaved = usePlan((s) => s.unsaved);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    const look = async () => {
      const got = await getPlan(planId);
      if (!here) return;
      setPlan(got.plan);
      const count = await openFindings(got.plan);
      if (here) setOpen(count);
    };
    look().catch((e: Error) => here && setTrouble(e.message));
    return () => void (here = false);
  }, [planId]);
  if (trouble) return <p className="p-4 text-clash">{trouble}</p>;
  if (!plan) return <p className="p-4 text-soft">Opening the other plan …</p>;
  const differs = Object.values(mine.units).filter((u) => {
    const other = plan.units[u.id];
    return !other || other.x !== u.x || other.y !== u.y || other.facing !== u.facing || other.bottom !== u.bottom;
  });
  return (
    <section aria-label={`Beside: ${plan.head.name}`} className="flex h-full flex-col">
      <p className="text-[13px] text-soft">
        <Link className="font-semibold text-heron underline" to={`/p/${planId}/furniture?beside=${mine.id}`}>
          {plan.head.name}
        </Link>
        : {open === null ? 'looking …' : `${countWords(open, 'finding', 'findings')} open`};{' '}
        {countWords(differs.length, 'unit stands', 'units stand')} otherwise here
      </p>
      {mine.head.forkedFrom === planId && (
        <p className="py-1">
          <Button
            look="main"
            disabled={unsaved > 0}
            onClick={() => {
              takeOver(planId, mine.id).then(
                async () => {
                  await navigate(`/p/${planId}/furniture?beside=${mine.id}`);
                  toast.success(`${plan.head.name} now stands as ${mine.head.name} does. Ctrl Z there takes it back.`);
                },
                (e: Error) => toast.error(e.message),
              );
            }}
          >
            Take this way over into {plan.head.name}
          </Button>
        </p>
      )}
      <div className="min-h-0 grow">
        <Floor plan={plan} measures clash={new Set(differs.map((u) => u.id))} className="h-full w-full" />
      </div>
    </section>
  );
}
