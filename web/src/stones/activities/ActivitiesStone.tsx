import { Plus } from 'lucide-react';
import { makerOf } from '@heronstone/core/reach';
import { type Activity, newId } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { countWords } from '../../ui/words.ts';
import { Floor } from '../../views/floor/Floor.tsx';
import { ActivityPanel } from './ActivityPanel.tsx';
import { People } from './People.tsx';

/** What is made here, who makes it and from which seat; what each activity reaches for lies on its use line. */
export default function ActivitiesStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const activities = Object.values(plan.activities).sort((a, b) => a.name.localeCompare(b.name));
  const chosen = activities.find((a) => a.id === get('activity')) ?? activities[0];
  const station = chosen && Object.values(plan.stations).find((s) => s.activityId === chosen.id);
  const maker = station ? makerOf(plan, station) : null;
  const add = () => {
    const activity: Activity = {
      id: newId('activity'),
      name: `Activity ${activities.length + 1}`,
      sessionsPerMonth: 4,
      minutes: 90,
      months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
    };
    if (dispatch({ type: 'addActivity', activity })) select({ activity: activity.id });
  };
  return (
    <main className="grid grow grid-cols-1 gap-6 px-4 pb-4 lg:grid-cols-[1fr_25rem]">
      <section aria-label="Activities" className="min-w-0">
        <div className="flex flex-wrap items-center gap-2 py-1">
          <h1 className="font-display text-2xl font-semibold">What is made here</h1>
          <div role="tablist" aria-label="Activities" className="flex flex-wrap gap-1">
            {activities.map((a) => (
              <button
                key={a.id}
                type="button"
                role="tab"
                aria-selected={a.id === chosen?.id}
                onClick={() => select({ activity: a.id })}
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
          <ActivityPanel key={chosen.id} activity={chosen} />
        ) : (
          <div className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
            <p>
              Name one thing that is made in this room, then say who makes it, where they sit or stand, and what they
              reach for.
            </p>
          </div>
        )}
      </section>
      <aside className="min-w-0">
        <People />
        <h2 className="mt-4 font-display text-lg font-semibold">Seats</h2>
        <p className="text-[13px] text-soft">
          {Object.keys(plan.stations).length
            ? `${countWords(Object.keys(plan.stations).length, 'seat', 'seats')}; drag one to where the maker is while working.`
            : 'A seat appears here once an activity has one.'}
        </p>
        <div className="h-80">
          <Floor
            plan={plan}
            maker={maker}
            chosenStation={station?.id ?? null}
            onMoveStation={(id, to) => dispatch({ type: 'setStation', id, set: to })}
            onChooseStation={(id) => select({ activity: plan.stations[id]?.activityId ?? null })}
          />
        </div>
      </aside>
    </main>
  );
}
