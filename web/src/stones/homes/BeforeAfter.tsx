import { wrap } from 'comlink';
import { Footprints } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { backTo, compareHomes, type Change, type StationSum } from '@heronstone/core/homes';
import { apply, type Plan } from '@heronstone/core/plan';
import { type BandNumber, BANDS } from '@heronstone/core/reach';
import { usePlan } from '../../state/plan-store.ts';
import { type FoundResult, useFound } from '../../state/found.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { Sheet } from '../../ui/sheet.tsx';
import { bandColour, countWords, today, yearWords } from '../../ui/words.ts';
import { type HomesWorker } from '../../workers/homes.worker.ts';
import { orFail } from '../../workers/or-fail.ts';

/** Today’s homes and the found ones side by side: by station and person, what gained most, what got worse; and the way there. */
export function BeforeAfter() {
  const { result, open, show } = useFound();
  const planId = usePlan((s) => s.plan.id);
  if (!result || !open || result.before.id !== planId) return null;
  return (
    <Sheet title="Before and after" wide onClose={() => show(false)}>
      <Compared result={result} />
    </Sheet>
  );
}

function Compared({ result: { before, after, found } }: { result: FoundResult }) {
  const { stations, gains, losses } = useMemo(() => compareHomes(before, after), [before, after]);
  const longest = Math.max(1, ...stations.flatMap((s) => [s.before.seconds, s.after.seconds]));
  return (
    <div className="space-y-4">
      <p>
        {yearWords(found.before.total)} before, <strong>{yearWords(found.after.total)}</strong> now, all counted alike
        {found.before.without > 0 &&
          ` (${found.before.without} without a home that works before, ${found.after.without} now)`}
        .
      </p>
      <section aria-label="By station">
        <h3 className="font-semibold">Fetching, by station</h3>
        <table className="w-full border-separate border-spacing-y-1">
          <thead className="sr-only">
            <tr>
              <th>station</th>
              <th>before and after</th>
              <th>hours a year</th>
            </tr>
          </thead>
          <tbody>
            {stations.map(({ before: was, after: is }) => (
              <tr key={was.station.id}>
                <th className="w-44 pr-3 text-left align-top font-normal">
                  {was.station.name}
                  <span className="block text-[13px] text-soft">{was.person}</span>
                </th>
                <td className="align-middle">
                  <Bar sum={was} longest={longest} label={`${was.station.name} before`} />
                  <Bar sum={is} longest={longest} label={`${was.station.name} now`} />
                </td>
                <td className="w-32 pl-3 text-right align-middle tabular-nums">
                  <span className="block text-soft">{yearWords(was.seconds)}</span>
                  <span className="block font-semibold">{yearWords(is.seconds)}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="flex flex-wrap gap-x-3 text-[13px] text-soft">
          {([1, 2, 3, 4, 5, 6, 7] as BandNumber[]).map((b) => (
            <span key={b} className="inline-flex items-center gap-1">
              <span className="inline-block size-2.5 rounded-sm" style={{ background: bandColour(b) }} /> {BANDS[b]}
            </span>
          ))}
        </p>
      </section>
      <div className="grid gap-4 sm:grid-cols-2">
        <Changes title="Gained most" list={gains} />
        <Changes title="Got worse" list={losses} />
      </div>
      <Onward before={before} />
    </div>
  );
}

/** One bar a state: as long as its hours, its fetches’ bands as colours, told by the label too. */
function Bar({ sum, longest, label }: { sum: StationSum; longest: number; label: string }) {
  const all = sum.fetchesByBand.reduce((a, b) => a + b, 0);
  const words = sum.fetchesByBand
    .flatMap((n, b) => (n > 0 && b > 0 ? [`${Math.round((n / all) * 100)} % ${BANDS[b]}`] : []))
    .join(', ');
  return (
    <div
      role="img"
      aria-label={`${label}: ${yearWords(sum.seconds)}; ${words || 'nothing fetched'}`}
      title={words}
      className="mb-0.5 flex h-3 overflow-hidden rounded-sm bg-stone"
      style={{ width: `${Math.max(1, (sum.seconds / longest) * 100)}%` }}
    >
      {sum.fetchesByBand.map((n, b) =>
        n > 0 && b > 0 ? (
          <span key={b} style={{ width: `${(n / all) * 100}%`, background: bandColour(b as BandNumber) }} />
        ) : null,
      )}
    </div>
  );
}

function Changes({ title, list }: { title: string; list: readonly Change[] }) {
  return (
    <section aria-label={title}>
      <h3 className="font-semibold">{title}</h3>
      {list.length === 0 && <p className="text-soft">Nothing.</p>}
      <ul className="space-y-1">
        {list.map((c) => (
          <li key={`${c.share} ${c.supply.id}`} className="text-[14px]">
            <span className="flex justify-between gap-2">
              <span className="truncate">
                {c.supply.name}
                {c.share === 'backstock' && <span className="text-soft"> reserve</span>}
              </span>
              <span className="shrink-0 tabular-nums">
                {yearWords(Math.abs(c.seconds))} {c.seconds < 0 ? 'less' : `more for ${c.person}`}
              </span>
            </span>
            <span className="block truncate text-[13px] text-soft">
              {c.from} → {c.to}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whether the things lie there already or have yet to be carried. */
function Onward({ before }: { before: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { keep } = useFound();
  const { select } = useSelection();
  const [working, setWorking] = useState(false);
  const carry = async () => {
    setWorking(true);
    const raw = new Worker(new URL('../../workers/homes.worker.ts', import.meta.url), { type: 'module' });
    try {
      // as it is now: homes may have been changed by hand since they were found
      const now = usePlan.getState().plan;
      const back = backTo(before, now, today());
      const old = apply(now, back);
      if (!old.ok) throw new Error(old.reason);
      const { moves, stuck } = await orFail(raw, wrap<HomesWorker>(raw).crossing(old.plan, now));
      const done = dispatch({
        type: 'several',
        words: 'plan the moves',
        commands: [back, { type: 'planMoves', moves }] as never,
      });
      if (!done) return;
      if (stuck.length > 0)
        toast(
          `The tray is too small for ${countWords(stuck.length, 'thing', 'things')}: ${stuck.slice(0, 3).join(', ')}.`,
        );
      keep(null);
      select({ view: 'crossing' });
    } catch (e) {
      toast.error(`The moves could not be worked out: ${(e as Error).message}`);
    } finally {
      raw.terminate();
      setWorking(false);
    }
  };
  return (
    <section aria-label="The way there" className="flex flex-wrap items-center gap-2 border-t border-line pt-3">
      <Button look="main" disabled={working} onClick={() => void carry()}>
        <Footprints size={16} aria-hidden /> {working ? 'Working out the moves …' : 'Carry them over step by step'}
      </Button>
      <Button onClick={() => keep(null)}>They lie there already</Button>
      <p className="basis-full text-[14px] text-soft">
        Step by step, everything is where the plan says it is after every tick: the old homes come back and change one
        by one.
      </p>
    </section>
  );
}
