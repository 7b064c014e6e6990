import { drawInside, drawUnit, inReadingOrder, worthLookingInto } from '../drawings/index.ts';
import { nameOfPlace } from '../../living/concepts/index.ts';
import {
  homesIn,
  leavesOf,
  type Place,
  placesIn,
  type Plan,
  placeTitle,
  placeWithAllIn,
  shareWord,
  type Unit,
} from '../../record/plan/index.ts';
import { type Column, type Cut, LEAST_CUT, type Pages, type Picture } from './pages.ts';

/** A place with what lies in it itself, not in what stands in it; deeper ones are set in. */
export type MapLine = { place: Place; depth: number; title: string; name: string; things: string[] };

/** What lies in a place, “Ripstop, blue (reserve)”: its reserve and what rests there told as such, alike things once. */
export function thingsIn(plan: Plan, placeId: string): string[] {
  const said = homesIn(plan, placeId).flatMap((h) => {
    const supply = plan.supplies[h.supplyId];
    const share = shareWord(h.share);
    return supply ? [share === '' ? supply.name : `${supply.name} (${share})`] : [];
  });
  return [...new Set(said)];
}

/** Every place of some compartments, and of what stands in them, in the order in which one reads: empty ones of no name only at the outside. */
export function mapLines(plan: Plan, compartments: readonly Place[]): MapLine[] {
  const lines = (place: Place, depth: number): MapLine[] => {
    const things = thingsIn(plan, place.id);
    const name = nameOfPlace(plan, place.id)?.words ?? '';
    const inner = placesIn(plan, place.id).flatMap((p) => lines(p, depth + 1));
    if (depth > 0 && things.length === 0 && inner.length === 0) return [];
    return [{ place, depth, title: place.name, name, things }, ...inner];
  };
  return compartments.flatMap((p) => lines(p, 0));
}

const COLUMNS: Column[] = [{ share: 0.2, soft: true }, { share: 0.3, weight: 'bold' }, { share: 0.5 }];

/** Says in words what lies where, a place a line. */
export function sayLines(pages: Pages, lines: readonly MapLine[], size = 9): void {
  for (const [i, { depth, title, name, things }] of lines.entries()) {
    const holds = (lines[i + 1]?.depth ?? 0) > depth;
    const said = things.length === 0 && !holds ? 'empty' : things.join(', ');
    pages.row(COLUMNS, [`${'· '.repeat(depth)}${title}`, name, said], { size, rule: true });
  }
}

/** So much of a page a front takes at most. */
const FRONT_SHARE = 0.66;

/**
 * The map of a unit: its front to scale, what lies in each place in words, and drawers and boxes as one looks into them.
 * @param said under its name
 */
export async function unitMap(pages: Pages, plan: Plan, unit: Unit, heading: 1 | 2, said = ''): Promise<void> {
  pages.heading(unit.name, heading);
  if (said !== '') pages.text(said, { size: 9, soft: true });
  pages.drawing(drawUnit(plan, unit), pages.fullHeight * FRONT_SHARE, 'from the front');
  pages.space(4);
  const compartments = inReadingOrder(plan, unit);
  sayLines(pages, mapLines(plan, compartments));
  const open = compartments.flatMap((p) => placeWithAllIn(plan, p)).filter((p) => worthLookingInto(plan, p));
  const insides = open.map((p) => ({ ...drawInside(plan, p), title: titleIn(plan, unit, p) }));
  if (insides.length > 0) {
    pages.space(6);
    pages.drawings(insides, insides.length > 2 && pages.width > TWO_WIDE ? 2 : 1, pages.fullHeight * 0.4);
  }
  await pages.pictures(
    picturesIn(plan, compartments, (p) => titleIn(plan, unit, p)),
    pages.width > TWO_WIDE ? 3 : 2,
    PICTURE_HIGH,
  );
}

/** Narrower pages have one drawing and two pictures beside each other, points. */
const TWO_WIDE = 300;
const PICTURE_HIGH = 110;

/** The pictures of some places and of what stands and lives in them: each once, places before things. */
function picturesIn(plan: Plan, places: readonly Place[], titled: (place: Place) => string): Picture[] {
  const all = places.flatMap((p) => placeWithAllIn(plan, p));
  const things = new Set(all.flatMap((p) => homesIn(plan, p.id).map((h) => h.supplyId)));
  const shown = new Map<string, Picture>();
  const add = (photo: string | null, words: string) => {
    if (photo !== null && !shown.has(photo)) shown.set(photo, { photo, words });
  };
  for (const p of all) add(p.photo, titled(p));
  for (const id of things) add(plan.supplies[id]?.photo ?? null, plan.supplies[id]?.name ?? '');
  return [...shown.values()];
}

/** So much of a door’s inside, from its edges, is left free for hinges and catches, mm (own choice). */
const DOOR_EDGE = 20;

/** The inside of the door before a unit, or before one of its places, as far as a map may cover it, mm; null where there is none. */
export function doorOf(plan: Plan, unit: Unit, place?: Place): Cut | null {
  const before = leavesOf(plan, unit).find((l) => (place ? l.places.some((p) => p.id === place.id) : l.whole));
  if (!before) return null;
  const [width, height] = [before.width - 2 * DOOR_EDGE, before.height - 2 * DOOR_EDGE];
  return Math.min(width, height) < LEAST_CUT ? null : { width, height };
}

/** A place’s title without the name of the unit it is in; its own name where that is all there is. */
const titleIn = (plan: Plan, unit: Unit, place: Place): string =>
  placeTitle(plan, place).slice(unit.name.length + 3) || place.name;

/** The map of one place: as one looks into it, and what lies there in words. */
export async function placeMap(pages: Pages, plan: Plan, place: Place, said = ''): Promise<void> {
  const name = nameOfPlace(plan, place.id)?.words;
  pages.heading(name ?? placeTitle(plan, place), 1);
  if (name !== undefined) pages.text(placeTitle(plan, place), { soft: true });
  if (said !== '') pages.text(said, { size: 9, soft: true });
  pages.drawing(
    drawInside(plan, place),
    pages.fullHeight * 0.62,
    place.kind === 'board' ? 'from the front' : 'from above, front below',
  );
  pages.space(6);
  sayLines(pages, mapLines(plan, [place]), 10.5);
  await pages.pictures(
    picturesIn(plan, [place], (p) => p.name),
    pages.width > TWO_WIDE ? 3 : 2,
    PICTURE_HIGH,
  );
}
