import { useEffect, useMemo, useState } from 'react';
import { apply, type Plan, type Station } from '@heronstone/core/plan';
import { type School } from '@heronstone/core/stations';
import { getPlan, listPlans, type PlanSummary } from '../../state/api.ts';
import { type LongWork, useLongWork } from '../../state/long-work.ts';
import { today } from '../../ui/words.ts';

/** The plans there are besides this one. */
export function useOtherPlans(planId: string): readonly PlanSummary[] {
  const [plans, setPlans] = useState<readonly PlanSummary[]>([]);
  useEffect(() => {
    let here = true;
    listPlans()
      .then((all) => here && setPlans(all.filter((p) => p.id !== planId && p.keptUntil === null)))
      .catch(() => undefined);
    return () => void (here = false);
  }, [planId]);
  return plans;
}

/** What a run is set beside: another plan, or this one with somebody else at the seat. */
export type Other = { plan: Plan; name: string };

/** What the address names to be set beside (`plan ID`, `person ID`); null: nothing, or it is not there (yet). */
export function useOther(plan: Plan, station: Station, against: string): Other | null {
  const [got, setGot] = useState<Plan | null>(null);
  const [what, id = ''] = against.split(' ') as [string, string?];
  useEffect(() => {
    if (what !== 'plan') return;
    let here = true;
    getPlan(id)
      .then((answer) => here && setGot(answer.plan))
      .catch(() => here && setGot(null));
    return () => void (here = false);
  }, [what, id]);
  return useMemo(() => {
    if (what === 'plan') return got?.id === id ? { plan: got, name: got.head.name } : null;
    const person = what === 'person' ? plan.people[id] : undefined;
    if (!person) return null;
    const stations = { ...plan.stations, [station.id]: { ...station, personId: person.id } };
    return { plan: { ...plan, stations }, name: person.name };
  }, [what, id, got, plan, station]);
}

/** Ways of working that makers differ on: the question, which of its two answers, and how that is said. */
const WAYS: readonly (readonly [school: School, answer: 0 | 1, words: string])[] = [
  ['posture', 0, 'working sitting'],
  ['posture', 1, 'working standing'],
  ['tools', 0, 'having one tool between them'],
  ['tools', 1, 'having one tool each'],
  ['grouping', 0, 'finding homes by activity'],
  ['grouping', 1, 'finding homes by kind'],
];
/** The same for the address, `way SCHOOL ANSWER`. */
export const WAY_OPTIONS = WAYS.map(([school, answer, words]) => [`way ${school} ${answer}`, words] as const);

const SAME = 'There is nothing here that would be done otherwise.';
const STOPPED = 'It was not worked out to the end.';

type Way = { of: Plan; seat: string; against: string; other: Other | null };

/**
 * This plan under another way of working, where the address names one: worked out beside the screen, homes found again where they are the question.
 * `nothing`: why there is nothing to set beside, in words.
 */
export function useWay(
  plan: Plan,
  station: Station,
  against: string,
): { other: Other | null; work: LongWork; nothing: string | null } {
  const work = useLongWork();
  const { run, cancel } = work;
  const [got, setGot] = useState<Way | null>(null);
  const seat = station.id;
  useEffect(() => {
    const way = WAYS.find(([school, answer]) => against === `way ${school} ${answer}`);
    if (!way) return;
    let here = true;
    const [school, answer, words] = way;
    void run((api, tell) => api.schools(plan, school, school === 'posture' ? seat : null, today(), tell)).then(
      (compared) => {
        const command = compared?.ways[answer].command;
        const done = command ? apply(plan, command) : null;
        const other = compared ? { plan: done?.ok ? done.plan : plan, name: words } : null;
        if (here) setGot({ of: plan, seat, against, other });
      },
    );
    return () => {
      // nobody waits for it any more
      here = false;
      cancel();
    };
  }, [plan, seat, against, run, cancel]);
  const is = got?.of === plan && got.seat === seat && got.against === against ? got : null;
  return {
    other: is?.other ?? null,
    work,
    nothing: is !== null && is.other === null ? (against.startsWith('way grouping') ? STOPPED : SAME) : null,
  };
}

/** The seat of another plan that is meant by one of this: the same one, else one of the same name or activity. */
export function otherOf(plan: Plan, station: Station): Station | null {
  const all = Object.values(plan.stations);
  return (
    plan.stations[station.id] ??
    all.find((s) => s.name === station.name) ??
    all.find((s) => s.activityId === station.activityId) ??
    null
  );
}
