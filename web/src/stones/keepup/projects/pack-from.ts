import { compartmentsOf, type Out, placeTitle, type Plan } from '@heronstone/core/plan';
import { packingList, type PackFrom, type ToPack } from '@heronstone/core/upkeep';

/** All that a trip’s list may be filled from: activities, sets, what is in a box to carry, earlier trips; each with its words. */
export function packOptions(plan: Plan, tripId: string): [value: string, words: string][] {
  const sets = [...new Set(Object.values(plan.supplies).flatMap((s) => (s.kit ? [s.kit] : [])))].sort();
  const boxes = Object.values(plan.units).filter((u) => u.kind === 'carryBox');
  return [
    ...Object.values(plan.activities).map((a): [string, string] => [`activity ${a.id}`, a.name]),
    ...sets.map((s): [string, string] => [`kit ${s}`, `the set ${s}`]),
    ...boxes.flatMap((u) =>
      compartmentsOf(plan, u.id).map((p): [string, string] => [`box ${p.id}`, `what is in ${placeTitle(plan, p)}`]),
    ),
    ...Object.values(plan.projects)
      .filter((p) => p.kind === 'trip' && p.id !== tripId)
      .map((p): [string, string] => [`trip ${p.id}`, `as for ${p.name}`]),
  ];
}

/** What an option of these says. */
export function packFrom(value: string): PackFrom {
  const [what, ...rest] = value.split(' ');
  return { what: what as PackFrom['what'], id: rest.join(' ') };
}

/** What of that is not on the list yet, for so many people; `reason`: why there is nothing to put on it. */
export function missing(
  plan: Plan,
  from: PackFrom,
  people: number,
  outs: readonly Pick<Out, 'supplyId'>[],
): { more: ToPack[]; reason: string | null } {
  const list = packingList(plan, from, from.what === 'activity' ? people : 1);
  const more = list.filter((l) => !outs.some((o) => o.supplyId === l.supplyId));
  if (more.length > 0) return { more, reason: null };
  return {
    more,
    reason: list.length === 0 ? 'There is nothing of it to pack.' : 'All of it is on the list already.',
  };
}
