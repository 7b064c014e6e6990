import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { type DiaryEntry, type DiaryKind, type Plan, type Supply } from '@heronstone/core/plan';
import {
  dayWords,
  type GatheredMonth,
  gatheredMonths,
  GUESS_WORTH,
  holdingEntries,
  loggedUses,
  monthOfYear,
  olderThanAYear,
  sessionGoingOn,
  usesFromLog,
} from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { today } from '../../ui/words.ts';
import { PaysBack } from './PaysBack.tsx';
import { SupplySearch } from './SupplySearch.tsx';
import { openSpare, usedUp } from './taps.ts';

const DID: Record<DiaryKind, string> = {
  ...{
    began: 'began at',
    ended: 'ended at',
    fetched: 'took',
    putBack: 'put back',
    usedUp: 'used up',
    opened: 'opened the spare of',
  },
  ...{
    bought: 'bought',
    moved: 'moved',
    decided: 'decided on',
    stray: 'found astray',
    season: 'season change:',
    labelled: 'labelled',
    struck: 'struck',
  },
};
/** So many lines are shown at once. */
const SHOWN = 40;

/** What happened in the room, and what it says of uses. Lines stay; a mistaken one is struck. */
export default function Log() {
  const plan = usePlan((s) => s.plan);
  const [all, setAll] = useState(false);
  const lines = useMemo(() => [...holdingEntries(plan)].reverse(), [plan]);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_30rem]">
      <section aria-label="Log">
        <Tap />
        {lines.length === 0 && (
          <p className="py-3 text-soft">Nothing is logged yet. Begin a session under Today, or tap something above.</p>
        )}
        <ul className="mt-2 divide-y divide-line">
          {lines.slice(0, all ? undefined : SHOWN).map((e) => (
            <li key={e.id} className="flex items-center gap-3 py-1">
              <span className="w-36 shrink-0 text-soft">{dayWords(e.day)}</span>
              <span className="min-w-0 grow">{lineWords(plan, e)}</span>
              <Button
                look="quiet"
                className="text-[13px]"
                aria-label={`Strike it: ${dayWords(e.day)} ${lineWords(plan, e)}`}
                onClick={() => jot({ what: 'struck', strikesId: e.id })}
              >
                Strike it
              </Button>
            </li>
          ))}
        </ul>
        {lines.length > SHOWN && !all && (
          <Button look="quiet" onClick={() => setAll(true)}>
            Show all {lines.length}
          </Button>
        )}
        <Gathered plan={plan} />
      </section>
      <div className="space-y-6">
        <WhatItSays plan={plan} />
        <PaysBack />
      </div>
    </div>
  );
}

