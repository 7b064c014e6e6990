import { ArrowLeft, CalendarDays, Footprints } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { asIn, assessHomes, backTo, type Change, compareHomes, type StationSum } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import { apply, asOne, type Plan } from '@heronstone/core/plan';
import { type BandNumber, BANDS, makerOf, planAsWorked } from '@heronstone/core/reach';
import { usePlan } from '../../state/plan-store.ts';
import { forkPlan } from '../../state/api.ts';
import { askHomes } from '../../state/homes-worker.ts';
import { usePair } from '../../state/found.ts';
import { type Pair } from '../../state/pair.ts';
import { useHover, useSelection } from '../../state/selection.ts';
import { FIGURE_WORDS } from '../../ui/figures.ts';
import { monthOf } from '../../ui/words.ts';
import { Button } from '../../ui/button.tsx';
import { FiguresTable } from '../../ui/Figures.tsx';
import { focusIsLost } from '../../ui/focus-after.ts';
import { Which } from '../../ui/which.tsx';
import { singleKey } from '../../ui/single-keys.ts';
import { bandColour, bandName, countWords, longWords, today, yearWords } from '../../ui/words.ts';
import { TurningFloor } from '../../views/floor/TurningFloor.tsx';
import { looksFrom } from '../../views/round/looks.ts';
import { Round } from '../../views/round/Round.tsx';
import { BandLegend } from './BandLegend.tsx';
import { Fronts } from './Fronts.tsx';
import { SeenFrom } from './SeenFrom.tsx';

/**
 * Two states of the homes of this room set beside each other: Round and Floor of either at a key, what each station and person spends in both, what
 * gained most and what got worse; and, after *find homes*, the way there.
 */
