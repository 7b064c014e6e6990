import { wordsOf } from '../../things/kinds/index.ts';
import { mayBeSame, type Plan, type Supply } from '../../record/plan/index.ts';

/** Entries that seem to be of one thing: the same words in whatever order and number, and no size, colour or paper that tells them apart. */
export function duplicatesOf(plan: Pick<Plan, 'supplies'>): Supply[][] {
  const by = new Map<string, Supply[]>();
  for (const supply of Object.values(plan.supplies)) {
    const key = [...new Set(wordsOf(supply.name))].sort().join(' ') || supply.name.toLowerCase();
    by.set(key, [...(by.get(key) ?? []), supply]);
  }
  return [...by.values()].flatMap((same) => (same.length < 2 ? [] : groupsOf(same)));
}

function groupsOf(same: readonly Supply[]): Supply[][] {
  const groups: Supply[][] = [];
  for (const supply of same) {
    const group = groups.find((g) => g.every((other) => mayBeSame(supply, other)));
    if (group) group.push(supply);
    else groups.push([supply]);
  }
  // what is known best comes first: the others are put into it
  const known = (s: Supply) => [s.width, s.depth, s.height].filter((n) => n !== null).length - s.usual.length;
  return groups.filter((g) => g.length > 1).map((g) => g.sort((a, b) => known(b) - known(a) || (a.id < b.id ? -1 : 1)));
}
