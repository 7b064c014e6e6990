import { type Out, type Plan, type Project, type ProjectState } from '@heronstone/core/plan';
import { packedWords } from '@heronstone/core/upkeep';

/** What a project, or a trip, may be. */
export const STATES: Record<Project['kind'], readonly (readonly [ProjectState, string])[]> = {
  project: [
    ['idea', 'an idea'],
    ['planned', 'planned'],
    ['going', 'going on'],
    ['resting', 'resting'],
    ['done', 'done'],
  ],
  trip: [
    ['planned', 'to be packed'],
    ['going', 'out with it'],
    ['done', 'back and checked'],
  ],
};

/** What it is now. */
export const stateWords = (p: Project) => STATES[p.kind].find(([s]) => s === p.state)?.[1] ?? p.state;

/** What of a trip that is out was not packed, to follow what it is. */
export const amissWords = (plan: Plan, p: Project) => {
  const packed = packedWords(plan, p.id);
  return packed && `; ${packed}`;
};

/** What is going on first. */
export const ORDER: readonly ProjectState[] = ['going', 'planned', 'resting', 'idea', 'done'];

/** What is out for a project, by name. */
export const outsOf = (plan: Plan, projectId: string) =>
  Object.values(plan.outs)
    .filter((o) => o.projectId === projectId)
    .sort((a, b) => byName.compare(nameOf(plan, a), nameOf(plan, b)) || (a.id < b.id ? -1 : 1));

const byName = new Intl.Collator('en', { sensitivity: 'base' });

const nameOf = (plan: Plan, out: Out) => plan.supplies[out.supplyId]?.name ?? '';

/** What a thing of its list is. */
export const WORDS: Record<Project['kind'], Record<Out['state'], string>> = {
  project: { wanted: 'wanted', out: 'out', back: 'back' },
  trip: { wanted: 'to pack', out: 'packed', back: 'back' },
};
