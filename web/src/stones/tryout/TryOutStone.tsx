import { Shuffle } from 'lucide-react';
import { useMemo, useState } from 'react';
import { newId, type Plan, type Station } from '@heronstone/core/plan';
import { type Run, runAt, runOf } from '@heronstone/core/tryout';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { EmptyStone } from '../../views/empty/EmptyStone.tsx';
import { SitHere } from '../../views/empty/SitHere.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { HelpMost } from './help/HelpMost.tsx';
import { RecipeText } from './Recipe.tsx';
import { Working } from '../../ui/working.tsx';
import { otherOf, useOther, useOtherPlans, useWay, WAY_OPTIONS } from './against.ts';
import { Watched } from './Watched.tsx';
import { worked } from './worked.ts';

const MONTHS = ['', '1', '2', '3', '4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;
const MONTH_NAMES = [
  'any month',
  ...Array.from({ length: 12 }, (_, i) => new Date(2026, i, 1).toLocaleDateString('en-GB', { month: 'long' })),
];

/** Try-out: a project worked through the plan before a screw is turned, this plan against another, and what would help most. */
export default function TryOutStone() {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const helping = get('view') === 'help';
  const tab = (on: boolean) =>
    `px-1 py-0.5 ${on ? 'border-b-2 border-heron font-semibold' : 'text-soft hover:text-heron'}`;
  return (
    <main className="flex grow flex-col px-4 pb-4">
      <div className="flex flex-wrap items-baseline gap-4">
        <h1 className="font-display text-2xl font-semibold">Try-out</h1>
        <nav aria-label="Try-out" className="flex gap-3">
          <button
            type="button"
            className={tab(!helping)}
            aria-current={helping ? undefined : 'page'}
            onClick={() => select({ view: null })}
          >
            Run through
          </button>
          <button
            type="button"
            className={tab(helping)}
            aria-current={helping ? 'page' : undefined}
            onClick={() => select({ view: 'help' })}
          >
            What would help most
          </button>
        </nav>
      </div>
      {Object.keys(plan.stations).length === 0 ? (
        <div className="mt-4">
          <EmptyStone of="tryout">
            <p>A session is worked through from where somebody sits or stands.</p>
            <SitHere />
          </EmptyStone>
        </div>
      ) : helping ? (
        <HelpMost />
      ) : (
        <RunThrough plan={plan} />
      )}
    </main>
  );
}

const byName = (a: { name: string }, b: { name: string }) => (a.name < b.name ? -1 : 1);

function RunThrough({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const stations = useMemo(() => Object.values(plan.stations).sort(byName), [plan.stations]);
  const recipes = useMemo(() => Object.values(plan.recipes).sort(byName), [plan.recipes]);
  const recipe = plan.recipes[get('recipe') ?? ''] ?? null;
  const station = plan.stations[get('seat') ?? ''] ?? stations[0]!;
  const [session, setSession] = useState(0);
  const month = get('month') ? Number(get('month')) : null;
  const against = get('against') ?? '';
  const plans = useOtherPlans(plan.id);
  const beside = useOther(plan, station, against);
  const way = useWay(plan, station, against);
  const other = beside ?? way.other;
  const read = useMemo(() => readRun(plan, station, recipe), [plan, station, recipe]);
  const { run } = read;
  const otherRun = useMemo(() => {
    const then = other && otherOf(other.plan, station);
    return other && then ? readRun(other.plan, then, recipe).run : null;
  }, [other, station, recipe]);
  const mine = useMemo(() => (run ? worked(run, session, month) : null), [run, session, month]);
  const theirs = useMemo(() => (otherRun ? worked(otherRun, session, month) : null), [otherRun, session, month]);
  const add = () => {
    const id = newId('recipe');
    if (dispatch({ type: 'addRecipe', recipe: { id, name: `Project ${recipes.length + 1}`, text: '' } }))
      select({ recipe: id });
  };
  return (
    <>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <SelectField
          label="work through"
          value={recipe ? `recipe ${recipe.id}` : `seat ${station.id}`}
          options={[
            ...stations.map(
              (s) => [`seat ${s.id}`, `${plan.activities[s.activityId]?.name ?? '?'}, at ${s.name}`] as const,
            ),
            ...recipes.map((r) => [`recipe ${r.id}`, `recipe: ${r.name}`] as const),
          ]}
          onCommit={(v) => {
            const [what, id] = v.split(' ') as [string, string];
            select(what === 'recipe' ? { recipe: id } : { recipe: null, seat: id });
          }}
        />
        <Button onClick={add}>A recipe of steps …</Button>
        <SelectField
          label="in"
          value={month === null ? '' : (String(month) as (typeof MONTHS)[number])}
          options={MONTHS.map((m, i) => [m, MONTH_NAMES[i]!] as const)}
          onCommit={(m) => select({ month: m || null })}
        />
        <SelectField
          label="against"
          value={against}
          options={[
            ['', 'nothing else'],
            ...Object.values(plan.people)
              .filter((p) => p.id !== station.personId)
              .map((p) => [`person ${p.id}`, `${p.name} at ${station.name}`] as const),
            ...plans.map((p) => [`plan ${p.id}`, `the plan ${p.name}`] as const),
            ...WAY_OPTIONS,
          ]}
          onCommit={(v) => select({ against: v || null })}
        />
        <Button onClick={() => setSession(session + 1)} title="Draw another session">
          <Shuffle size={15} aria-hidden /> Another session
        </Button>
        {way.work.share !== null && <Working work={way.work} words="working the other way" />}
        {way.nothing && <p className="text-soft">{way.nothing}</p>}
      </div>
      {recipe && (
        <RecipeText
          key={recipe.id}
          recipe={recipe}
          unknown={read.unknown}
          trouble={read.reason}
          onGone={() => select({ recipe: null })}
        />
      )}
      {run && mine ? (
        <Watched
          key={`${run.name} ${session}`}
          plan={plan}
          run={run}
          mine={mine}
          theirs={theirs && other ? { ...theirs, plan: other.plan, name: other.name } : null}
        />
      ) : (
        !recipe && <p className="mt-4 text-soft">{read.reason}</p>
      )}
    </>
  );
}

type ReadRun = {
  run: Run | null;
  unknown: readonly { line: number; words: string; like: string | null }[];
  reason: string | null;
};

function readRun(plan: Plan, station: Station, recipe: { name: string; text: string } | null): ReadRun {
  if (!recipe) {
    const run = runAt(plan, station);
    return {
      run,
      unknown: [],
      reason: run ? null : 'Nobody works at this seat yet: give it a person and an activity.',
    };
  }
  const read = runOf(plan, recipe.name, recipe.text, station.activityId);
  return read.ok
    ? { run: read.run, unknown: read.unknown, reason: null }
    : { run: null, unknown: [], reason: read.reason };
}
