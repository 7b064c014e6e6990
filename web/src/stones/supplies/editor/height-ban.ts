import { type Ban, type Command, newId, type Plan } from '@heronstone/core/plan';

export type Heights = Pick<Ban, 'above' | 'below'>;

/** The heights a thing never lives at, whatever the unit. */
export const heightBan = (plan: Plan, supplyId: string): Ban | undefined =>
  Object.values(plan.bans).find((b) => b.supplyId === supplyId && b.unitId === null);

/** What one of these heights becomes: written down, changed, or gone when neither is left; null: nothing to do. */
export function withHeight(plan: Plan, supplyId: string, part: Partial<Heights>): Command | null {
  const there = heightBan(plan, supplyId);
  const next: Heights = { above: there?.above ?? null, below: there?.below ?? null, ...part };
  const none = next.above === null && next.below === null;
  if (there) return none ? { type: 'removeBan', id: there.id } : { type: 'setBan', id: there.id, set: part };
  return none ? null : { type: 'addBan', ban: { id: newId('ban'), supplyId, unitId: null, ...next } };
}
