import { crossingTo, type Crossing } from '../../living/moves/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { ALLOWANCE, LONGEST_CARRY } from './minutes.ts';

/** Things carried in one go: numbers in the crossing’s pairs, in the order in which they go; groups that come before it; s. */
export type Group = { pairs: number[]; after: number[]; seconds: number; part: { of: number; no: number } | null };

/** A room furnished as it will be, with things where they live today as far as those places are still there. */
export function furnishedAs(now: Plan, then: Plan): Plan {
  const supplies = Object.fromEntries(
    Object.entries(now.supplies).map(([id, s]) => [id, { ...s, storage: then.supplies[id]?.storage ?? s.storage }]),
  );
  const homes = Object.fromEntries(Object.entries(now.homes).filter(([, h]) => then.places[h.placeId]));
  return { ...then, supplies, homes, moves: {} };
}

/** The whole way from today’s homes to those of another plan of the room. */
export function wholeCrossing(now: Plan, then: Plan): Crossing {
  const wanted = { ...then, supplies: { ...then.supplies, ...furnishedAs(now, then).supplies } };
  return crossingTo(furnishedAs(now, then), wanted, (n) => `m${n}`);
}

/**
 * What is carried, a unit at a time: all that goes into one unit is one group, unless units wait for each other, then these are one. One that would take
 * too long is made several, one after the other, cut where the tray is empty.
 * @param groupOf what a place’s things are carried with: its unit, or a job its maker made; @param isWhole whether a group is as long as she wants it
 */
export function carryGroups(
  crossing: Crossing,
  groupOf: (placeId: string) => string,
  isWhole: (group: string) => boolean,
): Group[] {
  const { pairs, steps, waits, moves } = crossing;
  const units = [...new Set(pairs.map((p) => groupOf(p.to)))];
  const at = pairs.map((p) => units.indexOf(groupOf(p.to)));
  const before = units.map(() => new Set<number>());
  for (const [leaves, comes] of waits) if (at[leaves] !== at[comes]) before[at[comes]!]!.add(at[leaves]!);
  const rings = ringsIn(before);
  const whole = rings.map((r, i) => isWhole(units[i]!) && rings.every((o, j) => o !== r || j === i));
  const groups: Group[] = [];
  const partsOf = new Map<number, number[]>();
  const inTray = new Map<number, Set<number>>();
  for (const [k, pair] of steps.entries()) {
    const ring = rings[at[pair]!]!;
    const parts = partsOf.get(ring) ?? [];
    partsOf.set(ring, parts);
    const tray = inTray.get(ring) ?? new Set<number>();
    inTray.set(ring, tray);
    const { seconds, toId } = moves[k]!;
    let group = groups[parts.at(-1) ?? -1];
    if (
      !group ||
      (!whole[at[pair]!] && tray.size === 0 && ((group.seconds + seconds) * ALLOWANCE) / 60 > LONGEST_CARRY)
    ) {
      group = { pairs: [], after: parts.slice(-1), seconds: 0, part: null };
      parts.push(groups.push(group) - 1);
    }
    group.seconds += seconds;
    if (toId === null) tray.add(pair);
    else {
      tray.delete(pair);
      group.pairs.push(pair);
    }
  }
  for (const [ring, parts] of partsOf) {
    if (parts.length > 1) parts.forEach((g, no) => (groups[g]!.part = { no: no + 1, of: parts.length }));
    for (const [unit, own] of rings.entries())
      for (const b of own === ring ? before[unit]! : []) {
        const last = rings[b] === ring ? undefined : partsOf.get(rings[b]!)?.at(-1);
        if (last !== undefined) groups[parts[0]!]!.after.push(last);
      }
  }
  return groups;
}

/** Which of some things wait for each other in a ring: the same number for all of one (Tarjan 1972, from memory). */
function ringsIn(before: readonly ReadonlySet<number>[]): number[] {
  const ring = before.map(() => -1);
  const seen = before.map(() => -1);
  const low = before.map(() => 0);
  const stack: number[] = [];
  let count = 0;
  const visit = (v: number): void => {
    seen[v] = low[v] = count++;
    stack.push(v);
    for (const w of before[v]!) {
      if (seen[w]! < 0) visit(w);
      if (ring[w]! < 0) low[v] = Math.min(low[v]!, low[w]!);
    }
    if (low[v] !== seen[v]) return;
    for (let w = stack.pop()!; ; w = stack.pop()!) {
      ring[w] = v;
      if (w === v) break;
    }
  };
  for (let v = 0; v < before.length; v++) if (seen[v]! < 0) visit(v);
  return ring;
}
