import { type Out, type Plan, type Project } from '@heronstone/core/plan';
import { type Jotting } from '../../../state/jot.ts';

/** What the log says of things taken out for a project; a second one of something is not taken from where it lives. */
export const takenFor = (project: Project, outs: readonly Out[]): Jotting[] =>
  outs
    .filter((o) => !o.double)
    .map((o) => ({
      what: 'fetched',
      supplyId: o.supplyId,
      activityId: project.activityId,
      count: o.count,
      words: project.name,
    }));

/** What the log says of one that came back: to where it lives. */
export function backFrom(plan: Plan, out: Out): Jotting[] {
  if (out.double) return [];
  const home = Object.values(plan.homes).find((h) => h.supplyId === out.supplyId && h.share === 'working');
  return [{ what: 'putBack', supplyId: out.supplyId, placeId: home?.placeId ?? null, count: out.count }];
}
