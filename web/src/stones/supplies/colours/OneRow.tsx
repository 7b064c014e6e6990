import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { type Order } from '@heronstone/core/colour';
import { type Plan } from '@heronstone/core/plan';
import { rowCommand, rowInOrder, rowNow, type RowPlan, rowWith, type SlotRow } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { printPart } from '../../../ui/print.ts';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords, today } from '../../../ui/words.ts';
import { ORDER_WORDS } from './words.ts';
import { Drawn } from './DrawnRow.tsx';
import { Facts } from './RowFacts.tsx';

export function OneRow({ plan, row, chosen }: { plan: Plan; row: SlotRow; chosen: readonly string[] }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [order, setOrder] = useState<Order>(plan.colourRows[row.id]?.order ?? 'rainbow');
  const now = useMemo(() => rowNow(plan, row), [plan, row]);
  const more = useMemo(
    () => chosen.filter((id) => plan.supplies[id] && !now.includes(id)),
    [chosen, now, plan.supplies],
  );
  const newcomer = more.length === 1 ? plan.supplies[more[0]!]! : null;
  const beside = useMemo(() => (newcomer ? rowWith(plan, row, order, newcomer) : null), [plan, row, order, newcomer]);
  const laid = useMemo(() => rowInOrder(plan, row, order, more), [plan, row, order, more]);
  const take = (then: RowPlan) => {
    if (dispatch(rowCommand(plan, row, order, then.slots, today()))) toast.success('The row is laid so.');
  };
  const filled = now.filter((id) => id !== null).length;
  return (
    <>
      <div className="space-y-2" data-print-part="none">
        <Drawn plan={plan} row={row} slots={now} title={`Now: ${filled} of ${row.length} slots`} />
        <div className="flex flex-wrap items-end gap-2">
          <SelectField
            label="in order"
            value={order}
            options={(Object.keys(ORDER_WORDS) as Order[]).map((o) => [o, ORDER_WORDS[o]] as const)}
            onCommit={setOrder}
          />
          {more.length > 0 && (
            <p className="text-[14px] text-soft">
              With {more.length === 1 ? newcomer!.name : `${more.length} colours`} chosen from the chart.
            </p>
          )}
        </div>
        {newcomer &&
          (beside ? (
            <>
              <Drawn
                plan={plan}
                row={row}
                slots={beside.slots}
                marked={newcomer.id}
                title={`${newcomer.name} goes to slot ${beside.slots.indexOf(newcomer.id) + 1}: ${beside.moved.length === 0 ? 'nothing else moves' : `${countWords(beside.moved.length, 'neighbour moves', 'neighbours move')} by a slot`}`}
              />
              <Button look="main" onClick={() => take(beside)}>
                Put it there
              </Button>
            </>
          ) : (
            <p className="text-soft">
              {filled >= row.length
                ? 'The row is full: there is no slot for it.'
                : 'The row is in no order yet: lay it anew first.'}
            </p>
          ))}
        {laid ? (
          <>
            <Drawn
              plan={plan}
              row={row}
              slots={laid.slots}
              title={`In order, with gaps for what comes: ${laid.moved.length === 0 ? 'as it is' : `${countWords(laid.moved.length, 'thing changes its slot', 'things change their slots')}`}`}
            />
            <div className="flex flex-wrap gap-2">
              <Button
                look={newcomer && beside ? 'plain' : 'main'}
                disabled={laid.moved.length === 0}
                onClick={() => take(laid)}
              >
                Lay it so
              </Button>
              <Button onClick={() => printPart('labels')}>
                <Printer size={15} aria-hidden /> Labels of the row
              </Button>
            </div>
          </>
        ) : (
          <p className="text-clash">
            {countWords(new Set([...now.filter(Boolean), ...more]).size, 'colour', 'colours')} for {row.length} slots:
            they do not go in.
          </p>
        )}
        <Facts plan={plan} row={row} slots={now} />
      </div>
      <div data-print-part="labels" className="hidden print:mb-4 print:block print:space-y-3">
        <Drawn plan={plan} row={row} slots={now} title={`${row.name}, as it is`} />
        {laid && laid.moved.length > 0 && (
          <Drawn plan={plan} row={row} slots={laid.slots} title={`${row.name}, ${ORDER_WORDS[order]}`} />
        )}
      </div>
      <ul
        data-print-part="labels"
        className="hidden print:grid print:grid-cols-4 print:gap-2"
        aria-label="Labels of the row"
      >
        {now.map((id, i) => (
          <li key={i} className="border border-ink p-2">
            <strong className="block">{i + 1}</strong>
            {id ? plan.supplies[id]!.name : '–'}
          </li>
        ))}
      </ul>
    </>
  );
}
