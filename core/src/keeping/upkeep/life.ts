import { asOne, type Command, isLeaving, type Plan, type Supply } from '../../record/plan/index.ts';
import { dayAfter, daysBetween, lastUsed, timesUsed } from './log.ts';

/** Used so often, a new thing joins its family; unused for so many days it is asked about; unused for so many anything is (common practice, no source). */
export const MERGE_AFTER = 3;
export const ASK_AFTER = 60;
export const UNUSED_AFTER = 365;

export type Newcomer = { supply: Supply; used: number; days: number | null; ask: 'merge' | 'unused' | null };

/** New things, with how often they were used since they came and whether something is to be asked. */
export function newcomers(plan: Plan, day: string): Newcomer[] {
  return Object.values(plan.supplies)
    .filter((s) => s.isNew && !isLeaving(s))
    .map((supply) => {
      const used = timesUsed(plan, supply.id, supply.boughtOn);
      const days = supply.boughtOn === null ? null : daysBetween(supply.boughtOn, day);
      const ask = used >= MERGE_AFTER ? 'merge' : used === 0 && days !== null && days >= ASK_AFTER ? 'unused' : null;
      return { supply, used, days, ask };
    });
}

export type Kit = {
  name: string;
  supplies: Supply[];
  /** new together; in the second bin together; or some of it is neither and it may be dispersed */
  stage: 'new' | 'second' | 'dispersing';
};

/** Sets and kits that were bought as one and are still together. */
export function kitsTogether(plan: Pick<Plan, 'supplies'>): Kit[] {
  const kits = new Map<string, Supply[]>();
  for (const s of Object.values(plan.supplies)) if (s.kit !== '') kits.set(s.kit, [...(kits.get(s.kit) ?? []), s]);
  return [...kits]
    .map(([name, supplies]): Kit => {
      const stage = supplies.some((s) => s.isNew)
        ? 'new'
        : supplies.every((s) => s.life === 'second')
          ? 'second'
          : 'dispersing';
      return { name, supplies, stage };
    })
    .sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** The next step of a kit: out of what is new into the second bin, or from there into its families. Asked, never done by itself. */
export function nextOfKit(kit: Kit): { words: string; command: Command } {
  const set = (part: Partial<Omit<Supply, 'id'>>): Command[] =>
    kit.supplies.map((s) => ({ type: 'setSupply', id: s.id, set: part }));
  return kit.stage === 'new'
    ? {
        words: 'into the second bin, still together',
        command: asOne(`${kit.name} into the second bin`, set({ isNew: false, life: 'second' })),
      }
    : {
        words: 'into its families',
        command: asOne(`disperse ${kit.name}`, set({ isNew: false, life: 'current', kit: '' })),
      };
}

/** What is looked through once it lies unused: since when it does, as far as maker and log know. What has no day at all is not known and not in it. */
function lyingSince(plan: Plan): { supply: Supply; since: string }[] {
  return Object.values(plan.supplies).flatMap((supply) => {
    if (isLeaving(supply) || supply.decision === 'away' || supply.life === 'retired') return [];
    const since = lastUsed(plan, supply.id) ?? supply.boughtOn;
    return since === null ? [] : [{ supply, since }];
  });
}

/** What nobody used for twelve months, longest first. */
export function unusedForAYear(plan: Plan, day: string): { supply: Supply; since: string; days: number }[] {
  return lyingSince(plan)
    .map((lies) => ({ ...lies, days: daysBetween(lies.since, day) }))
    .filter(({ days }) => days >= UNUSED_AFTER)
    .sort((a, b) => b.days - a.days);
}

/** When what lies now will have lain for twelve months if nobody uses it: month by month, each with the first day on which something of it does. */
export function reviewsToCome(plan: Plan, day: string): { on: string; supplies: Supply[] }[] {
  const months = new Map<string, { on: string; supplies: Supply[] }>();
  for (const { supply, since } of lyingSince(plan)) {
    const on = dayAfter(since, UNUSED_AFTER);
    if (on <= day) continue;
    const known = months.get(on.slice(0, 7)) ?? { on, supplies: [] };
    if (on < known.on) known.on = on;
    known.supplies.push(supply);
    months.set(on.slice(0, 7), known);
  }
  return [...months.values()].sort((a, b) => (a.on < b.on ? -1 : 1));
}
