import { type Command, newId, type Plan, type Supply, type Use } from '../../record/plan/index.ts';
import { kindOf } from '../../things/kinds/index.ts';

/**
 * How many things of a family are fetched in a session where nobody says: of one one, of nine three, of forty six. Its square root (own assumption):
 * whoever has forty colours of card makes no card of forty colours.
 */
export const ofFamily = (things: number): number => Math.max(1, Math.round(Math.sqrt(things)));

/** Fetches a session that a thing usually has where it is used at all, from its kind. */
export const usualFetches = (supply: Pick<Supply, 'kind'>): number => kindOf(supply.kind)?.fetches ?? 1;

/** Fetches a session are kept to so much: of a hundred things one is still one. */
const STEP = 0.001;

/**
 * Fetches a session of each of so many things of a family of which `wanted` are fetched: any of them is as likely as another.
 * @param usual fetches a session of one that is wanted
 */
export const fetchesOfEach = (usual: number, things: number, wanted = ofFamily(things)): number =>
  Math.max(STEP, Number(((usual * Math.min(wanted, things)) / things).toFixed(3)));

/** What may be fetched of a family for an activity. */
export type FamilyUses = {
  /** as it is written; empty: the things without one */
  family: string;
  things: { supply: Supply; use: Use | null }[];
  /** how many of them are used at all */
  used: number;
  /** how many of these are got out in a session */
  wanted: number;
};

/** The families of a plan by name with what an activity fetches of each; the things without a family last. */
export function familyUses(plan: Pick<Plan, 'supplies' | 'uses'>, activityId: string): FamilyUses[] {
  const uses = new Map(
    Object.values(plan.uses).flatMap((u) => (u.activityId === activityId ? [[u.supplyId, u] as const] : [])),
  );
  const families = new Map<string, FamilyUses['things']>();
  for (const supply of Object.values(plan.supplies).sort((a, b) => a.name.localeCompare(b.name)))
    families.set(supply.family, [...(families.get(supply.family) ?? []), { supply, use: uses.get(supply.id) ?? null }]);
  return [...families]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b))
    .map(([family, things]) => {
      const used = things.filter((t) => t.use !== null);
      const wanted = used.reduce((sum, { supply, use }) => sum + Math.min(1, use!.fetches / usualFetches(supply)), 0);
      return { family, things, used: used.length, wanted: Math.round(wanted * 10) / 10 };
    });
}

/** How many of a family are got out where nobody says; what has no family has nothing to do with each other, and each counts. */
export const usuallyWanted = ({ family, things }: FamilyUses): number =>
  family === '' ? things.length : ofFamily(things.length);

/** Commands by which a family is used, so many of it a session, or not at all (`wanted` 0); those already used or all of it. */
export function familyCommands(activityId: string, of: FamilyUses, wanted: number): Command[] {
  if (wanted === 0) return of.things.flatMap(({ use }) => (use ? [{ type: 'removeUse', id: use.id }] : []));
  const things = of.used > 0 ? of.things.filter((t) => t.use !== null) : of.things;
  return things.map(({ supply, use }): Command => {
    const fetches = fetchesOfEach(usualFetches(supply), things.length, wanted);
    return use
      ? { type: 'setUse', id: use.id, set: { fetches } }
      : { type: 'addUse', use: { id: newId('use'), activityId, supplyId: supply.id, fetches, usedUp: 0 } };
  });
}

/** More things than one in so many minutes are asked about: a hand that gets something out every other minute makes nothing (own assumption). */
const MINUTES_A_THING = 2;

/** How many things a session gets out by its uses, how often a hand goes to them, and whether a sensible person would ask if that is so. */
export function fetchesOfSession(
  plan: Pick<Plan, 'uses' | 'activities'>,
  activityId: string,
): { things: number; fetches: number; minutes: number; many: boolean } {
  const uses = Object.values(plan.uses).filter((u) => u.activityId === activityId);
  const sum = (of: (u: Use) => number) => uses.reduce((n, u) => n + of(u), 0);
  // what is fetched twice in three sessions is got out in two of three
  const things = sum((u) => Math.min(1, u.fetches));
  const minutes = plan.activities[activityId]?.minutes ?? 0;
  return {
    things: Math.round(things),
    fetches: Math.round(sum((u) => u.fetches)),
    minutes,
    many: things * MINUTES_A_THING > minutes,
  };
}
