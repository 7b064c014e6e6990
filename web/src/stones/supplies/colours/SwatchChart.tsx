import { placeSaid } from '@heronstone/core/concepts';
import { Printer } from 'lucide-react';
import { type Order } from '@heronstone/core/colour';
import { homeNow, type Plan, type Supply } from '@heronstone/core/plan';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { printPart } from '../../../ui/print.ts';
import { monthOf, today } from '../../../ui/words.ts';
import { ORDER_WORDS } from './words.ts';

type Props = {
  plan: Plan;
  shown: readonly Supply[];
  families: readonly string[];
  family: string;
  onFamily: (family: string) => void;
  order: Order;
  onOrder: (order: Order) => void;
  chosen: readonly string[];
  onChoose: (id: string) => void;
};

/** One field a colour, in order, with its name and where it lives: to choose from on the screen, or to print and fill in by hand. */
export function SwatchChart({ plan, shown, families, family, onFamily, order, onOrder, chosen, onChoose }: Props) {
  return (
    <section aria-label="Swatch chart" data-print-part="chart">
      <div className="mb-1 flex flex-wrap items-end gap-2 print:hidden">
        <h2 className="mr-2 font-display text-lg font-semibold">Swatch chart</h2>
        <SelectField
          label="family"
          value={family}
          options={[['', 'every colour there is'], ...families.map((f) => [f, f] as const)]}
          onCommit={onFamily}
        />
        <SelectField
          label="in order"
          value={order}
          options={(Object.keys(ORDER_WORDS) as Order[]).map((o) => [o, ORDER_WORDS[o]] as const)}
          onCommit={onOrder}
        />
        <Button onClick={() => printPart('chart')}>
          <Printer size={15} aria-hidden /> Print, to fill in by hand
        </Button>
      </div>
      <h2 className="hidden text-xl font-semibold print:block">{family || 'All colours'}</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(7.5rem,1fr))] gap-1.5 print:grid-cols-5 print:gap-3">
        {shown.map((s) => {
          const on = chosen.includes(s.id);
          return (
            <li key={s.id} className="break-inside-avoid">
              <button
                type="button"
                aria-pressed={on}
                title={s.name}
                onClick={() => onChoose(s.id)}
                className={`w-full rounded-lg border p-1 text-left ${on ? 'border-heron bg-paper ring-2 ring-heron' : 'border-line bg-paper hover:border-heron'}`}
              >
                <span
                  aria-hidden
                  className="block h-9 rounded-md border border-line print:h-16 print:border-ink print:!bg-transparent"
                  style={{ background: s.colour! }}
                />
                <span className="block truncate text-[14px]">{s.name}</span>
                <span className="block truncate text-[12px] text-soft">{whereWords(plan, s)}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** “slot 4 · 15 left”, “none left”. */
function whereWords(plan: Plan, supply: Supply): string {
  const count = supply.working + supply.backstock;
  if (count === 0) return 'none left';
  const home = homeNow(plan, supply, monthOf(today()));
  const place = home && plan.places[home.placeId];
  return `${place ? place.name : 'no home yet'} · ${count}`;
}
export const placeWords = (plan: Plan, supply: Supply): string => {
  const home = homeNow(plan, supply, monthOf(today()));
  const place = home && plan.places[home.placeId];
  return place ? placeSaid(plan, place) : 'no home yet';
};
