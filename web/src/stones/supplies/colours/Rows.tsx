import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { type Order } from '@heronstone/core/colour';
import { formatLength, formatWeight } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import {
  inSlot,
  rowCommand,
  rowInOrder,
  rowMass,
  rowNow,
  type RowPlan,
  rowWith,
  type SlotRow,
} from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { printPart } from '../../../ui/print.ts';
import { SelectField } from '../../../ui/fields.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { Insert } from './Insert.tsx';
import { PadFits } from './PadFits.tsx';
import { ORDER_WORDS } from './words.ts';

/** Rows of slots: as they are, as they would be in order, and where a newcomer goes. */
export function Rows({
  plan,
  rows,
  chosen,
  shown,
}: {
  plan: Plan;
  rows: readonly SlotRow[];
  chosen: readonly string[];
  /** what the chart shows: slots are planned for it when nothing is chosen */
  shown: readonly string[];
}) {
  const [at, setAt] = useState('');
  const row = rows.find((r) => r.id === at) ?? rows[0];
  const insert = (
    <Insert
      plan={plan}
      ids={chosen.length > 0 ? chosen : shown}
      of={chosen.length > 0 ? `the ${chosen.length} chosen` : `the ${shown.length} of the chart`}
      onMade={setAt}
    />
  );
  if (!row)
    return (
      <section aria-label="Rows">
        <h2 className="font-display text-lg font-semibold">Rows of slots</h2>
        <p className="text-soft">
          No unit has slots beside each other yet. Plan some here, or give a cubby paper slots at Furniture; then its
          row is put in order here.
        </p>
        {insert}
      </section>
    );
  return (
    <section aria-label="Rows">
      <div data-print-part="none" className="mb-1 flex flex-wrap items-end gap-2">
        <h2 className="mr-2 font-display text-lg font-semibold">Rows of slots</h2>
        <SelectField
          label="which row"
          value={row.id}
          options={rows.map((r) => [r.id, `${r.name} (${r.length})`] as const)}
          onCommit={setAt}
        />
      </div>
      <OneRow key={row.id} plan={plan} row={row} chosen={chosen} />
      <div className="mt-2 space-y-2" data-print-part="none">
        <PadFits key={row.id} plan={plan} row={row} />
        {insert}
      </div>
    </section>
  );
}

function OneRow({ plan, row, chosen }: { plan: Plan; row: SlotRow; chosen: readonly string[] }) {
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

/** A row as it will look: a slot each, filled with its colour; a gap is an empty slot. */
function Drawn({
  plan,
  row,
  slots,
  title,
  marked,
}: {
  plan: Plan;
  row: SlotRow;
  slots: readonly (string | null)[];
  title: string;
  marked?: string;
}) {
  return (
    <figure className="rounded-lg bg-stone p-2">
      <figcaption className="mb-1 text-[14px]">{title}</figcaption>
      <ol className="flex h-20 items-end gap-[3px]" aria-label={title}>
        {slots.map((id, i) => {
          const supply = id === null ? undefined : plan.supplies[id];
          const place = row.places.length > 1 ? row.places[i] : undefined;
          const share = supply && place ? (inSlot(place, supply, supply.working)?.share ?? 1) : 1;
          const name = supply ? `${i + 1}: ${supply.name}` : `${i + 1}: empty`;
          return (
            <li
              key={i}
              title={name}
              className={`relative h-full min-w-0 grow overflow-hidden rounded-sm border bg-paper ${id === marked && marked ? 'border-2 border-heron' : 'border-edge'}`}
            >
              <span className="sr-only">{name}</span>
              {supply && (
                <span
                  aria-hidden
                  className="absolute inset-y-0 left-0 border-r border-edge"
                  style={{
                    background: supply.colour ?? 'var(--wood)',
                    width: `${Math.max(0.12, Math.min(1, share)) * 100}%`,
                  }}
                />
              )}
            </li>
          );
        })}
      </ol>
    </figure>
  );
}

/** What does not stand well in its slot: too large, more than goes in, a stop wanted behind, or so few that they bow. */
function Facts({ plan, row, slots }: { plan: Plan; row: SlotRow; slots: readonly (string | null)[] }) {
  if (row.places.length === 1) return null;
  const told = slots.flatMap((id, i) => {
    const supply = id === null ? undefined : plan.supplies[id];
    const facts = supply && inSlot(row.places[i]!, supply, supply.working);
    if (!supply || !facts) return [];
    const words =
      facts.most === 0
        ? 'the sheet does not go in'
        : supply.working > facts.most && slots.indexOf(id) === slots.lastIndexOf(id)
          ? `${facts.most} of ${supply.working} go in`
          : facts.stop > 0
            ? `needs a stop ${formatLength(facts.stop, plan.head.measure)} from the back`
            : facts.bows
              ? `only ${Math.round(facts.share * 100)} % full: it will lean and bow (common practice: two thirds at least)`
              : null;
    return words === null ? [] : [{ id: `${i} ${supply.id}`, name: supply.name, slot: i + 1, words }];
  });
  const { now, full, load } = rowMass(plan, row);
  const weight = (g: number) => formatWeight(g, plan.head.measure);
  const mass =
    full > 0 ? (
      <p className={`text-[14px] ${now > load ? 'text-clash' : 'text-soft'}`}>
        It holds {weight(now)} of paper, with every slot full {weight(full)}
        {full > load &&
          `, and its slots are to carry ${weight(load)}: stand it on something firm, fix a tall unit to the wall`}
        .
      </p>
    ) : null;
  if (told.length === 0) return mass;
  return (
    <>
      {mass}
      <details>
        <summary className="cursor-pointer">
          {countWords(told.length, 'slot', 'slots')} to look at: stops, bowing, too much
        </summary>
        <ul className="text-[14px]">
          {told.map((t) => (
            <li key={t.id}>
              Slot {t.slot}, {t.name}: {t.words}.
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}
