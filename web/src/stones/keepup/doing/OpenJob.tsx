import { Check } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { moveCommandOf, movesOf, tickJob } from '@heronstone/core/doing';
import { formatArea } from '@heronstone/core/lengths';
import { asOne, type Job, type Move, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField } from '../../../ui/fields/index.ts';
import { Which } from '../../../ui/which.tsx';
import { today } from '../../../ui/words.ts';
import { Front } from '../../../views/front/Front.tsx';
import { DayMaps } from './DayMaps.tsx';
import { frontsWith } from './fronts-with.ts';
import { gainOf } from './days.ts';

/** So many moves are shown at once. */
const SHOWN = 6;

/** The job in hand: why, what it needs, its moves as they are now, the unit as it will be; ticked whole, half or with the minutes it took. */
export function OpenJob({ job, wanted, minutes }: { job: Job; wanted: Plan | null; minutes: number }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [took, setTook] = useState(Math.round(minutes));
  const moves = useMemo(() => (job.kind === 'carry' && wanted ? movesOf(plan, wanted, job) : []), [plan, wanted, job]);
  const gain = gainOf(job, plan.jobs);
  const tick = () => {
    const done = tickJob(plan, wanted, job, today(), job.spent + took);
    if (!done.ok) return void toast.error(done.reason);
    if (dispatch(done.command)) toast.success(`${job.name}: done.`);
  };
  const half = () => {
    if (dispatch({ type: 'setJob', id: job.id, set: { state: 'half', spent: job.spent + took } }))
      toast('Half done: what is left of it is planned when you stop for today.');
  };
  return (
    <div className="mt-1 rounded-xl border border-heron bg-paper p-3">
      <p className="text-soft">
        {job.why} {job.people > 1 && `${job.people} people lift. `}
        {job.floor > 0 && `It covers about ${formatArea(job.floor * 1e6, plan.head.measure)} meanwhile. `}
        {gain !== null && `${gain} % of all that is gained.`}
        {job.money !== null && job.money > 0 && ` Costs ${job.money}.`}
      </p>
      {job.kind === 'carry' && <Pictures plan={plan} wanted={wanted} job={job} moves={moves} />}
      {job.kind === 'carry' && wanted && <DayMaps wanted={wanted} moves={moves} />}
      {job.kind === 'carry' && <Moves plan={plan} wanted={wanted} moves={moves} job={job} />}
      {job.kind === 'labels' && (
        <p className="py-1">
          The labels themselves are printed under <em>Labels</em>.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-2 print:hidden">
        <NumberField
          label="It took"
          unit="min"
          min={0}
          max={10_000}
          value={took}
          onCommit={(n) => setTook(Math.round(n))}
          className="w-28"
        />
        <Button look="main" className="min-h-11" onClick={tick}>
          <Check size={18} aria-hidden /> Done
        </Button>
        <Button className="min-h-11" onClick={half}>
          Half done
        </Button>
      </div>
    </div>
  );
}

/** Where things come from as it is, and where they go as it will be: the fronts of the units most is carried out of and into, with the places marked. */
function Pictures({ plan, wanted, job, moves }: { plan: Plan; wanted: Plan | null; job: Job; moves: readonly Move[] }) {
  if (!wanted) return null;
  const from = frontsWith(
    plan,
    moves.flatMap((m) => m.fromId ?? []),
    'went',
    1,
  );
  const to = frontsWith(wanted, job.to, 'came', 2);
  return (
    <div className="my-2 flex flex-wrap gap-3">
      {[
        ...from.map((f) => ({ ...f, plan, words: 'as it is' })),
        ...to.map((f) => ({ ...f, plan: wanted, words: 'as it will be' })),
      ].map(({ unit, marks, plan: shown, words }) => (
        <figure key={`${unit.id} ${words}`} className="min-w-0 grow basis-32">
          <Front plan={shown} unit={unit} marks={marks} silent className="h-44 w-full" />
          <figcaption className="text-center text-[13px] text-soft">
            {unit.name}, {words}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

function Moves({ plan, wanted, moves, job }: { plan: Plan; wanted: Plan | null; moves: readonly Move[]; job: Job }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [all, setAll] = useState(false);
  const said = (of: Plan, id: string) => (of.places[id] ? placeSaid(of, of.places[id]) : 'its place');
  const from = ({ fromId }: Move) => (fromId === null ? 'where it lies now' : said(plan, fromId));
  // called as it will be: what lies there today goes
  const to = ({ toId }: Move) => (toId === null ? 'the tray' : said(wanted?.places[toId] ? wanted : plan, toId));
  const made = (move: Move) => {
    const commands = [
      moveCommandOf(plan, move, today()),
      ...(job.state === 'open' ? [{ type: 'setJob' as const, id: job.id, set: { state: 'half' as const } }] : []),
    ];
    dispatch(asOne(`carry ${plan.supplies[move.supplyId]?.name ?? 'it'}`, commands));
  };
  if (moves.length === 0) return <p className="py-1">Everything of it lies where it was to go.</p>;
  return (
    <>
      <ul aria-label="Moves" className="divide-y divide-line">
        {moves.slice(0, all ? moves.length : SHOWN).map((m) => (
          <li key={m.id} className="flex items-center gap-2 py-1">
            <button
              type="button"
              className="grid size-7 shrink-0 place-items-center rounded-full border border-edge hover:border-heron print:hidden"
              aria-label={`Carried: ${plan.supplies[m.supplyId]?.name ?? ''}`}
              onClick={() => made(m)}
            >
              <Check size={14} aria-hidden className="opacity-40" />
            </button>
            <span className="min-w-0">
              <span className="font-semibold">
                {m.count !== null && `${m.count} × `}
                {plan.supplies[m.supplyId]?.name}
                <Which share={m.share} />
              </span>{' '}
              <span className="text-[14px] text-soft">
                {from(m)} → {to(m)}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {moves.length > SHOWN && !all && (
        <button type="button" className="py-1 text-heron underline print:hidden" onClick={() => setAll(true)}>
          and {moves.length - SHOWN} more
        </button>
      )}
    </>
  );
}