/** Months whose lines were gathered, and a way to gather those of more than a year ago. */
function Gathered({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [sure, setSure] = useState(false);
  const months = useMemo(() => gatheredMonths(plan), [plan]);
  const older = useMemo(() => olderThanAYear(plan, today()), [plan]);
  return (
    <>
      {months.length > 0 && (
        <details className="mt-4">
          <summary className="cursor-pointer text-soft">
            Gathered: {months.length} {months.length === 1 ? 'month' : 'months'} up to {monthOfYear(months[0]!.month)}
          </summary>
          <ul aria-label="Gathered months" className="divide-y divide-line">
            {months.map((m) => (
              <li key={m.month} className="flex gap-3 py-1">
                <span className="w-36 shrink-0 text-soft">{monthOfYear(m.month)}</span>
                <span>{gatheredWords(m)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {older && (
        <div className="mt-4">
          <p className="text-soft">
            {older.lines === 1 ? 'One line is' : `${older.lines} lines are`} more than a year old. Gathered, each month
            keeps how often what was done with which thing, and on which days; notes and hours go, and it cannot be
            undone. A log of 45,000 lines gathers its oldest months by itself.
          </p>
          {sure ? (
            <div className="mt-1 flex gap-2">
              <Button
                look="main"
                onClick={() => {
                  setSure(false);
                  if (dispatch({ type: 'gather', before: older.before }))
                    toast(`The log before ${monthOfYear(older.before)} is gathered by month.`);
                }}
              >
                Gather what is before {monthOfYear(older.before)}
              </Button>
              <Button onClick={() => setSure(false)}>Leave the lines</Button>
            </div>
          ) : (
            <Button look="quiet" onClick={() => setSure(true)}>
              Gather old months …
            </Button>
          )}
        </div>
      )}
    </>
  );
}

/** “214 lines: 12 sessions, 180 taken, 9 used up”. */
export function gatheredWords({ lines, sessions, taken, usedUp }: GatheredMonth): string {
  const parts = [
    sessions > 0 && `${sessions} ${sessions === 1 ? 'session' : 'sessions'}`,
    taken > 0 && `${taken} taken`,
    usedUp > 0 && `${usedUp} used up`,
  ].filter((part) => part !== false);
  return `${lines} ${lines === 1 ? 'line' : 'lines'}${parts.length > 0 ? `: ${parts.join(', ')}` : ''}`;
}

export function lineWords(plan: Plan, e: DiaryEntry): string {
  const supply = e.supplyId === null ? '' : (plan.supplies[e.supplyId]?.name ?? 'something that is gone');
  const station = e.stationId === null ? '' : (plan.stations[e.stationId]?.name ?? 'a seat that is gone');
  const place = e.placeId === null ? undefined : plan.places[e.placeId];
  const many = (e.count ?? 1) > 1 ? `${e.count} × ` : '';
  const where = place && e.what !== 'putBack' ? ` (${placeSaid(plan, place)})` : '';
  const what =
    supply ||
    (e.what === 'labelled' && place ? placeSaid(plan, place) : '') ||
    (e.what === 'began' || e.what === 'ended' ? station : '');
  return `${DID[e.what]} ${many}${what}${supply ? where : ''}${e.words ? `, ${e.words}` : ''}`;
}

/** Something taken, used up, or whose spare was opened: tapped for the session that goes on, if one does. */
function Tap() {
  const plan = usePlan((s) => s.plan);
  const [supply, setSupply] = useState<Supply | null>(null);
  const now = new Date().toISOString();
  const going = Object.values(plan.stations).find((s) => sessionGoingOn(plan, s.id, now));
  const at = { stationId: going?.id ?? null, activityId: going?.activityId ?? null };
  return (
    <div>
      {supply ? (
        <div className="flex flex-wrap items-center gap-2 py-1">
          <strong className="font-semibold">{supply.name}</strong>
          {going && <span className="text-soft">at {going.name}</span>}
          <Button
            look="main"
            onClick={() => {
              if (jot({ what: 'fetched', supplyId: supply.id, count: 1, ...at })) toast(`Took ${supply.name}.`);
            }}
          >
            Took it
          </Button>
          <Button onClick={() => usedUp(plan.supplies[supply.id] ?? supply, at) && toast(`${supply.name}: one less.`)}>
            Used one up
          </Button>
          <Button onClick={() => openSpare(plan.supplies[supply.id] ?? supply, at)}>Opened the spare</Button>
          <Button look="quiet" onClick={() => setSupply(null)}>
            Another thing
          </Button>
        </div>
      ) : (
        <SupplySearch label="What was taken or used up?" onChoose={setSupply} />
      )}
    </div>
  );
}

function WhatItSays({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const told = useMemo(() => loggedUses(plan), [plan]);
  const command = useMemo(() => usesFromLog(plan, told), [plan, told]);
  return (
    <section aria-labelledby="log-says">
      <h2 id="log-says" className="font-display text-lg font-semibold">
        What it says of uses
      </h2>
      {told.length === 0 ? (
        <p className="text-soft">
          Once an activity has {GUESS_WORTH} sessions in the log, what was taken in them is weighed with what you
          guessed: the guess is worth {GUESS_WORTH} sessions.
        </p>
      ) : (
        <>
          <table className="mt-1 w-full text-[14px]">
            <thead>
              <tr className="border-b border-line text-left text-soft">
                <th className="py-1 font-normal">fetches a session</th>
                <th className="text-right font-normal">guessed</th>
                <th className="text-right font-normal">logged</th>
                <th className="text-right font-normal">weighed</th>
              </tr>
            </thead>
            <tbody>
              {told.map((u) => (
                <tr key={`${u.activityId} ${u.supply.id}`} className="border-b border-line">
                  <td className="py-1">
                    {u.supply.name}{' '}
                    <span className="text-soft">
                      {plan.activities[u.activityId]?.name}, {u.sessions} sessions
                    </span>
                  </td>
                  <td className="text-right">{u.fetches.guess.toFixed(1)}</td>
                  <td className="text-right">{u.fetches.logged.toFixed(1)}</td>
                  <td className="text-right font-semibold">{u.fetches.weighed.toFixed(1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button
            className="mt-2"
            look="main"
            disabled={!command}
            onClick={() =>
              command &&
              dispatch(command) &&
              toast(`Uses are as the log has them since ${today()}. Find homes anew at Homes when it pays.`)
            }
          >
            {command ? 'Use the weighed ones' : 'The uses are so already'}
          </Button>
          <p className="mt-1 text-[13px] text-soft">Find homes, and the moves below, then go by them.</p>
        </>
      )}
    </section>
  );
}
