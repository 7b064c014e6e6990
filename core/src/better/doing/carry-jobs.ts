import { homesOf, type Plan } from '../../record/plan/index.ts';
import { type Add, idOf, type Made, some } from './adding.ts';
import { carryGroups, wholeCrossing } from './carrying.ts';
import { LIFTED } from './minutes.ts';
import { placesByHand } from './piles.ts';
import { shareKey } from './savings.ts';

/** Carrying things to where they will live. */
export function carrying(now: Plan, then: Plan, add: Add, made: Made, left: Map<string, number>): void {
  const crossing = wholeCrossing(now, then);
  const { pairs } = crossing;
  const unitOf = (placeId: string) => then.places[placeId]?.unitId ?? '';
  const hands = placesByHand(now.jobs);
  const groupOf = (placeId: string) => hands.get(placeId) ?? unitOf(placeId);
  const byHand = (group: string) => now.jobs[group]?.byHand ?? false;
  const groups = carryGroups(crossing, groupOf, byHand);
  // what a share saves it saves when the last of it has come
  const lastOf = new Map<string, number>();
  for (const [g, group] of groups.entries())
    for (const p of group.pairs) lastOf.set(shareKey(pairs[p]!.supply.id, pairs[p]!.share), g);
  const ids: string[] = [];
  const comesHome = restingNoMore(now, then, pairs);
  for (const [g, group] of groups.entries()) {
    const own = group.pairs.map((p) => pairs[p]!);
    if (own.length === 0) {
      ids.push('');
      continue;
    }
    const units = [...new Set(own.map((p) => unitOf(p.to)))];
    const keys = [...new Set(own.map((p) => groupOf(p.to)))];
    // what its maker parted is hers as long as it can go by itself
    const hers = keys.length === 1 && byHand(keys[0]!) ? keys[0]! : null;
    const things = new Set(own.map((p) => p.supply.id));
    if (ids.every((id) => id === '')) for (const id of comesHome) things.add(id);
    let saved = 0;
    for (const key of new Set(own.map((p) => shareKey(p.supply.id, p.share))))
      if (lastOf.get(key) === g) {
        saved += left.get(key) ?? 0;
        left.delete(key);
      }
    const homeless = own.filter((p) => p.from === null).length;
    const names = units.map((u) => then.units[u]?.name ?? 'a unit');
    const where =
      names.length > 3
        ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
        : names.join(names.length === 2 ? ' and ' : ', ');
    const first = keys.find((k) => then.units[k]) ?? keys[0]!;
    const id = hers ?? idOf('carry', first.slice(0, 60), ...(group.part ? [String(group.part.no)] : []));
    const needs = new Set<string>();
    for (const p of own) {
      for (let place = then.places[p.to]; place; place = place.inId === null ? undefined : then.places[place.inId])
        if (made.has(place.id)) needs.add(made.get(place.id)!);
      const unit = unitOf(p.to);
      for (let u = then.units[unit]; u; u = u.hostId === null ? undefined : then.units[u.hostId]) {
        if (made.has(u.id)) needs.add(made.get(u.id)!);
        if (u.hostId === u.id) break;
      }
    }
    add(
      {
        ...{
          id,
          kind: 'carry',
          about: [...things].sort(),
          byHand: hers !== null,
          lifts: own.some((p) => p.supply.mass > LIFTED),
          to: [...new Set(own.map((p) => p.to))].sort(),
          saves: saved,
          readyBy: wantedBy(now, things),
        },
        after: [...new Set([...needs, ...group.after.flatMap((a) => (ids[a] ? [ids[a]] : []))])],
        name: `Carry ${some(things.size, 'thing', 'things')} to ${where}${hers !== null ? partOfUnit(then, own) : ''}${group.part ? `, part ${group.part.no} of ${group.part.of}` : ''}`,
        why: whyCarried(homeless, units.length, own.length),
      },
      group.seconds,
    );
    ids.push(id);
  }
}

/** Into how many places of its unit a job goes that its maker parted from the rest: “, 3 places”. */
function partOfUnit(then: Plan, own: readonly { to: string }[]): string {
  const to = [...new Set(own.map((p) => p.to))];
  return to.length === 1 ? `: ${then.places[to[0]!]?.name ?? 'a place'}` : `, ${to.length} places`;
}

/** The first day on which something is made with any of these things for a day of its own: a market, a class. */
function wantedBy(now: Plan, things: ReadonlySet<string>): string | null {
  const days = Object.values(now.projects).flatMap((p) => {
    if (p.forDay === null || p.activityId === null || p.state === 'done') return [];
    const uses = Object.values(now.uses).filter((u) => u.activityId === p.activityId);
    return uses.some((u) => things.has(u.supplyId)) ? [p.forDay] : [];
  });
  return days.sort()[0] ?? null;
}

/** What rests in a place of its own today, in the wanted plan with the rest of it, and is not carried besides. */
const restingNoMore = (now: Plan, then: Plan, pairs: readonly { supply: { id: string } }[]): string[] =>
  Object.values(now.homes)
    .filter((h) => h.share === 'resting' && homesOf(then, h.supplyId, 'resting').length === 0)
    .filter((h) => homesOf(then, h.supplyId, 'working').length > 0)
    .flatMap((h) => (pairs.some((p) => p.supply.id === h.supplyId) ? [] : [h.supplyId]));

function whyCarried(homeless: number, units: number, all: number): string {
  const words: string[] = [];
  if (homeless === all) words.push('They have no home yet.');
  else if (homeless > 0) words.push(`${homeless} of them ${homeless === 1 ? 'has' : 'have'} no home yet.`);
  if (units > 1) words.push('These wait for each other: what leaves one goes into the next.');
  return words.join(' ') || 'They lie nearer the hand that needs them there.';
}
