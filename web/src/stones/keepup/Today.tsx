import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { asksToday, type Ask, dayAfter, putOffCommand, seasonBoxes, sessionGoingOn } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { today } from '../../ui/words.ts';
import { EmptyStone } from '../../views/empty/EmptyStone.tsx';
import { YearRing } from './YearRing.tsx';

/** Put off for so many days by one tap. */
const DAYS_OFF = 7;

/** What asks for a hand today: few lines, each done or put off with one tap; the seats to begin and end at; the year as a ring. */
export function Today() {
  const plan = usePlan((s) => s.plan);
  const bare = Object.keys(plan.homes).length === 0;
  const day = today();
  const asks = useMemo(() => asksToday(plan, day), [plan, day]);
  const boxes = useMemo(() => seasonBoxes(plan), [plan]);
  const off = Object.values(plan.putOffs).filter((p) => p.until > day).length;
  const list = useRef<HTMLElement>(null);
  /** which line was answered: the next one takes its place, and the focus */
  const [answered, setAnswered] = useState<number | null>(null);
  useEffect(() => {
    if (answered === null) return;
    setAnswered(null);
    const lines = list.current?.querySelectorAll<HTMLElement>('[data-ask]') ?? [];
    (lines[Math.min(answered, lines.length - 1)]?.querySelector<HTMLElement>('a, button') ?? list.current)?.focus();
  }, [answered, asks]);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-label="What asks for a hand" ref={list} tabIndex={-1}>
        {asks.length === 0 ? (
          <>
            <p className="py-6 text-lg">
              Nothing asks for a hand today.
              {off > 0 && <span className="text-soft"> {off} put off.</span>}
            </p>
            {bare && (
              <EmptyStone of="keepup">
                <p>
                  Once things have homes, this is where the room is kept true: labels on trial, what to put back, what
                  comes in with its season.
                </p>
              </EmptyStone>
            )}
          </>
        ) : (
          <ul className="divide-y divide-line">
            {asks.map((ask, i) => (
              <AskLine key={ask.key} ask={ask} day={day} onAnswered={() => setAnswered(i)} />
            ))}
          </ul>
        )}
      </section>
      <div className="space-y-4 max-lg:order-first">
        <Sessions />
        {boxes.length > 0 && (
          <section aria-label="The year" className="max-lg:hidden">
            <YearRing boxes={boxes} day={day} />
          </section>
        )}
      </div>
    </div>
  );
}

function AskLine({ ask, day, onAnswered }: { ask: Ask; day: string; onAnswered: () => void }) {
  const planId = usePlan((s) => s.plan.id);
  const dispatch = usePlan((s) => s.dispatch);
  const answer = (a: Ask['answers'][number]) => {
    if (a.command && !dispatch(a.command)) return;
    if (a.jots && !jot(...a.jots)) return;
    toast(`${ask.words}: ${a.words}`);
    onAnswered();
  };
  const to =
    ask.go === null
      ? null
      : 'view' in ask.go
        ? `/p/${planId}/keepup?view=${ask.go.view}`
        : `/p/${planId}/${ask.go.stone}?${ask.go.query}`;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2" data-ask={ask.kind}>
      <div className="min-w-48 grow basis-64">
        {to ? (
          <Link to={to} className="font-semibold underline decoration-line underline-offset-4 hover:text-heron">
            {ask.words}
          </Link>
        ) : (
          <span className="font-semibold">{ask.words}</span>
        )}
        <p className="text-[14px] text-soft">{ask.detail}</p>
      </div>
      <div className="flex flex-wrap items-center gap-1.5">
        {ask.answers.map((a, i) => (
          <Button
            key={a.words}
            look={i === 0 ? 'main' : 'plain'}
            onClick={() => answer(a)}
            aria-label={`${a.words}: ${ask.words}`}
          >
            {a.words}
          </Button>
        ))}
        <Button
          look="quiet"
          aria-label={`Not now: ${ask.words}`}
          title={`asks again in ${DAYS_OFF} days`}
          onClick={() => dispatch(putOffCommand(ask, dayAfter(day, DAYS_OFF))) && onAnswered()}
        >
          Not now
        </Button>
      </div>
    </li>
  );
}

/** A session begun and ended at a seat with one tap each. */
function Sessions() {
  const plan = usePlan((s) => s.plan);
  const [, tick] = useState(0);
  const now = new Date().toISOString();
  const stations = Object.values(plan.stations).sort((a, b) => (a.name < b.name ? -1 : 1));
  if (stations.length === 0) return null;
  return (
    <section aria-label="Sessions">
      <h2 className="font-display text-lg font-semibold">At work</h2>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {stations.map((s) => {
          const going = sessionGoingOn(plan, s.id, now);
          const minutes = going ? Math.round((Date.parse(now) - Date.parse(going.at)) / 60_000) : 0;
          return (
            <Button
              key={s.id}
              aria-label={going ? `${s.name}: ${minutes} min, end it` : s.name}
              aria-pressed={going !== null}
              className={going ? '!border-heron !bg-heron !text-on-heron' : ''}
              title={going ? 'End the session' : 'Begin a session'}
              onClick={() => {
                jot({ what: going ? 'ended' : 'began', stationId: s.id, activityId: s.activityId });
                tick((n) => n + 1);
              }}
            >
              {s.name}
              {going && <span className="font-normal">: {minutes} min, end it</span>}
            </Button>
          );
        })}
      </div>
      <p className="mt-1 text-[13px] text-soft max-sm:hidden">
        Tap a seat when you begin and again when you stop. What is taken and used up meanwhile is tapped under Log or
        Scan.
      </p>
    </section>
  );
}
