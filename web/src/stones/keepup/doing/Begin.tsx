import { useEffect, useRef, useState } from 'react';
import { newId, type Command } from '@heronstone/core/plan';
import { getPlan, listPlans, type PlanSummary } from '../../../state/api.ts';
import { useSelection } from '../../../state/selection.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { Working } from '../../../ui/working.tsx';
import { useDoing } from './use-doing.ts';

/** Which room is wanted: another plan of this one. A river without stones shows what will be here. */
export function Begin() {
  const plan = usePlan((s) => s.plan);
  const [plans, setPlans] = useState<PlanSummary[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const work = useDoing();
  const { get, select } = useSelection();
  const asked = useRef(get('against'));
  useEffect(() => {
    let here = true;
    listPlans().then(
      (all) => here && setPlans(all.filter((p) => p.id !== plan.id && p.keptUntil === null)),
      (e: Error) => here && setTrouble(e.message),
    );
    return () => void (here = false);
  }, [plan.id]);
  const choose = async (to: PlanSummary) => {
    setTrouble(null);
    try {
      const { plan: then } = await getPlan(to.id);
      if (get('against')) select({ against: null });
      const shared = Object.keys(plan.supplies).filter((id) => then.supplies[id]).length;
      if (shared < Object.keys(plan.supplies).length / 2) {
        setTrouble(
          `${to.name} has few of this plan’s things: it is not a plan of this room. Make it from this one (Another way, in Furniture).`,
        );
        return;
      }
      await work.lookAgain(then, (wanted): Command[] => [
        {
          type: 'addDoing',
          doing: {
            ...{ id: newId('doing'), toPlanId: to.id, toName: to.name, begins: today(), livable: true, way: 'found' },
            ...{ moneyAMonth: null, planned: 0, promised: wanted.promised },
            ...{ findingsBefore: wanted.findingsBefore, findingsAfter: wanted.findingsAfter },
          },
        },
      ]);
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  // chosen where homes were found: it begins by itself
  useEffect(() => {
    const to = plans?.find((p) => p.id === asked.current);
    if (!to) return;
    asked.current = null;
    void choose(to);
  });
  const mine = [...(plans ?? [])].sort((a, b) => Number(b.forkedFrom === plan.id) - Number(a.forkedFrom === plan.id));
  return (
    <section aria-label="Which room is wanted" className="max-w-2xl py-3">
      <p className="flex justify-between text-[14px] text-soft" aria-hidden>
        <span>as it is</span>
        <span>wanted</span>
      </p>
      <svg
        viewBox="0 28 600 60"
        className="w-full"
        role="img"
        aria-label="A river between the room as it is and the room wanted, without stones yet"
      >
        <rect x={0} y={30} width={600} height={56} className="fill-heron/10" />
        <path d="M0 30 h58 q-10 28 0 56 h-58 z" className="fill-stone" />
        <path d="M600 30 h-58 q10 28 0 56 h58 z" className="fill-stone" />
        {[110, 205, 300, 395, 490].map((x, i) => (
          <ellipse
            key={x}
            cx={x}
            cy={i % 2 ? 63 : 53}
            rx={22}
            ry={12}
            className="fill-paper stroke-edge"
            strokeDasharray="4 4"
          />
        ))}
      </svg>
      <h2 className="mt-2 font-display text-xl font-semibold">Which room is it to become?</h2>
      <p className="my-1 text-soft">
        Choose another plan of this room. What differs becomes jobs, and these are laid on the days you have, so that
        what saves most is done first and the room can be used every evening.
      </p>
      {trouble !== null && (
        <p role="alert" className="text-clash">
          {trouble}
        </p>
      )}
      <Working work={work} words="Looking what differs" />
      {plans !== null && mine.length === 0 && (
        <p className="py-2">
          There is no other plan yet. In Furniture, <em>Another way</em> makes one of this room to change; in Homes,
          find homes in it; then come back.
        </p>
      )}
      <ul className="mt-2 divide-y divide-line">
        {mine.map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-3 py-2">
            <span className="grow">
              <strong>{p.name}</strong>{' '}
              <span className="text-[14px] text-soft">
                {countWords(p.supplies, 'thing', 'things')}, {countWords(p.units, 'unit', 'units')}
                {p.forkedFrom === plan.id && ', made from this one'}
              </span>
            </span>
            <Button disabled={work.share !== null} aria-label={`This one: ${p.name}`} onClick={() => void choose(p)}>
              This one
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
