import { Plus } from 'lucide-react';
import { useState } from 'react';
import { makerOf, planAsWorked } from '@heronstone/core/reach';
import { blankActivity, newId } from '@heronstone/core/plan';
import { moveSeat } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { useWidth } from '../../ui/width.ts';
import { countWords } from '../../ui/words.ts';
import { Arrows } from '../../views/arrows/Arrows.tsx';
import { around } from '../../views/arrows/spread.ts';
import { seatArrows } from '../../views/floor/unit-arrows.ts';
import { EmptyStone } from '../../views/empty/EmptyStone.tsx';
import { Floor } from '../../views/floor/Floor.tsx';
import { ActivityHead } from './ActivityHead.tsx';
import { type Mapped } from './mapped.ts';
import { People } from './People.tsx';
import { UseLine } from './UseLine.tsx';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';

const FastUses = part(() => import('./FastUses.tsx').then((m) => ({ default: m.FastUses })));
const Asks = part(() => import('./Asks.tsx').then((m) => ({ default: m.Asks })));
const Housing = part(() => import('./Housing.tsx').then((m) => ({ default: m.Housing })));
const Flows = part(() => import('./Flows.tsx').then((m) => ({ default: m.Flows })));
const Ways = part(() => import('./Ways.tsx').then((m) => ({ default: m.Ways })));

const VIEWS = [
  ['uses', 'What it reaches for'],
  ['where', 'Where it lives'],
  ['asks', 'Asks and gets'],
  ['flows', 'Hands on'],
  ['ways', 'Other ways'],
] as const;

/** What is made here, who makes it, where it lives, and what it asks of its place. */
export default function ActivitiesStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [mapped, setMapped] = useState<Mapped | null>(null);
  const activities = Object.values(plan.activities).sort((a, b) => a.name.localeCompare(b.name));
  const chosen = activities.find((a) => a.id === get('activity')) ?? activities[0];
  const stations = chosen ? Object.values(plan.stations).filter((s) => s.activityId === chosen.id) : [];
  const station = stations.find((s) => s.id === get('seat')) ?? stations[0];
  const maker = station ? makerOf(plan, station) : null;
  const view = VIEWS.find(([id]) => id === get('view'))?.[0] ?? 'uses';
  const small = useWidth() === 'phone';
  const add = () => {
    const activity = blankActivity(newId('activity'), `Activity ${activities.length + 1}`);
    if (dispatch({ type: 'addActivity', activity })) select({ activity: activity.id, seat: null, view: 'where' });
  };
  const shownMap = mapped && (mapped.of === 'cart' || mapped.id === station?.id) ? mapped : null;
  return (
    <main className="grid grow grid-cols-1 gap-6 px-4 pb-4 lg:grid-cols-[1fr_25rem]">
      <section aria-label="Activities" className="min-w-0">
        <div className="flex flex-wrap items-center gap-2 py-1">
          <h1 className="font-display text-2xl font-semibold">What is made here</h1>
          <div role="group" aria-label="Activities" className="flex flex-wrap gap-1">
            {activities.map((a) => (
              <button
                key={a.id}
                type="button"
                aria-pressed={a.id === chosen?.id}
                onClick={() => select({ activity: a.id, seat: null })}
                className={`rounded-full border px-3 py-1 ${a.id === chosen?.id ? 'border-ink bg-ink text-ground' : 'border-line bg-paper hover:border-heron'}`}
              >
                {a.name}
              </button>
            ))}
          </div>
          <Button look={activities.length ? 'plain' : 'main'} onClick={add}>
            <Plus size={16} aria-hidden /> Another
          </Button>
        </div>
        {chosen ? (
          <>
            <ActivityHead key={chosen.id} activity={chosen} />
            <div role="group" aria-label="What about it" className="mt-3 flex flex-wrap gap-x-5 border-b border-line">
              {VIEWS.map(([id, name]) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={id === view}
                  onClick={() => select({ view: id === 'uses' ? null : id })}
                  className={`-mb-px border-b-[3px] pb-1 ${id === view ? 'border-heron font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
                >
                  {name}
                </button>
              ))}
            </div>
            <div className="pt-3">
              <View fallback={<p className="text-soft">One moment …</p>}>
                {view === 'uses' && (
                  <>
                    {stations.length === 0 && (
                      <p className="mb-2">
                        No seat yet: near and far are measured from one.{' '}
                        <Button onClick={() => select({ view: 'where' })}>Say where it lives</Button>
                      </p>
                    )}
                    <UseLine activity={chosen} />
                    <FastUses activity={chosen} />
                  </>
                )}
                {view === 'where' && <Housing activity={chosen} onMap={setMapped} mapped={shownMap} />}
                {view === 'asks' && <Asks activity={chosen} />}
                {view === 'flows' && <Flows activity={chosen} />}
                {view === 'ways' && <Ways activity={chosen} />}
              </View>
            </div>
          </>
        ) : (
          <div className="mt-4">
            <EmptyStone of="activities">
              <p className="pb-3">
                Name one thing that is made in this room, then say who makes it, where they sit or stand, and what they
                reach for.
              </p>
              <Button look="main" onClick={add}>
                <Plus size={15} aria-hidden /> The first one
              </Button>
            </EmptyStone>
          </div>
        )}
      </section>
      <aside className="min-w-0">
        <People activity={chosen ?? null} />
        <h2 className="mt-4 font-display text-lg font-semibold">
          {shownMap ? (shownMap.of === 'seat' ? 'Where should I sit?' : 'Where should it park?') : 'Seats'}
        </h2>
        <p className="text-[13px] text-soft">
          {shownMap
            ? 'Green: fewest seconds a year; clay: most. Numbers: the best spots.'
            : Object.keys(plan.stations).length
              ? `${countWords(Object.keys(plan.stations).length, 'seat', 'seats')}; drag one to where the maker is while working.`
              : 'A seat appears here once an activity has one.'}
        </p>
        <div className="relative h-80">
          <Floor
            plan={station ? planAsWorked(plan, station) : plan}
            maker={maker}
            map={shownMap?.map ?? null}
            chosenStation={station?.id ?? null}
            onMoveStation={(id, to) => dispatch(moveSeat(plan, plan.stations[id]!, to))}
            onChooseStation={(id) => select({ activity: plan.stations[id]?.activityId ?? null, seat: id })}
            over={(seen) =>
              station &&
              view === 'where' &&
              !small && (
                <Arrows
                  arrows={seatArrows(plan, station, seen.scale, (to) => dispatch(moveSeat(plan, station, to)))}
                  at={seen.at}
                  frame={seen.frame}
                  free={[around(seen.at(station), SEAT)]}
                />
              )
            }
            className="absolute inset-0 h-full w-full"
          />
        </div>
      </aside>
    </main>
  );
}

/** What of a seat stays free to be taken hold of, px. */
const SEAT = 34;
