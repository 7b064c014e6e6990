import { type Plan } from '../../record/plan/index.ts';

/** Passage wanted, mm: common practice; 915 for a wheelchair (2010 ADA Standards 403.5.1, memory). */
export const PASSAGE = 760;

export const PASSAGE_WHEELCHAIR = 915;

/** A body squeezes through no less, mm (twice half a body, docs/computation.md 4.1). */
export const BODY = 460;

/** Near the place one goes to, one stands close to things on purpose, mm. */
export const NEAR = 750;

export const passageWanted = (plan: Plan): number =>
  Object.values(plan.people).some((p) => p.mobility === 'wheelchair') ? PASSAGE_WHEELCHAIR : PASSAGE;
