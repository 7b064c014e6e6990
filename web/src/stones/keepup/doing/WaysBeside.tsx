import { provenWords, sittingsOf, summaryOf, tooMuch } from '@heronstone/core/doing';
import { DOING_WAYS, type DoingWay } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { type WorkedWay } from '../../../workers/doing.worker.ts';
import { shortDate, spanWords } from './days.ts';
import { doingOf, type useDoing } from './use-doing.ts';

const NAMES: Record<DoingWay, string> = {
  found: 'The order found',
  saves: 'Most saved first',
  units: 'One unit after the other',
  weekend: 'All at a weekend',
};

/** The order found and three other ways of going about it side by side: days, hours, money, what is out of use, when two thirds of the gain are had. */
export function WaysBeside({ work }: { work: ReturnType<typeof useDoing> }) {
  const plan = usePlan((s) => s.plan);
  const doing = doingOf(plan)!;
  if (!work.ways)
    return (
      <section aria-label="Ways of going about it">
        <h2 className="font-semibold">Ways of going about it</h2>
        <p className="text-[14px] text-soft">
          Now: {NAMES[doing.way].toLowerCase()}. Plan the days anew to see four ways beside each other.
        </p>
      </section>
    );
  const ways = DOING_WAYS.flatMap((id) => work.ways!.find((w) => w.way === id) ?? []);
  const own = ways.find((w) => w.way === doing.way);
  return (
    <section aria-label="Ways of going about it">
      <h2 className="font-semibold">Ways of going about it</h2>
      <table className="my-1 w-full text-[14px]">
        <thead>
          <tr className="text-left text-soft">
            <th className="font-normal" />
            {ways.map((w) => (
              <th
                key={w.way}
                scope="col"
                className={`pb-1 pr-2 align-bottom font-semibold ${w.way === doing.way ? 'text-ink' : ''}`}
              >
                {NAMES[w.way]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {FIGURES.map(([name, of]) => (
            <tr key={name} className="border-t border-line align-top">
              <th scope="row" className="py-0.5 pr-2 text-left font-normal text-soft">
                {name}
              </th>
              {ways.map((w) => (
                <td key={w.way} className="py-0.5 pr-2 tabular-nums">
                  {of(w, plan)}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <td />
            {ways.map((w) => (
              <td key={w.way} className="pt-1">
                {w.way === doing.way ? (
                  <span className="text-soft">taken</span>
                ) : (
                  <Button aria-label={`Take: ${NAMES[w.way]}`} onClick={() => work.take(w)}>
                    Take
                  </Button>
                )}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {own && <Left worked={own} />}
    </section>
  );
}

const FIGURES: [
  string,
  (w: WorkedWay, plan: Parameters<typeof sittingsOf>[0] & Parameters<typeof summaryOf>[0]) => string,
][] = [
  ['days', (w, plan) => String(sum(w, plan).days)],
  ['work', (w, plan) => spanWords(sum(w, plan).minutes)],
  ['last day', (w, plan) => (sum(w, plan).last ? shortDate(sum(w, plan).last!) : 'none')],
  ['two thirds gained', (w, plan) => (sum(w, plan).twoThirds ? shortDate(sum(w, plan).twoThirds!.on) : '–')],
  [
    'money',
    (w, plan) =>
      sum(w, plan)
        .money.map((m) => `${m.amount} (${m.month.slice(5)})`)
        .join(', ') || 'none',
  ],
  [
    'out of use',
    (w, plan) =>
      sum(w, plan)
        .outOfUse.map((o) => `${o.station}, ${shortDate(o.on)}`)
        .join('; ') || 'none',
  ],
  ['left over', (w) => (w.answer.late.length === 0 ? 'nothing' : `${w.answer.late.length} jobs`)],
];

const sum = (w: WorkedWay, plan: Parameters<typeof sittingsOf>[0] & Parameters<typeof summaryOf>[0]) =>
  summaryOf(
    plan,
    sittingsOf(plan, w.answer).filter((s) => plan.jobs[s.jobId]?.kind !== 'labels'),
  );

/** What found no day, and what would have to give; and how good the order is proven to be. */
function Left({ worked }: { worked: WorkedWay }) {
  const plan = usePlan((s) => s.plan);
  const { problem, answer } = worked;
  const left = tooMuch(plan, problem, answer.late);
  return (
    <>
      <p className="text-[14px] text-soft">{provenWords(answer.value, answer.bound, problem)}</p>
      {left.length > 0 && (
        <ul className="mt-1 space-y-1 text-[14px]" aria-label="Left over">
          {left.map(({ job, words }) => (
            <li key={job.id}>
              <strong>{job.name}.</strong> {words}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
