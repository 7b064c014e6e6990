import { type Command, homesIn, type Place, type Plan, type Share, type Supply } from '../../record/plan/index.ts';
import { keptOut } from './barred.ts';
import { costOfHome } from './cost.ts';
import { placeFilling } from './filling.ts';
import { crowdIn, type Crowding, crowdingOf } from './heaps.ts';
import { refitAround } from './refit.ts';

/** Less than this share of its room is used: it counts as empty beside a heap (computation 22). */
const HALF = 0.5;

/** A place beside a heap that is more than half empty, and why nothing of the heap lies in it. */
export type EmptyBeside = {
  place: Place;
  /** what would gain most there, or cost least, and what that changes in all, s a year; null: nothing of the heap can go there */
  best: { supply: Supply; share: Share; change: number; command: Command } | null;
  /** why nothing can go there, where all is pinned or somebody cannot get at it, in words; empty: it finds no room, or must be apart from what is there */
  reason: string;
};

/** A place in which more kinds lie than are told apart, with the emptier places of its unit. */
export type HeapBeside = { place: Place; kinds: number; lies: Crowding['lies']; beside: EmptyBeside[] };

/**
 * Every heap of four kinds and more, and every drawer with more kinds side by side than keep their spots, that has a place more than half empty beside it in its unit, with the reason: what the cheapest of it would cost there, or why
 * nothing of it may lie there.
 * @param since ISO date of the homes that are tried
 */
export function heapsBeside(plan: Plan, since: string): HeapBeside[] {
  const all = Object.values(plan.places);
  return all.flatMap((place) => {
    const crowding = crowdingOf(place);
    const kinds = crowdIn(plan, place).size;
    if (crowding === null || kinds <= crowding.kinds) return [];
    const beside = all
      .filter((other) => other.unitId === place.unitId && other.id !== place.id && isHalfEmpty(plan, other))
      .map((other) => whyEmpty(plan, place, other, since));
    return beside.length > 0 ? [{ place, kinds, lies: crowding.lies, beside }] : [];
  });
}

function isHalfEmpty(plan: Plan, place: Place): boolean {
  if (place.kind === 'top' || keptOut(plan, place) !== '') return false;
  const { used, capacity } = placeFilling(plan, place);
  return capacity > 0 && used < HALF * capacity;
}

function whyEmpty(plan: Plan, heap: Place, place: Place, since: string): EmptyBeside {
  let best: EmptyBeside['best'] = null;
  let reason = '';
  const movable = homesIn(plan, heap.id).filter((h) => !h.pinned);
  if (movable.length === 0) return { place, best, reason: 'All of it is pinned.' };
  for (const { supplyId, share } of movable) {
    const supply = plan.supplies[supplyId]!;
    const refit = refitAround(plan, supply, share, place.id, since, 0);
    if (!refit) reason ||= costOfHome(plan, supply, share, place.id)?.reason ?? '';
    else if (best === null || refit.change < best.change)
      best = { supply, share, change: refit.change, command: refit.command };
  }
  return { place, best, reason };
}
