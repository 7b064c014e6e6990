import { type Plan } from '../../record/plan/index.ts';
import { liesOut, loadsIn, SURE, type Taken } from '../../living/sessions/index.ts';
import { type Leg } from './run.ts';
import { type Need, type Source } from './setting.ts';

/** How a leg handles one thing. */
export type Handled = {
  need: Need;
  /** how often the hand goes to it */
  reaches: number;
  /** it lies out from its first walk to the end */
  out: boolean;
  /** walks to its home: together with others at the beginning, or by itself so often */
  gathered: boolean;
  walks: number;
};

/** What a leg asks for, each thing with how it is handled: in a month of its season as its maker says, or as the steps of a recipe name it. */
export function handledIn({ setting, steps }: Leg): Handled[] {
  if (!steps)
    return setting.needs.map((need) => ({
      ...{ need, reaches: need.inSeason, ...(staysAll(need) ? brought(need, need.inSeason) : asUsual(need)) },
    }));
  const counts = new Map<Need, number>();
  for (const { items } of steps) for (const { need, count } of items) counts.set(need, (counts.get(need) ?? 0) + count);
  // what a session seldom wants lies out where this recipe surely does, while there is room
  let { spare } = setting;
  return [...counts].map(([need, reaches]): Handled => {
    const here = need.back === 'seldom' && need.area <= spare;
    if (reaches < SURE || !(here || liesOut(need) || staysAll(need)))
      return { need, reaches, out: false, gathered: false, walks: reaches };
    if (here) spare -= need.area;
    return { need, reaches, ...brought(need, reaches) };
  });
}

const asUsual = (need: Need) => ({ out: liesOut(need), gathered: need.gathered, walks: need.walks });

/** Brought in as few loads as it is, and then by the hand. */
function brought(need: Need, reaches: number) {
  const loads = need.loadsFor(need.consumed ? reaches : 1);
  return { out: true, gathered: loads === 1, walks: need.consumed ? Math.max(1, Math.min(reaches, loads)) : 1 };
}

/** What has no room on the table but is brought from outside the room stays in it until the session is done. */
const staysAll = ({ back, sources }: Need): boolean => back === 'no room' && sources.every((s) => s.band === 7);

/** Whether a thing is wanted in a month; a recipe is not asked for the season. */
export const isWanted = ({ need }: Handled, leg: Leg, month: number | null): boolean =>
  leg.steps !== null || need.months.length === 0 || month === null || need.months.includes(month);

/** One thing of a gathering walk, out of one of its homes. */
export type Gathering = Taken & { need: Need; source: Source; /** taken at once */ pieces: number };

/** The loads that are got together from each unit at the beginning, those of the nearest unit first; within a load the farthest in first. */
export function gatherings(handled: readonly Handled[]): Gathering[][] {
  const units = new Map<string, Gathering[]>();
  for (const { need, gathered, reaches } of handled) {
    if (!gathered) continue;
    const pieces = need.consumed ? Math.max(1, reaches) : 1;
    for (const source of need.sources) {
      // what has no home is dug out by itself
      if (!source.place || source.band === 0) continue;
      const key = source.out?.id ?? source.place.unitId;
      const { part, way } = source;
      const { consumed } = need;
      const [mass, volume] = [need.mass * pieces, need.volume * pieces];
      const one = { need, source, part, way: way.seconds, consumed, mass, volume, pieces };
      const list = units.get(key);
      if (list) list.push(one);
      else units.set(key, [one]);
    }
  }
  return [...units.values()]
    .map((taken) => loadsIn(taken))
    .sort((a, b) => a[0]![0]!.way - b[0]![0]!.way)
    .flat();
}

/** The loads in which what is not used up is brought back at the end. */
export const returns = (handled: readonly Handled[]): Gathering[][] =>
  gatherings(handled.filter((h) => !h.need.consumed));

/** How often a leg walks to each place of its needs, in the mean of its months: what is gathered from one unit shares one walk. */
export function walksIn(plan: Plan, leg: Leg): { handled: Handled; source: Source; times: number }[] {
  const { months } = leg.setting.activity;
  const all = handledIn(leg);
  const often = (h: Handled) =>
    months.length === 0 ? 1 : months.filter((m) => isWanted(h, leg, m)).length / months.length;
  const sharing = new Map<string, number>();
  const unitOf = (source: Source) => (source.place ? plan.places[source.place.id]?.unitId : undefined) ?? '';
  for (const { need, gathered } of all)
    if (gathered)
      for (const source of need.sources) sharing.set(unitOf(source), (sharing.get(unitOf(source)) ?? 0) + source.part);
  return all.flatMap((handled) =>
    handled.need.sources.map((source) => ({
      ...{ handled, source },
      times:
        often(handled) *
        (handled.gathered ? source.part / Math.max(1, sharing.get(unitOf(source))!) : handled.walks * source.part),
    })),
  );
}
