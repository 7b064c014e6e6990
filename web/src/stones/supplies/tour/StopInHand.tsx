import { Camera, ChevronLeft, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { lineContextOf, readLine, takeIn } from '@heronstone/core/lines';
import { type CommandOf, homesIn, placesDownTo, placesIn, type Plan } from '@heronstone/core/plan';
import { type Stop } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';
import { Front } from '../../../views/front/Front.tsx';
import { Inside } from '../../../views/inside/Inside.tsx';
import { Asked, Took } from '../lines/Took.tsx';
import { KnownHere } from './KnownHere.tsx';

export function StopInHand({
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
  // what is asked is asked of the whole line, not of what was typed a moment ago
  const said = (asking ? text : seen).trim();
  const signal = said === '' || said === '=' || said === '0';
  const context = useMemo(() => lineContextOf(plan, place), [plan, place]);
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
