import { placeSaid } from '@heronstone/core/concepts';
import { type ReactNode, useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { againAndAgain, type Expected, inTheWay, type Run, type Simulated } from '@heronstone/core/tryout';
import { usePlan } from '../../state/plan-store.ts';
import { FIGURE_WORDS } from '../../ui/figures.ts';
import { countWords } from '../../ui/words.ts';
import { bandWords, spentWords, TOLL_WORDS } from './words.ts';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';

const Charts = part(() => import('./Charts.tsx'));

/** What a session asks of a body: the mean, between what nine of ten lie, and the year; beside it the other plan. */
export function Tolls({
  rows,
  yearly,
}: {
  rows: readonly { name: string; expected: Expected; played: Simulated }[];
  yearly: number | null;
}) {
  const measure = usePlan((s) => s.plan.head.measure);
  return (
    <table className="w-full text-[14px]" aria-label="What a session asks for">
      <thead>
        <tr className="text-left text-soft">
          <th className="font-normal">{FIGURE_WORDS.session}</th>
          {rows.map((r) => (
            <th key={r.name} className="text-right font-semibold text-ink" colSpan={2}>
              {r.name}
            </th>
          ))}
          {yearly !== null && <th className="text-right font-normal">{FIGURE_WORDS.year}</th>}
        </tr>
      </thead>
      <tbody>
        {TOLL_WORDS.filter(([key]) => GOING.every((k) => k !== key) || rows.some((r) => r.expected.toll[key] > 0)).map(
          ([key, words, say]) => (
            <tr key={key} className="border-t border-line">
              <td>{words}</td>
              {rows.map(({ name, expected, played }) => [
                <td key={name} className="text-right font-semibold">
                  {say(expected.toll[key], measure)}
                </td>,
                <td key={`${name} spread`} className="pl-1 text-left text-[12.5px] text-soft">
                  {say(played.p10[key], measure)} – {say(played.p90[key], measure)}
                </td>,
              ])}
              {yearly !== null && (
                <td className="text-right text-soft">{say(rows[0]!.expected.toll[key] * yearly, measure)}</td>
              )}
            </tr>
          ),
        )}
      </tbody>
    </table>
  );
}

/** On foot or on wheels: what nobody does is no row. */
const GOING = ['paces', 'wheeled'] as const;

const often = (n: number) =>
  Math.abs(n - 1) < 0.05 ? 'once' : `${n.toFixed(n < 10 && Math.abs(n - Math.round(n)) > 0.05 ? 1 : 0)} times`;

/** What costs most, what is fetched again and again, and who is in whose way. */
export function Told({ plan, run, expected }: { plan: Plan; run: Run; expected: Expected }) {
  const again = againAndAgain(plan, run).slice(0, 4);
  const ways = inTheWay(plan, run);
  return (
    <div className="space-y-2 text-[14px]">
      <Part name="The dearest">
        <ol>
          {expected.bySupply.slice(0, 10).map(({ supply, fetches, reaches, seconds, band }) => (
            <li key={supply.id} className="flex justify-between gap-2">
              <span className="min-w-0 truncate">
                {supply.name}{' '}
                <span className="text-soft">
                  walked to {often(fetches)}
                  {reaches > 0 && `, reached for ${often(reaches)}`}, {bandWords(band)}
                </span>
              </span>
              <span className="shrink-0">{spentWords(seconds)}</span>
            </li>
          ))}
        </ol>
      </Part>
      {again.length > 0 && (
        <Part name="Again and again">
          <ul>
            {again.map(({ placeId, times, seconds, supplies }) => (
              <li key={placeId} className="flex justify-between gap-2">
                <span className="min-w-0">
                  to {placeSaid(plan, plan.places[placeId]!)} {times.toFixed(0)} times{' '}
                  <span className="text-soft">
                    for {supplies.slice(0, 3).join(', ')}
                    {supplies.length > 3 && ' …'}
                  </span>
                </span>
                <span className="shrink-0">{spentWords(seconds)}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {ways.length > 0 && (
        <Part name="In the way">
          <ul>
            {ways.map(({ of, times, supplies }) => (
              <li key={of.id}>
                Who works at {of.name} is passed {countWords(Math.round(times), 'time', 'times')} a session, for{' '}
                {supplies
                  .slice(0, 3)
                  .map((s) => s.name)
                  .join(', ')}
                {supplies.length > 3 && ' …'}.
              </li>
            ))}
          </ul>
        </Part>
      )}
    </div>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={name}>
      <h3 className="font-display text-[17px] font-semibold">{name}</h3>
      {children}
    </section>
  );
}

/** Charts of how sessions differ and where the seconds go, fetched when they are opened. */
export function ChartsWhenOpened(props: { rows: readonly { name: string; played: Simulated }[] }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer">How sessions differ, and seconds by band</summary>
      {open && (
        <View fallback={<p className="text-soft">Drawing …</p>}>
          <Charts {...props} />
        </View>
      )}
    </details>
  );
}
