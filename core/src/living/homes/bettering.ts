import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Arrangement, type Option, type Step } from './arrangement.ts';
import { OTHERS } from './finding-again.ts';
import { type Translation } from './translation.ts';
import { weightOf } from './weights.ts';

/** A move that saves less is not worth a change, s a year (own choice). */
const WORTH = 20;
/** Options of a lot that are laid to see, those that save most first. */
const LAID = 40;
/** Of each lot so many options are asked what they change in looking, those first that save most without it, or cost least. */
const LOOKED = 14;
/** Of each sort of things in a place so many other places are asked. */
const ASKED = 10;
/** More of one name are not asked about together. */
const MOST_GATHERED = 12;
/**
 * So much is looked at in all, a question about looking counted with all things there are: about three seconds (measured on the build machine). Then what is left may
 * be a little better elsewhere.
 */
const MOST_WORK = 3_000_000;
/** All lots, and all places, are gone through so often. */
const PASSES = 3;

/**
 * Homes as they were found and laid, bettered by the engine’s own total and by what looking comes to, one lot at a time and one sort of things in one place at a
 * time, each change laid for real before it is taken: what laying and room to grow have pushed aside finds back.
 * @param room how much of each place may be used, in its measure
 * @param share of the work that is usual; `pause` is called between two questions and says when it is enough
 */
export async function bettering(
  plan: Plan,
  translation: Translation,
  found: Homes,
  room: (placeId: string) => number,
  { share, pause }: { share: number; pause: () => Promise<boolean> },
): Promise<{ lot: string; place: string }[]> {
  const over = async () => arrangement.work > share * MOST_WORK || (await pause());
  const arrangement = new Arrangement(plan, translation, found, room);
  const named = weightOf(plan, 'weighAgain') > 0;
  const optionsOf: OptionsOf = new Map(
    translation.lots.map(({ id, options }) => [id, new Map(options.map((o) => [o.place, o]))]),
  );
  for (let pass = 0; pass < PASSES; pass++) {
    let changed = false;
    for (const { id, options } of translation.lots) {
      if (await over()) break;
      if (betterOne(arrangement, id, options, named)) changed = true;
    }
    if (named && (await parting(arrangement, translation, optionsOf, over))) changed = true;
    if (named && (await gathering(arrangement, translation, optionsOf, over))) changed = true;
    if (!changed || (await over())) break;
  }
  return arrangement.homes;
}

/** One lot to where it is better by itself; whether it went. */
function betterOne(arrangement: Arrangement, id: string, options: readonly Option[], named: boolean): boolean {
  const now = arrangement.at.get(id);
  const most = named ? arrangement.looksFor(id) + OTHERS : 0;
  const asked = options
    .flatMap((to) => {
      if (to.place === now || !arrangement.allows(id, to.place)) return [];
      const change = arrangement.delta(id, to);
      return change < most - WORTH ? [{ to, change }] : [];
    })
    .sort(cheapest)
    .slice(0, named ? LOOKED : LAID);
  const better = named
    ? asked
        .map(({ to }) => ({ to, change: arrangement.deltaOf([{ lot: id, to }]) }))
        .filter(({ change }) => change < -WORTH)
        .sort(cheapest)
    : asked;
  return better.some(({ to }) => arrangement.take([{ lot: id, to }]));
}
const cheapest = (a: { to: Option; change: number }, b: { to: Option; change: number }): number =>
  a.change - b.change || (a.to.place < b.to.place ? -1 : 1);

type OptionsOf = ReadonlyMap<string, ReadonlyMap<string, Option>>;

/** All of a group to one place: the best of those that would take it, the cheapest first; whether it went. */
function together(arrangement: Arrangement, group: readonly string[], optionsOf: OptionsOf): boolean {
  const hoped = group.reduce((sum, lot) => sum + arrangement.looksFor(lot), 0) + 2 * OTHERS;
  const asked = [...optionsOf.get(group[0]!)!.keys()]
    .flatMap((place) => {
      const steps: Step[] = [];
      let cost = 0;
      for (const lot of group) {
        const to = optionsOf.get(lot)!.get(place);
        if (!to || (arrangement.at.get(lot) !== place && !arrangement.allows(lot, place))) return [];
        cost += to.cost;
        if (arrangement.at.get(lot) !== place) steps.push({ lot, to });
      }
      return steps.length > 0 ? [{ steps, cost }] : [];
    })
    .sort((a, b) => a.cost - b.cost)
    .slice(0, ASKED)
    .map(({ steps }) => ({ steps, change: arrangement.deltaOf(steps, hoped) }))
    .filter(({ change }) => change < -WORTH)
    .sort((a, b) => a.change - b.change);
  return asked.some(({ steps }) => arrangement.take(steps));
}

/** What goes by one name in a place that takes several, all of it to another place; whether anything went. */
async function parting(
  arrangement: Arrangement,
  { sorts, places }: Translation,
  optionsOf: OptionsOf,
  over: () => Promise<boolean>,
): Promise<boolean> {
  const staying = new Set(sorts.staying.map((s) => s.place));
  let changed = false;
  for (const place of places.keys()) {
    if (await over()) break;
    const inside = arrangement.lotsIn(place);
    const groups = new Map<string, string[]>();
    for (const lot of inside)
      for (const c of [...sorts.conceptsOf.get(lot)!, `alone ${lot}`]) {
        const group = groups.get(String(c));
        if (group) group.push(lot);
        else groups.set(String(c), [lot]);
      }
    for (const group of new Map([...groups.values()].map((g) => [g.join(), g])).values()) {
      if (group.length === inside.length && !staying.has(place)) continue;
      if (group.every((lot) => arrangement.at.get(lot) === place) && together(arrangement, group, optionsOf))
        changed = true;
    }
  }
  return changed;
}

/** What goes by one name and lies in several places, all of it to one; whether anything went. */
async function gathering(
  arrangement: Arrangement,
  { sorts, lots }: Translation,
  optionsOf: OptionsOf,
  over: () => Promise<boolean>,
): Promise<boolean> {
  let changed = false;
  const members: string[][] = sorts.concepts.map(() => []);
  for (const { id } of lots) for (const c of sorts.conceptsOf.get(id)!) members[c]!.push(id);
  for (const group of members) {
    if (await over()) break;
    const homed = group.filter((lot) => arrangement.at.has(lot));
    if (homed.length < 2 || homed.length > MOST_GATHERED) continue;
    const places = new Set(homed.map((lot) => arrangement.at.get(lot)!));
    if (places.size > 1 && together(arrangement, homed, optionsOf)) changed = true;
  }
  return changed;
}