export function BothSides({ pair, face }: { pair: Pair; face: 'found' | 'both' }) {
  const { keep } = usePair();
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const hovered = useHover((s) => s.place);
  const [at, setAt] = useState<0 | 1>(1);
  const { plan } = pair.sides[at];
  const assessed = useMemo(() => pair.sides.map((side) => assessHomes(side.plan)), [pair]);
  const compared = useMemo(
    () => compareHomes(pair.sides[0].plan, pair.sides[1].plan, 10, [assessed[0]!, assessed[1]!]),
    [pair, assessed],
  );
  const stations = Object.values(plan.stations).sort((a, b) => (a.name < b.name ? -1 : 1));
  const station = stations.find((s) => s.id === get('seat')) ?? stations[0];
  const maker = station ? makerOf(plan, station) : null;
  const seen = useMemo(() => (station ? planAsWorked(plan, station) : plan), [plan, station]);
  const looks = useMemo(() => (maker ? looksFrom(plan, seen, maker, null) : new Map()), [plan, seen, maker]);
  const turn = Number(get('turn') ?? 0) || 0;
  const turnTo = (to: number) => select({ turn: to === 0 ? null : String(to) });
  const place = get('place');
  const shown = hovered ?? place;
  const shownPlace = shown ? plan.places[shown] : undefined;
  const look = shown ? looks.get(shown) : undefined;
  const close = () => select({ view: null });
  // what was said of it in short would lie over it; what had the focus is gone
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (face === 'both') toast.dismiss();
    if (focusIsLost()) title.current?.focus();
  }, [face]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (singleKey(e) === 'b') setAt((now) => (now === 0 ? 1 : 0));
      if (e.key === 'Escape') close();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const longest = Math.max(1, ...compared.stations.flatMap((s) => [s.before.seconds, s.after.seconds]));
  return (
    <main className="flex grow flex-col">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line px-4 py-1">
        <Button look="quiet" className="!px-1.5" aria-label="Back to the homes" onClick={close}>
          <ArrowLeft size={17} aria-hidden />
        </Button>
        <h1 ref={title} tabIndex={-1} className="font-display text-xl font-semibold outline-none">
          {pair.choose ? 'Two ways of working' : face === 'found' ? 'What lives where' : 'Before and after'}
        </h1>
        <div role="group" aria-label="By unit or in the room" className="flex gap-1">
          {(
            [
              ['found', 'Unit by unit'],
              ['both', 'In the room'],
            ] as const
          ).map(([id, words]) => (
            <button
              key={id}
              type="button"
              aria-pressed={face === id}
              className={`rounded-full px-2.5 py-0.5 text-[14px] ${face === id ? 'bg-stone font-semibold' : 'hover:bg-stone'}`}
              onClick={() => select({ view: id, place: null })}
            >
              {words}
            </button>
          ))}
        </div>
        <div role="group" aria-label="Shown" className="flex flex-wrap gap-1">
          {pair.sides.map((side, i) => (
            <button
              key={side.name}
              type="button"
              aria-pressed={at === i}
              title="The other one ( B )"
              onClick={() => setAt(i as 0 | 1)}
              className={`rounded-md border px-2.5 py-0.5 text-left ${at === i ? 'border-ink bg-ink text-ground' : 'border-line bg-paper hover:border-heron'}`}
            >
              {side.name} · {FIGURE_WORDS.year} <span className="tabular-nums">{longWords(side.sum.year)}</span>
              {side.sum.without > 0 && ` · ${side.sum.without} without a home`}
            </button>
          ))}
        </div>
        <p className="min-w-0 grow basis-40 truncate text-[14px]" aria-live="polite">
          {shownPlace && look ? (
            <>
              <strong>{placeSaid(plan, shownPlace)}</strong> · {bandName(look.band)} ·{' '}
              {look.kinds > 0
                ? `${countWords(look.kinds, 'kind', 'kinds')}, ${Math.round(look.full * 100)} % full`
                : 'empty'}
            </>
          ) : (
            <span className={face === 'found' ? 'sr-only' : 'text-soft'}>
              Choose something that changed: the room shows where it was and where it is.
            </span>
          )}
        </p>
      </div>
      <div className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1 px-4 pb-1">
        {face === 'both' ? (
          <SeenFrom stations={stations} chosen={station?.id} onChoose={(id) => select({ seat: id, turn: null })} />
        ) : (
          <p className="text-[14px] text-soft">
            A place to which something came has a thick edge, one that something left a dashed one. Pressed, it steps
            closer.
          </p>
        )}
        {pair.choose ? (
          <Button
            look="main"
            onClick={() => {
              if (dispatch({ type: 'setPlan', set: pair.choose! })) keep(null);
              close();
            }}
          >
            Work so from now on
          </Button>
        ) : (
          <Onward before={pair.sides[0].plan} />
        )}
      </div>
      {face === 'found' ? (
        <div className="grid grid-cols-1 gap-x-6 px-4 lg:grid-cols-[21rem_1fr]">
          <aside aria-label="In figures" className="space-y-3 pt-2 text-[14px]">
            {pair.told && (
              <ul aria-label="What was done" className="space-y-1 text-[15px]">
                {pair.told.map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            )}
            <FiguresTable columns={pair.sides.map((side) => ({ name: side.name, tally: side.sum }))} />
            {pair.proven && <p className="text-soft">{pair.proven}</p>}
          </aside>
          <Fronts
            before={pair.sides[0].plan}
            after={pair.sides[1].plan}
            shown={plan}
            chosen={place}
            onChoose={(id) =>
              // closer one sees the plan as it is now
              at === 1 && !pair.choose && plan.places[id]
                ? select({ view: 'closer', unit: plan.places[id].unitId, place: id })
                : select({ place: id })
            }
          />
        </div>
      ) : (
        <>
          {maker && (
            <Round
              plan={seen}
              maker={maker}
              turn={turn}
              onTurn={turnTo}
              looks={looks}
              chosen={place}
              onChoose={(id) => select({ place: id })}
            />
          )}
          <BandLegend fetches={assessed[at]!.fetchesByBand} tally={pair.sides[at]!.sum} />
          <div className="grid grow grid-cols-1 gap-5 px-4 pb-2 pt-1 lg:h-[calc(100vh-35rem)] lg:min-h-72 lg:grid-cols-[18rem_22rem_1fr_1fr]">
            {maker && (
              <TurningFloor
                turn={turn}
                plan={seen}
                maker={maker}
                goal={shown}
                chosenStation={station!.id}
                onChooseStation={(id) => select({ seat: id, turn: null })}
                chosenUnit={shownPlace?.unitId ?? null}
              />
            )}
            <section aria-label="By station" className="min-h-0 overflow-auto">
              <h2 className="font-semibold">Fetching, by station</h2>
              <table className="w-full border-separate border-spacing-y-1">
                <thead className="sr-only">
                  <tr>
                    <th>station</th>
                    <th>{pair.sides.map((s) => s.name).join(' and ')}</th>
                    <th>hours a year</th>
                  </tr>
                </thead>
                <tbody>
                  {compared.stations.map(({ before: was, after: is }) => (
                    <tr key={was.station.id}>
                      <th className="w-36 pr-2 text-left align-top font-normal">
                        {was.station.name}
                        <span className="block text-[13px] text-soft">{was.person}</span>
                      </th>
                      <td className="align-middle">
                        <Bar sum={was} longest={longest} label={`${was.station.name}, ${pair.sides[0].name}`} />
                        <Bar sum={is} longest={longest} label={`${was.station.name}, ${pair.sides[1].name}`} />
                      </td>
                      <td className="w-24 pl-2 text-right align-middle text-[14px] tabular-nums">
                        <span className="block text-soft">{yearWords(was.seconds)}</span>
                        <span className="block font-semibold">{yearWords(is.seconds)}</span>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
            <Changes
              title={pair.choose ? `Less with “${pair.sides[1].name}”` : 'Gained most'}
              list={compared.gains}
              chosen={place}
              onShow={(c) => select({ place: at === 0 ? c.fromId : c.toId })}
            />
            <Changes
              title={pair.choose ? 'More' : 'Got worse'}
              list={compared.losses}
              chosen={place}
              onShow={(c) => select({ place: at === 0 ? c.fromId : c.toId })}
            />
          </div>
        </>
      )}
    </main>
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

function Changes({
  title,
  list,
  chosen,
  onShow,
}: {
  title: string;
  list: readonly Change[];
  chosen: string | null;
  onShow: (change: Change) => void;
}) {
  return (
    <section aria-label={title} className="min-h-0 overflow-auto">
      <h2 className="font-semibold">{title}</h2>
      {list.length === 0 && <p className="text-soft">Nothing.</p>}
      <ul>
        {list.map((c) => (
          <li key={`${c.share} ${c.supply.id}`}>
            <button
              type="button"
              onClick={() => onShow(c)}
              className={`w-full rounded-md px-1.5 py-0.5 text-left text-[14px] hover:bg-stone ${chosen !== null && [c.fromId, c.toId].includes(chosen) ? 'bg-stone' : ''}`}
            >
              <span className="flex justify-between gap-2">
                <span className="truncate">
                  {c.supply.name}
                  <Which share={c.share} />
                </span>
                <span className="shrink-0 tabular-nums">
                  {yearWords(Math.abs(c.seconds))} {c.seconds < 0 ? 'less' : `more for ${c.person}`}
                </span>
              </span>
              <span className="block truncate text-[13px] text-soft">
                {c.from} → {c.to}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whether the things lie there already or have yet to be carried. */
function Onward({ before }: { before: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { keep } = usePair();
  const { select } = useSelection();
  const [working, setWorking] = useState(false);
  const navigate = useNavigate();
  const unsaved = usePlan((s) => s.unsaved);
  const carry = async () => {
    setWorking(true);
    try {
      // as it is now: homes may have been changed by hand since they were found
      const now = usePlan.getState().plan;
      const since = today();
      const back = backTo(before, now, since);
      const old = apply(now, back);
      if (!old.ok) throw new Error(old.reason);
      const { moves, stuck } = await askHomes(now, (api) => api.crossing(old.plan, monthOf(since)));
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
      setWorking(false);
    }
  };
  /** What was found is kept as a plan of its own, the old homes come back, and the way between them is laid over the days there are. */
  const dayByDay = async () => {
    setWorking(true);
    try {
      const now = usePlan.getState().plan;
      const { id } = await forkPlan(now.id, `${now.head.name} as found`.slice(0, 120));
      const back = asIn(now, before, today());
      if (back.length > 0 && !dispatch(asOne('the homes as they were', back))) return;
      keep(null);
      await navigate(`/p/${now.id}/keepup?view=doing&against=${id}`);
    } catch (e) {
      toast.error(`The days could not be planned: ${(e as Error).message}`);
    } finally {
      setWorking(false);
    }
  };
  return (
    <span className="flex flex-wrap gap-2">
      <Button
        look="quiet"
        title="Nothing is left to carry: put this away"
        onClick={() => {
          keep(null);
          select({ view: null });
        }}
      >
        They lie there already
      </Button>
      <Link
        className="self-center px-2 text-heron hover:underline"
        to={`/p/${usePlan.getState().plan.id}/keepup?view=look`}
      >
        Look test first
      </Link>
      <Button
        disabled={working || unsaved > 0}
        title="What was found becomes a plan of its own; jobs over the days you have lead to it"
        onClick={() => void dayByDay()}
      >
        <CalendarDays size={16} aria-hidden /> Day by day
      </Button>
      <Button
        look="main"
        disabled={working}
        title="The old homes come back and change one by one: the plan is true after every tick"
        onClick={() => void carry()}
      >
        <Footprints size={16} aria-hidden /> {working ? 'Working out the moves …' : 'Carry them over step by step'}
      </Button>
    </span>
  );
}
