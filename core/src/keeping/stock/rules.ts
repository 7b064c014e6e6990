import { type Command, type CommandOf, type Plan, type Supply } from '../../record/plan/index.ts';

/** How many of a supply are at hand: a number of packs, a number of pieces, or everything. */
export type AtHand = { packs: number } | { pieces: number } | 'all';

/** Working stock and reserve of a supply after a rule; the sum stays. Null where nothing changes. */
export function splitBy(supply: Supply, rule: AtHand): Pick<Supply, 'working' | 'backstock'> | null {
  const total = supply.working + supply.backstock;
  const wanted = rule === 'all' ? total : 'packs' in rule ? rule.packs * supply.packOf : rule.pieces;
  // something is always at hand while there is anything
  const working = Math.min(total, Math.max(total > 0 ? 1 : 0, Math.round(wanted)));
  return working === supply.working ? null : { working, backstock: total - working };
}

/**
 * One rule for many: “one pack at hand, the rest in reserve”. Counts that were guesses stay guesses.
 * @returns one change that undo takes back; null when nothing changes
 */
export function splitCommand(supplies: readonly Supply[], rule: AtHand): CommandOf<'several'> | null {
  const commands = supplies.flatMap((supply): CommandOf<'several'>['commands'] => {
    const set = splitBy(supply, rule);
    return set ? [{ type: 'setSupply', id: supply.id, set: { ...set, ...stillGuessed(supply) } }] : [];
  });
  return commands.length === 0
    ? null
    : { type: 'several', words: `split ${commands.length} into at hand and reserve`, commands };
}

const stillGuessed = ({ usual, unsure }: Supply) => ({ usual: [...usual], unsure: [...unsure] });

/** Sets the same for many at once; what was guessed stays so but for what is set. */
export function setMany(ids: readonly string[], set: Partial<Omit<Supply, 'id'>>, words: string): Command | null {
  if (ids.length === 0) return null;
  const commands = ids.map((id) => ({ type: 'setSupply' as const, id, set }));
  return commands.length === 1 ? commands[0]! : { type: 'several', words: words.slice(0, 120), commands };
}

/** Supplies whose reserve has fallen below its level, or that have none at hand any more. */
export function toReorder(plan: Pick<Plan, 'supplies'>): Supply[] {
  return Object.values(plan.supplies).filter((s) => s.reorderAt !== null && s.backstock < s.reorderAt);
}
