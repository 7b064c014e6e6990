import { amountOf, countIn, homesIn, type Plan, placeWithAllIn, type Supply, usesOf } from '../../record/plan/index.ts';

/** Where a packing list comes from: what an activity uses, a set as it was bought, what lives in a box, or what went along another time. */
export type PackFrom = { what: 'activity' | 'kit' | 'box' | 'trip'; id: string };

export type ToPack = { supplyId: string; count: number; double: boolean };

/**
 * What goes along, for so many people. What is used up goes along for each of them, as much as a session takes; tools one for each, as many as there
 * are; what a box or an earlier trip held, as it was. By name.
 */
export function packingList(plan: Plan, { what, id }: PackFrom, people = 1): ToPack[] {
  const list =
    what === 'activity' ? forActivity(plan, id, people) : what === 'trip' ? asBefore(plan, id) : held(plan, what, id);
  const nameOf = ({ supplyId }: ToPack) => plan.supplies[supplyId]!.name;
  return list.sort((a, b) => (nameOf(a) < nameOf(b) ? -1 : 1));
}

const has = (supply: Supply): boolean => supply.working + supply.backstock > 0;

function forActivity(plan: Plan, activityId: string, people: number): ToPack[] {
  return Object.values(plan.supplies).flatMap((supply) => {
    const use = usesOf(plan, supply.id).find((u) => u.activityId === activityId);
    if (!use || !has(supply)) return [];
    const there = supply.working + supply.backstock;
    const count = use.usedUp > 0 ? Math.ceil(use.usedUp * people) : people;
    return [{ supplyId: supply.id, count: Math.max(1, Math.min(there, count)), double: false }];
  });
}

function held(plan: Plan, what: 'kit' | 'box', id: string): ToPack[] {
  if (what === 'kit')
    return Object.values(plan.supplies).flatMap((supply) =>
      supply.kit === id && has(supply)
        ? [{ supplyId: supply.id, count: Math.max(1, amountOf(supply, 'working')), double: false }]
        : [],
    );
  const place = plan.places[id];
  const counts = new Map<string, number>();
  for (const p of place ? placeWithAllIn(plan, place) : [])
    for (const home of homesIn(plan, p.id)) {
      const supply = plan.supplies[home.supplyId];
      if (!supply || home.share !== 'working') continue;
      counts.set(supply.id, (counts.get(supply.id) ?? 0) + countIn(plan, home, supply));
    }
  return [...counts].flatMap(([supplyId, count]) => (count > 0 ? [{ supplyId, count, double: false }] : []));
}

const asBefore = (plan: Plan, projectId: string): ToPack[] =>
  Object.values(plan.outs).flatMap(({ projectId: of, supplyId, count, double }) =>
    of === projectId && plan.supplies[supplyId] ? [{ supplyId, count, double }] : [],
  );

/** How far a trip is packed, in words; empty while there is nothing amiss. */
export function packedWords(plan: Pick<Plan, 'outs' | 'projects'>, projectId: string): string {
  const project = plan.projects[projectId];
  if (project?.kind !== 'trip' || project.state !== 'going') return '';
  const outs = Object.values(plan.outs).filter((o) => o.projectId === projectId);
  const left = outs.filter((o) => o.state === 'wanted').length;
  if (outs.every((o) => o.state === 'wanted')) return 'nothing is packed';
  return left === 0 ? '' : left === 1 ? 'one thing is not packed' : `${left} things are not packed`;
}
