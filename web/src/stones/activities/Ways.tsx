import { placeSaid } from '@heronstone/core/concepts';
import { useEffect, useState } from 'react';
import { type Activity, type Command, newId } from '@heronstone/core/plan';
import { type BandNumber, BANDS } from '@heronstone/core/reach';
import {
  type Comparison,
  oneEachCommand,
  type School,
  type SharedTool,
  type WayOfWorking,
} from '@heronstone/core/stations';
import { toast } from 'sonner';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { bandColour, countWords, today, yearWords } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';

const QUESTIONS: readonly (readonly [School, string])[] = [
  ['posture', 'sitting or standing'],
  ['tools', 'one tool or one each'],
  ['grouping', 'by activity or by kind'],
];

/** The same plan under two ways of working, and the tools that several stations share. */
export function Ways({ activity }: { activity: Activity }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  const [result, setResult] = useState<{ school: School; compared: Comparison | null } | null>(null);
  const station = Object.values(plan.stations).find((s) => s.activityId === activity.id) ?? null;
  const ask = async (school: School) => {
    setResult(null);
    const compared = await work.run((api, tell) =>
      api.schools(plan, school, school === 'posture' ? (station?.id ?? null) : null, today(), tell),
    );
    setResult({ school, compared });
  };
  const { run: look } = useLongWork();
  const [shared, setShared] = useState<SharedTool[] | null>(null);
  useEffect(() => {
    let wanted = true;
    void look((api) => api.tools(plan)).then((tools) => {
      if (wanted && tools) setShared(tools);
    });
    return () => {
      wanted = false;
    };
  }, [plan, look]);
  const tools = (shared ?? []).filter(
    (t) => plan.supplies[t.supply.id] && t.each !== null && t.stations.some((s) => s.activityId === activity.id),
  );
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-soft">What would a year be like,</span>
        {QUESTIONS.map(([school, words]) => (
          <Button key={school} disabled={work.share !== null} onClick={() => void ask(school)}>
            {words}?
          </Button>
        ))}
        <Working work={work} words="working both ways out" />
      </div>
      {result && !result.compared && (
        <p className="mt-2 text-soft">
          {result.school === 'tools'
            ? 'No shared tool is far enough away for a second one to be worth it.'
            : 'There is nothing to compare yet: it needs a seat and things with homes.'}
        </p>
      )}
      {result?.compared && <Compared comparison={result.compared} onTake={(command) => dispatch(command)} />}
      <h2 className="mt-4 font-display text-lg font-semibold">Shared with other stations</h2>
      {shared === null ? (
        <p className="text-soft">working out what is shared …</p>
      ) : tools.length === 0 ? (
        <p className="text-soft">Nothing it reaches for is put back and reached for from elsewhere too.</p>
      ) : (
        <table className="mt-1 w-full text-[14px]">
          <thead className="text-left text-[13px] text-soft">
            <tr>
              <th className="font-normal">tool</th>
              <th className="font-normal">between</th>
              <th className="font-normal">as it lies</th>
              <th className="font-normal">one, at best</th>
              <th className="font-normal">one each</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {tools.map((t) => (
              <tr key={t.supply.id} className="border-t border-line align-top">
                <td className="py-1 pr-2 font-semibold">{t.supply.name}</td>
                <td className="py-1 pr-2">{t.stations.map((s) => s.name).join(', ')}</td>
                <td className="py-1 pr-2">{t.today === null ? 'no home in reach' : yearWords(t.today)}</td>
                <td className="py-1 pr-2">
                  {t.between ? (
                    <>
                      {yearWords(t.between.seconds)}
                      <span className="block text-soft">{placeSaid(plan, plan.places[t.between.placeId]!)}</span>
                    </>
                  ) : (
                    'nowhere for all'
                  )}
                </td>
                <td className="py-1 pr-2">
                  {yearWords(t.each!.reduce((sum, e) => sum + e.seconds, 0))}
                  <span className="block text-soft">
                    saves {yearWords(t.saves)}, {t.buy > 0 ? `buy ${t.buy}` : 'you have enough'}
                  </span>
                </td>
                <td className="py-1">
                  <Button
                    onClick={() => {
                      const command = oneEachCommand(
                        plan,
                        t,
                        t.stations.slice(1).map(() => newId('supply')),
                        today(),
                      );
                      if (command && dispatch(command))
                        toast.success(`One ${t.supply.name} each. Ctrl Z takes it back.`);
                      else if (!command) toast('Its seats belong to one activity: their uses cannot be told apart.');
                    }}
                  >
                    One each
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function Compared({ comparison, onTake }: { comparison: Comparison; onTake: (command: Command) => void }) {
  const most = Math.max(...comparison.ways.map((w) => w.seconds));
  return (
    <section aria-label={comparison.title} className="mt-3 space-y-2 rounded-2xl bg-paper p-3">
      {comparison.ways.map((way) => (
        <div key={way.name}>
          <p className="flex flex-wrap items-center gap-x-3">
            <strong>{way.name}</strong> {yearWords(way.seconds)}
            <span className="text-soft">
              {[
                way.outOfReach > 0 && `${way.outOfReach} out of reach`,
                way.homeless > 0 && `${way.homeless} without a home`,
                way.asks,
              ]
                .filter(Boolean)
                .join(' · ')}
            </span>
            {way.command && (
              <Button look="quiet" onClick={() => onTake(way.command!)}>
                Work like this
              </Button>
            )}
          </p>
          <Strip way={way} most={most} />
        </div>
      ))}
      <p className="flex flex-wrap gap-x-4 text-[13px]">
        {([1, 2, 3, 4, 5, 6, 7] as BandNumber[]).map((b) => (
          <span key={b} className="inline-flex items-center gap-1">
            <span className="inline-block size-3 rounded-sm" style={{ background: bandColour(b) }} /> {BANDS[b]}
          </span>
        ))}
        <span className="text-soft">length: seconds a year; colours: shares of fetches</span>
      </p>
    </section>
  );
}

/** As long as the year’s seconds, cut into the shares of the bands. */
function Strip({ way, most }: { way: WayOfWorking; most: number }) {
  const all = way.fetchesByBand.reduce((a, b) => a + b, 0) || 1;
  return (
    <div
      role="img"
      aria-label={
        way.fetchesByBand
          .flatMap((n, b) => (n > 0 ? [`${BANDS[b]} ${Math.round((n / all) * 100)} %`] : []))
          .join(', ') || countWords(0, 'fetch', 'fetches')
      }
      className="flex h-6 overflow-hidden rounded"
      style={{ width: `${(way.seconds / Math.max(1, most)) * 100}%` }}
    >
      {way.fetchesByBand.map(
        (n, b) =>
          n > 0 && <span key={b} style={{ width: `${(n / all) * 100}%`, background: bandColour(b as BandNumber) }} />,
      )}
    </div>
  );
}
