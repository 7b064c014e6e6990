import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type Activity, newId } from '@heronstone/core/plan';
import { makerOf, planAsWorked, sceneOf, walkLengthTo } from '@heronstone/core/reach';
import { formatLength } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, SelectField } from '../../ui/fields/index.ts';

const WIDTH = 760;
const BASE = 150;

/** What is handed on from one activity to another, drawn as arcs over a row of them: the thicker, the more often. */
export function Flows({ activity }: { activity: Activity }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const activities = Object.values(plan.activities).sort((a, b) => a.name.localeCompare(b.name));
  const flows = Object.values(plan.flows);
  const others = activities.filter((a) => a.id !== activity.id);
  const [to, setTo] = useState<string>('');
  const target = others.some((a) => a.id === to) ? to : (others[0]?.id ?? '');
  const x = (id: string) => ((activities.findIndex((a) => a.id === id) + 0.5) * WIDTH) / Math.max(1, activities.length);
  const yearly = (fromId: string, times: number) => {
    const a = plan.activities[fromId]!;
    return times * a.sessionsPerMonth * a.months.length;
  };
  const add = () =>
    dispatch({ type: 'addFlow', flow: { id: newId('flow'), fromId: activity.id, toId: target, times: 1 } });
  const mine = flows.filter((f) => f.fromId === activity.id || f.toId === activity.id);
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${BASE + 40}`}
        className="w-full rounded-2xl bg-paper"
        role="img"
        aria-label={`${flows.length} hand-ons between ${activities.length} activities`}
      >
        {flows.map((f) => {
          const from = x(f.fromId);
          const end = x(f.toId);
          const high = Math.min(130, 26 + Math.abs(end - from) * 0.28);
          const own = f.fromId === activity.id || f.toId === activity.id;
          const colour = own ? 'var(--heron)' : 'var(--wood-line)';
          // forwards over the row, backwards below what would else lie on it
          const peak = BASE - 14 - high * (end > from ? 1 : 0.62);
          const wide = Math.min(9, 1.5 + Math.sqrt(yearly(f.fromId, f.times)) / 2);
          return (
            <g key={f.id} data-flow>
              <path
                d={`M${from} ${BASE - 14} Q${(from + end) / 2} ${peak * 2 - BASE + 14} ${end} ${BASE - 20}`}
                fill="none"
                stroke={colour}
                strokeWidth={wide}
                strokeOpacity={0.75}
              />
              <path d={`M${end} ${BASE - 12} l -7 -13 h 14 z`} fill={colour} />
              <title>{`${plan.activities[f.fromId]!.name} to ${plan.activities[f.toId]!.name}: ${f.times} a session`}</title>
            </g>
          );
        })}
        {activities.map((a) => (
          <g key={a.id}>
            <circle cx={x(a.id)} cy={BASE} r={6} fill={a.id === activity.id ? 'var(--ink)' : 'var(--wood-line)'} />
            <text
              x={x(a.id)}
              y={BASE + 24}
              textAnchor="middle"
              fontSize={14}
              fill="var(--ink)"
              fontWeight={a.id === activity.id ? 600 : 400}
            >
              {a.name}
            </text>
          </g>
        ))}
      </svg>
      {others.length === 0 ? (
        <p className="mt-2 text-soft">With a second activity, work can be handed on.</p>
      ) : (
        <div className="mt-3 flex items-end gap-2">
          <SelectField
            className="w-56"
            label={`${activity.name} hands on to`}
            value={target}
            options={others.map((a) => [a.id, a.name] as const)}
            onCommit={setTo}
          />
          <Button onClick={add} disabled={flows.some((f) => f.fromId === activity.id && f.toId === target)}>
            <Plus size={15} aria-hidden /> Add
          </Button>
        </div>
      )}
      <ul className="mt-2 space-y-1">
        {mine.map((f) => (
          <li key={f.id} className="flex flex-wrap items-end gap-3">
            <span className="w-72 pb-1.5">
              {plan.activities[f.fromId]!.name} → {plan.activities[f.toId]!.name}
            </span>
            <NumberField
              className="w-32"
              label="times a session"
              max={1000}
              value={f.times}
              onCommit={(times) => dispatch({ type: 'setFlow', id: f.id, set: { times } })}
            />
            <span className="pb-1.5 text-soft">
              {Math.round(yearly(f.fromId, f.times))} a year{wayWords(plan, f)}
            </span>
            <Button look="quiet" aria-label="Take it out" onClick={() => dispatch({ type: 'removeFlow', id: f.id })}>
              <Trash2 size={15} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** How far it is carried between the nearest of their seats. */
function wayWords(plan: ReturnType<typeof usePlan.getState>['plan'], flow: { fromId: string; toId: string }): string {
  const at = (id: string) => Object.values(plan.stations).filter((s) => s.activityId === id);
  let least = Infinity;
  for (const from of at(flow.fromId)) {
    const maker = makerOf(plan, from);
    if (!maker) continue;
    for (const to of at(flow.toId)) least = Math.min(least, walkLengthTo(sceneOf(planAsWorked(plan, from)), maker, to));
  }
  return Number.isFinite(least)
    ? `, carried ${formatLength(Math.round(least / 10) * 10, plan.head.measure)}`
    : ', no way to carry it';
}
