import { Camera, ChevronLeft, ChevronRight, X } from 'lucide-react';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { stowageOf } from '@heronstone/core/fit';
import { holdersFor, readLine, takeIn } from '@heronstone/core/lines';
import {
  type CommandOf,
  countIn,
  homesIn,
  type Place,
  placesDownTo,
  placesIn,
  placeTitle,
  type Plan,
} from '@heronstone/core/plan';
import { type Stop, tourOf } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { Which } from '../../../ui/which.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { Front } from '../../../views/front/Front.tsx';
import { Inside } from '../../../views/inside/Inside.tsx';
import { Asked, Took } from '../lines/Took.tsx';
import { RoomStrip } from '../room/RoomStrip.tsx';

/** The room place after place, in the order one walks it: type what lies there, line after line. */
export default function Tour() {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const stops = useMemo(() => tourOf(plan), [plan]);
  const next = stops.find((s) => s.place.touredOn === null);
  const at = stops.findIndex((s) => s.place.id === get('place'));
  const stop = stops[at] ?? next ?? stops[0];
  if (!stop)
    return (
      <p className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
        The tour goes from place to place, and there are none yet: bring in furniture first, or type what you have under
        Lines.
      </p>
    );
  const here = stops.indexOf(stop);
  return (
    <div className="grid grow grid-cols-1 gap-x-8 gap-y-3 md:grid-cols-[1fr_19rem]">
      <StopInHand
        key={stop.place.id}
        plan={plan}
        stop={stop}
        onGo={(to) => select({ place: to?.place.id ?? null })}
        before={stops[here - 1]}
        after={nextAfter(stops, here)}
      />
      <Progress plan={plan} stops={stops} here={stop} onGo={(to) => select({ place: to.place.id })} />
    </div>
  );
}

/** Where the tour goes from a stop: on to the next place not looked into, past those that were; round to the first when none is ahead. */
function nextAfter(stops: readonly Stop[], here: number): Stop | undefined {
  const open = (s: Stop) => s.place.touredOn === null;
  return stops.slice(here + 1).find(open) ?? stops.slice(0, here).find(open);
}

function StopInHand({
  plan,
  stop,
  onGo,
  before,
  after,
}: {
  plan: Plan;
  stop: Stop;
  onGo: (to: Stop | undefined) => void;
  before: Stop | undefined;
  after: Stop | undefined;
}) {
  const { place, unit } = stop;
  const dispatch = usePlan((s) => s.dispatch);
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const seen = useDeferredValue(text);
  useEffect(() => field.current?.focus(), []);
  const { measure } = plan.head;
  // what is asked is asked of the whole line, not of what was typed a moment ago
  const said = (asking ? text : seen).trim();
  const signal = said === '' || said === '=' || said === '0';
  const context = useMemo(() => ({ measure, holders: holdersFor(plan, place) }), [plan, place, measure]);
  const read = useMemo(() => (signal ? null : readLine(said, { ...context, chosen })), [said, signal, context, chosen]);
  const homes = homesIn(plan, place.id);
  const inner = placesIn(plan, place.id);

  /** What was typed is done with; the place has been looked into. */
  const leave = (empty: boolean) => {
    const commands: CommandOf<'several'>['commands'] = [];
    if (empty)
      for (const { supplyId, share, id } of homes) commands.push({ type: 'leaveHome', supplyId, share, homeId: id });
    commands.push({ type: 'setPlace', id: place.id, set: { touredOn: today() } });
    const words = `${empty ? 'say empty' : 'look into'}: ${place.name}`.slice(0, 120);
    if (!dispatch(commands.length === 1 ? commands[0]! : { type: 'several', words, commands })) return;
    if (!after) toast('That was the last place. Every place has been looked into.');
    onGo(after);
  };
  const take = (kind: string | null) => {
    const now = readLine(text.trim(), { ...context, chosen: kind });
    const done = takeIn(plan, place, now, today());
    if (!done.ok) return void toast.error(done.reason);
    if (!dispatch(done.command)) return;
    setText('');
    setChosen(null);
    setAsking(false);
    field.current?.focus();
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    const typed = text.trim();
    if (typed === '' || typed === '=') return leave(false);
    if (typed === '0') return leave(true);
    const now = readLine(typed, { ...context, chosen });
    if (now.what === 'supply' && now.doubts.length > 0) return setAsking(true);
    take(chosen);
  };
  const path = placesDownTo(plan, place);
  return (
    <section aria-label="The place in hand" className="flex min-w-0 flex-col">
      <p className="text-soft">
        {unit.name}
        {path.slice(0, -1).map((p) => ` › ${p.name}`)}
      </p>
      <div className="flex items-center gap-2">
        <Button
          look="quiet"
          className="!px-1.5"
          aria-label="The place before"
          disabled={!before}
          onClick={() => onGo(before)}
        >
          <ChevronLeft size={20} aria-hidden />
        </Button>
        <h2 className="font-display text-3xl font-semibold capitalize" data-stop={place.id}>
          {place.name}
        </h2>
        <Button look="quiet" className="!px-1.5" aria-label="On to the next place" onClick={() => leave(false)}>
          <ChevronRight size={20} aria-hidden />
        </Button>
        {place.touredOn && <span className="text-soft">looked into on {place.touredOn}</span>}
        <Link
          className="ml-auto inline-flex min-h-8 items-center gap-1 text-heron underline"
          to={`/p/${plan.id}/supplies?view=picture&place=${place.id}`}
        >
          <Camera size={15} aria-hidden /> by picture
        </Link>
      </div>
      <label className="sr-only" htmlFor="tour-line">
        What lies here
      </label>
      <input
        id="tour-line"
        ref={field}
        value={text}
        autoComplete="off"
        onChange={(e) => {
          setText(e.target.value);
          setChosen(null);
          setAsking(false);
        }}
        onKeyDown={onKeyDown}
        placeholder={
          homes.length > 0 || inner.length > 0
            ? 'What else lies here? Enter: as it is, on to the next'
            : 'What lies here? 24 small ink pads'
        }
        className="mt-2 w-full rounded-xl border-2 border-heron bg-paper px-4 py-2.5 text-xl"
      />
      <div className="min-h-16 px-1 py-1.5" aria-live="polite">
        {read && <Took read={read} />}
        {read && (
          <Asked
            read={read}
            focus={asking}
            onChoose={(kind) => (asking ? take(kind) : (setChosen(kind), field.current?.focus()))}
          />
        )}
        {!read && (
          <p className="text-[14px] text-soft">
            <Key>Enter</Key> on to the next place · <Key>=</Key> as before · <Key>0</Key> empty · “4 clear boxes here”
            sets boxes in
          </p>
        )}
      </div>
      <div className="grid grow grid-cols-1 gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
        <KnownHere plan={plan} place={place} />
        <div className="flex min-w-0 flex-col gap-3 max-sm:hidden">
          {place.inId === null && place.kind !== 'away' ? (
            <Front plan={plan} unit={unit} chosen={place.id} named={false} className="h-44 w-full" />
          ) : null}
          <Inside plan={plan} place={place} className="mx-auto w-full max-w-80 [&_svg]:max-h-64" />
        </div>
      </div>
    </section>
  );
}

