import { ArrowRight, X } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { type NextStep, nextStepAt } from '@heronstone/core/beginning';
import { useNextLine } from '../../state/next-line.ts';
import { usePlan } from '../../state/plan-store.ts';
import { sitDown } from '../../state/sit.ts';
import { Button } from '../../ui/button.tsx';
import { reachFor } from './reach-for.ts';

/** Where a step is done, and what is taken hold of there. */
const WHERE: Record<Exclude<NextStep['id'], 'seat'>, { view?: string; hold: string | null }> = {
  walls: { hold: '#next-wall' },
  close: { hold: '#next-wall' },
  unit: { hold: '[data-next="bring-in"]' },
  things: { view: 'lines', hold: '#lines' },
  sizes: { view: 'list', hold: null },
  uses: { view: 'uses', hold: null },
  find: { hold: '[data-next="find"]' },
  map: { view: 'closer', hold: '[data-next="map"]' },
};

/** The one next thing of the stone one is at, in a line that does it; nothing once things have homes, or where it was put away. */
export function NextLine() {
  const plan = useDeferredValue(usePlan((s) => s.plan));
  const shown = useNextLine((s) => s.shown);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const stone = pathname.split('/')[3] ?? '';
  const step = useMemo(() => (shown ? nextStepAt(plan, stone) : null), [shown, plan, stone]);
  if (!step) return null;
  const act = async () => {
    if (step.id === 'seat') return sitDown(step.unitId ?? '');
    const { view, hold } = WHERE[step.id];
    const query = new URLSearchParams({
      ...(view ? { view } : {}),
      ...(step.unitId && view ? { unit: step.unitId } : {}),
    });
    await navigate(`/p/${plan.id}/${step.stone}${query.size > 0 ? `?${query}` : ''}`);
    if (hold) await reachFor(hold);
  };
  return (
    <div
      role="region"
      aria-label="The next thing"
      className="mx-4 mb-1 flex flex-wrap items-center gap-x-3 gap-y-1 rounded-xl bg-stone px-3 py-1 print:hidden"
    >
      <p className="min-w-0 grow" aria-live="polite">
        {step.milestone && <strong>{step.milestone} </strong>}
        {step.words}
      </p>
      <Button onClick={() => void act()}>
        Do this <ArrowRight size={15} aria-hidden />
      </Button>
      <Button
        look="quiet"
        className="!px-1.5"
        aria-label="Put this line away for good"
        title="Put this line away for good; under ? it comes back"
        onClick={() => useNextLine.setState({ shown: false })}
      >
        <X size={15} aria-hidden />
      </Button>
    </div>
  );
}
