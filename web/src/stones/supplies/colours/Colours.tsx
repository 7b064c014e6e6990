import { useMemo } from 'react';
import { compareBy, type Order } from '@heronstone/core/colour';
import { slotRowsOf } from '@heronstone/core/stock';
import { useKept } from '../../../state/kept.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Chosen } from './Chosen.tsx';
import { Nearest } from './Nearest.tsx';
import { Rows } from './Rows.tsx';
import { SwatchChart } from './SwatchChart.tsx';

const NONE: readonly string[] = [];

/** Colours: the chart of what there is, combinations, what comes nearest to a colour, and rows of slots in their order. */
export default function Colours() {
  const plan = usePlan((s) => s.plan);
  const [family, setFamily] = useKept('colours.family', '');
  const [order, setOrder] = useKept<Order>('colours.order', 'rainbow');
  const [kept, setChosen] = useKept<readonly string[]>('colours.chosen', NONE);
  // what has gone meanwhile is chosen no more
  const chosen = useMemo(() => kept.filter((id) => plan.supplies[id]), [kept, plan.supplies]);
  const coloured = useMemo(() => Object.values(plan.supplies).filter((s) => s.colour !== null), [plan.supplies]);
  const families = useMemo(
    () => [...new Set(coloured.map((s) => s.family))].filter((f) => f !== '').sort((a, b) => (a < b ? -1 : 1)),
    [coloured],
  );
  const shown = useMemo(() => {
    const compare = compareBy(order);
    return coloured.filter((s) => family === '' || s.family === family).sort(compare);
  }, [coloured, family, order]);
  const shownIds = useMemo(() => shown.map((s) => s.id), [shown]);
  const rows = useMemo(() => slotRowsOf(plan), [plan]);
  const toggle = (id: string) =>
    setChosen((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id]));
  if (coloured.length === 0)
    return (
      <p className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
        Nothing has a colour yet. Say one with the thing (“15 red card 12x12”), or in its form in the list; then the
        chart is drawn here, and rows of slots can be put in order.
      </p>
    );
  return (
    <div className="grid grow grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="min-w-0 space-y-5">
        <SwatchChart
          plan={plan}
          shown={shown}
          families={families}
          family={family}
          onFamily={setFamily}
          order={order}
          onOrder={setOrder}
          chosen={chosen}
          onChoose={toggle}
        />
        <Rows plan={plan} rows={rows} chosen={chosen} shown={shownIds} />
      </div>
      <aside className="space-y-5" data-print-part="none">
        <Chosen plan={plan} chosen={chosen} onChoose={setChosen} />
        <Nearest plan={plan} onChoose={toggle} />
      </aside>
    </div>
  );
}
