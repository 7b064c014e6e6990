import { Pause, Play, Shuffle, SkipBack, SkipForward } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { newId, type Plan, type Station } from '@heronstone/core/plan';
import { makerOf, planAsWorked } from '@heronstone/core/reach';
import {
  difference,
  expectedOf,
  type Moment,
  type Run,
  runAt,
  runOf,
  sessionOf,
  simulate,
} from '@heronstone/core/tryout';
import { looksFrom } from '../../views/round/looks.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { Floor } from '../../views/floor/Floor.tsx';
import { Round } from '../../views/round/Round.tsx';
import { HelpMost } from './HelpMost.tsx';
import { ChartsWhenOpened, Told, Tolls } from './Numbers.tsx';
import { RecipeText } from './Recipe.tsx';
import { Strip } from './Strip.tsx';
import { otherOf, useOther, useOtherPlans } from './against.ts';
import { bandWords, momentWords, spentWords } from './words.ts';
import { MotionsOf } from './MotionsOf.tsx';

const SESSIONS = 400;
/** Sessions go by so many times faster than they are worked. */
const SPEEDS = [
  ['10', '10 times as fast'],
  ['40', '40 times'],
  ['160', '160 times'],
] as const;
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
        <p className="mt-4 max-w-lg text-soft">
          A session is worked through from where somebody sits or stands. Give an activity a seat at{' '}
          <Link className="text-heron underline" to={`/p/${plan.id}/activities`}>
            Activities
          </Link>{' '}
          first.
        </p>
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
  const other = useOther(plan, station, against);
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
          ]}
          onCommit={(v) => select({ against: v || null })}
        />
        <Button onClick={() => setSession(session + 1)} title="Draw another session">
          <Shuffle size={15} aria-hidden /> Another session
        </Button>
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

type Worked = ReturnType<typeof worked>;
function worked(run: Run, session: number, month: number | null) {
  return {
    moments: sessionOf(run, { seed: 1, session, month }),
    expected: expectedOf(run, month),
    played: simulate(run, { sessions: SESSIONS, seed: 1, month }),
  };
}

/** A session to be watched, beside what it asks for. */
function Watched({
  plan,
  run,
  mine,
  theirs,
}: {
  plan: Plan;
  run: Run;
  mine: Worked;
  theirs: (Worked & { plan: Plan; name: string }) | null;
}) {
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number][0]>('40');
  const [turn, setTurn] = useState(0);
  const { moments, expected, played } = mine;
  const now: Moment | undefined = moments[Math.min(at, moments.length - 1)];
  useEffect(() => {
    if (!playing || !now) return;
    if (at >= moments.length - 1) return setPlaying(false);
    const wait = setTimeout(() => setAt(at + 1), Math.max(60, (now.toll.seconds * 1000) / Number(speed)));
    return () => clearTimeout(wait);
  }, [playing, at, now, moments.length, speed]);
  const station = now?.station ?? run.legs[0]!.setting.station;
  const seen = useMemo(() => planAsWorked(plan, station), [plan, station]);
  const maker = makerOf(plan, station);
  const looks = useMemo(() => (maker ? looksFrom(plan, seen, maker, null) : new Map()), [plan, seen, maker]);
  const scale = Math.max(sum(moments), theirs ? sum(theirs.moments) : 0);
  const gain = theirs && difference(played, theirs.played);
  const rows = [
    { name: theirs ? 'this plan' : 'mean, and nine of ten', expected, played },
    ...(theirs ? [{ name: theirs.name, expected: theirs.expected, played: theirs.played }] : []),
  ];
  const full = moments.findIndex((m) => (m.covered ?? 0) > 1);
  return (
    <div className="mt-2 space-y-2">
      <Strip plan={plan} moments={moments} scale={scale} at={at} onAt={setAt} title={theirs ? 'This plan' : run.name} />
      {theirs && (
        <Strip
          plan={theirs.plan}
          moments={theirs.moments}
          scale={scale}
          at={null}
          onAt={() => undefined}
          title={theirs.name}
        />
      )}
      {gain && (
        <p role="status">
          {Math.abs(gain.mean) <= gain.half
            ? `No difference that could be told: ${spentWords(gain.mean)} ± ${spentWords(gain.half)} a session.`
            : `${gain.mean > 0 ? theirs.name : 'This plan'} is quicker by ${spentWords(Math.abs(gain.mean))} a session (± ${spentWords(gain.half)}, 95 %, the same ${SESSIONS} sessions in both).`}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button aria-label="Moment before" onClick={() => setAt(Math.max(0, at - 1))}>
          <SkipBack size={15} aria-hidden />
        </Button>
        <Button look="main" onClick={() => setPlaying(!playing)}>
          {playing ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />} {playing ? 'Stop' : 'Walk it'}
        </Button>
        <Button aria-label="Next moment" onClick={() => setAt(Math.min(moments.length - 1, at + 1))}>
          <SkipForward size={15} aria-hidden />
        </Button>
        <SelectField label="speed" hideLabel value={speed} options={SPEEDS} onCommit={setSpeed} />
        {now && (
          <p className="min-w-0 grow truncate" aria-live={playing ? 'off' : 'polite'}>
            <span className="text-soft">
              {at + 1} of {moments.length}
              {now.step > 0 && `, step ${now.step}`}:
            </span>{' '}
            <strong className="font-semibold">{momentWords(plan, now)}</strong>{' '}
            <span className="text-soft">
              {bandWords(now.band)}, {spentWords(now.toll.seconds)}
            </span>
          </p>
        )}
      </div>
      {maker && (
        <Round
          plan={seen}
          maker={maker}
          turn={turn}
          onTurning={setTurn}
          onTurn={setTurn}
          looks={looks}
          chosen={now?.placeId ?? null}
          onChoose={() => undefined}
        />
      )}
      <div className="grid grid-cols-1 gap-5 lg:grid-cols-[22rem_minmax(0,1fr)_22rem]">
        <div className="h-72 min-w-0">
          <Floor
            plan={seen}
            up={station.heading + turn}
            maker={maker}
            goal={now?.placeId ?? null}
            chosenStation={station.id}
            chosenUnit={null}
          />
        </div>
        <div className="min-w-0 space-y-2">
          <Tolls rows={rows} yearly={run.yearly} />
          {full >= 0 && (
            <p className="text-[14px] text-clash">
              {full === 0
                ? 'The table is full from the first moment on: the work and what stands there take all of it.'
                : `After moment ${full + 1} the table is full (${momentWords(plan, moments[full]!)}).`}
            </p>
          )}
          <ChartsWhenOpened rows={rows} />
          {now && <MotionsOf moment={now} />}
        </div>
        <Told plan={plan} run={run} expected={expected} />
      </div>
    </div>
  );
}

const sum = (moments: readonly Moment[]) => moments.reduce((s, m) => s + m.toll.seconds, 0);