const Key = ({ children }: { children: string }) => (
  <kbd className="rounded border border-edge bg-paper px-1.5 font-sans text-[13px] text-ink">{children}</kbd>
);

/** What is known to lie and stand in a place. */
function KnownHere({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const homes = homesIn(plan, place.id);
  const inner = placesIn(plan, place.id);
  const faults = stowageOf(plan, place).faults;
  return (
    <div>
      <h3 className="font-semibold">
        {homes.length === 0 && inner.length === 0 ? 'Nothing is known to lie here.' : 'Known to be here'}
      </h3>
      <ul aria-label="Known to be here" className="mt-1 divide-y divide-line">
        {inner.map((p) => (
          <li key={p.id} className="py-1 text-soft">
            {p.name}, {countWords(homesIn(plan, p.id).length, 'kind', 'kinds')} in it
          </li>
        ))}
        {[...homes].reverse().map((home) => {
          const supply = plan.supplies[home.supplyId]!;
          return (
            <li key={home.id} className="flex items-center gap-2 py-1">
              <span className="w-12 shrink-0 text-right">{countIn(plan, home, supply)} ×</span>
              <span className="min-w-0 grow truncate">
                {supply.name}
                <Which share={home.share} />
              </span>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`${supply.name} is not here`}
                title="It is not here: it keeps its entry and has no home"
                onClick={() => dispatch({ type: 'leaveHome', supplyId: supply.id, share: home.share, homeId: home.id })}
              >
                <X size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
      {faults.map((f) => (
        <p key={f} className="mt-1 text-clash">
          {f}
        </p>
      ))}
    </div>
  );
}

/** How far the tour is, and what has not been looked into. */
function Progress({
  plan,
  stops,
  here,
  onGo,
}: {
  plan: Plan;
  stops: readonly Stop[];
  here: Stop;
  onGo: (to: Stop) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const seen = stops.filter((s) => s.place.touredOn !== null).length;
  const open = stops.filter((s) => s.place.touredOn === null && s !== here);
  const anew = () =>
    dispatch({
      type: 'several',
      words: 'begin the tour anew',
      commands: stops
        .filter((s) => s.place.touredOn !== null)
        .map((s) => ({ type: 'setPlace', id: s.place.id, set: { touredOn: null } })),
    });
  return (
    <aside aria-label="How far the tour is" className="min-w-0">
      <p>
        <strong>{seen}</strong> of {countWords(stops.length, 'place', 'places')} looked into
      </p>
      <progress className="h-2 w-full accent-heron" value={seen} max={stops.length} aria-label="Places looked into" />
      {seen === stops.length && seen > 0 ? (
        <p className="mt-2 text-soft">All of them. Room still changes: the tour can begin anew when it has.</p>
      ) : (
        <>
          <h3 className="mt-2 font-semibold">Not yet</h3>
          <ol className="max-h-64 overflow-auto" aria-label="Places not yet looked into">
            {open.slice(0, 60).map((s) => (
              <li key={s.place.id}>
                <button
                  type="button"
                  className="w-full truncate rounded px-1 text-left hover:bg-stone"
                  style={{ paddingLeft: 4 + s.depth * 14 }}
                  onClick={() => onGo(s)}
                >
                  {s.depth === 0 ? placeTitle(plan, s.place) : s.place.name}
                </button>
              </li>
            ))}
            {open.length > 60 && <li className="px-1 text-soft">… and {open.length - 60} more</li>}
          </ol>
        </>
      )}
      <RoomStrip plan={plan} />
      {seen > 0 && (
        <Button className="mt-2" onClick={anew}>
          Begin anew
        </Button>
      )}
    </aside>
  );
}
