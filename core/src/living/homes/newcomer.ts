import { type Plan, type Supply, type Use, usesOf } from '../../record/plan/index.ts';

/** What a new thing's fetches were taken from, where nothing says yet who uses it. */
export type AsItsKin = { plan: Plan; kin: 'own' | 'kind' | 'family' | 'none' };

/**
 * The plan with fetches for a thing that no activity names yet: as those of its kind are fetched on average, else those of its family. They are a
 * guess to find it a home by, not kept.
 */
export function asItsKin(plan: Plan, supply: Supply): AsItsKin {
  if (usesOf(plan, supply.id).length > 0) return { plan, kin: 'own' };
  const used = Object.values(plan.supplies).filter((s) => s.id !== supply.id && usesOf(plan, s.id).length > 0);
  for (const kin of ['kind', 'family'] as const) {
    const like = supply[kin] === '' ? [] : used.filter((s) => s[kin] === supply[kin]);
    if (like.length === 0) continue;
    const uses = new Map<string, Use>();
    for (const other of like)
      for (const use of usesOf(plan, other.id)) {
        const known = uses.get(use.activityId) ?? {
          id: `as-its-kin ${use.activityId}`,
          activityId: use.activityId,
          supplyId: supply.id,
          fetches: 0,
          usedUp: 0,
        };
        known.fetches += use.fetches / like.length;
        known.usedUp += use.usedUp / like.length;
        uses.set(use.activityId, known);
      }
    return {
      plan: { ...plan, uses: { ...plan.uses, ...Object.fromEntries([...uses.values()].map((u) => [u.id, u])) } },
      kin,
    };
  }
  return { plan, kin: 'none' };
}
