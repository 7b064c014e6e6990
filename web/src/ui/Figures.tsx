import { Popover } from 'radix-ui';
import { type Counted } from '../workers/homes.worker.ts';
import { FIGURE_WORDS, partsOf } from './figures.ts';
import { longWords } from './words.ts';

const hours = (seconds: number) => (seconds / 3600).toFixed(1);
/** Less than a tenth of an hour is not told, s. */
const LITTLE = 180;

/** The figures of one plan or of several beside each other, each with what it is made of where that is asked for. */
export function FiguresTable({
  columns,
  parts: withParts = true,
}: {
  columns: readonly { name: string; tally: Counted }[];
  parts?: boolean;
}) {
  const told = columns.map(({ tally }) => partsOf(tally));
  return (
    <table className="w-full text-[14px] tabular-nums" aria-label="Hours a year">
      <thead>
        <tr>
          <th className="text-left font-normal text-soft">hours a year</th>
          {columns.map(({ name }) => (
            <th key={name} className="pl-4 text-right font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      {told[0]!.map(({ figure }, i) => {
        const parts = !withParts ? [] : [...new Set(told.flatMap((t) => t[i]!.parts.map(([words]) => words)))];
        return (
          <tbody key={figure} className="border-t border-line">
            <tr className="font-semibold">
              <th className="text-left">{FIGURE_WORDS[figure]}</th>
              {told.map((t, k) => (
                <td key={columns[k]!.name} className="pl-4 text-right" data-figure={figure}>
                  {hours(t[i]!.seconds)}
                </td>
              ))}
            </tr>
            {parts.map((words) => (
              <tr key={words} className="text-soft">
                <th className="pl-3 text-left font-normal">{words}</th>
                {told.map((t, k) => (
                  <td key={columns[k]!.name} className="pl-4 text-right">
                    {hours(t[i]!.parts.find(([w]) => w === words)?.[1] ?? 0)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        );
      })}
      {withParts && columns.some(({ tally }) => tally.unlabelled >= LITTLE) && (
        <tfoot className="border-t border-line text-soft">
          <tr>
            <th className="text-left font-normal">until the labels are there, on top of all</th>
            {columns.map(({ name, tally }) => (
              <td key={name} className="pl-4 text-right">
                {hours(tally.unlabelled)}
              </td>
            ))}
          </tr>
        </tfoot>
      )}
    </table>
  );
}

/** What a year takes, and the rest beside it; pressed it says what each figure is made of. */
export function Figures({ tally }: { tally: Counted }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-6 rounded underline decoration-dotted underline-offset-4 hover:text-ink">
        {FIGURE_WORDS.year} {longWords(tally.year)}
        {tally.without > 0 && ` · ${tally.without} ${FIGURE_WORDS.without}`} · {FIGURE_WORDS.all}{' '}
        {longWords(tally.total)}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="What the figures are made of"
          className="z-50 max-w-lg rounded-xl border border-line bg-paper p-3 text-ink shadow-xl"
        >
          <FiguresTable columns={[{ name: 'as it is', tally }]} />
          <p className="mt-2 text-[13px] text-soft">
            A walk is a way to a home; what lies out on the table is walked to once a session. How you work says which
            does.
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
