import { type Place, type Plan } from '../../record/plan/index.ts';

/** A drawer is a small one when its face is no larger, mm: of a block of many, each for one sort of small things (own assumption). */
const SMALL_FACE = { width: 200, height: 120 } as const;

/** Whether a place is a small drawer, one of a block of them. */
export const isSmallDrawer = ({
  kind,
  inId,
  width,
  height,
}: Pick<Place, 'kind' | 'inId' | 'width' | 'height'>): boolean =>
  kind === 'drawer' && inId === null && width <= SMALL_FACE.width && height <= SMALL_FACE.height;

/**
 * What a place is one of: the slots of an insert or a unit, the trays or lanes of a drawer, like jars on one shelf, the drawers of a block of small ones. Each of them has its own thing, and all of
 * them are looked at with one look: to what belongs together they are one place (common practice: "a row of inks").
 * @returns the same words for all places of a row, and its own id for a place that stands alone
 */
export function rowOf(plan: Plan, placeId: string): string {
  const place = plan.places[placeId];
  return place && isInRow(place) ? `${place.inId ?? place.unitId} ${place.kind} ${place.organiserId ?? ''}` : placeId;
}

const isInRow = (place: Place): boolean => {
  const { kind, inId, organiserId } = place;
  if (kind === 'slot' || isSmallDrawer(place)) return true;
  return inId !== null && (kind === 'tray' || kind === 'lane' || (kind === 'container' && organiserId !== null));
};

/** Places that are rows of several, ids. */
export function rowsAmong(plan: Plan, placeIds: Iterable<string>): string[][] {
  const rows = new Map<string, string[]>();
  for (const id of placeIds) {
    const row = rowOf(plan, id);
    const known = rows.get(row);
    if (known) known.push(id);
    else rows.set(row, [id]);
  }
  return [...rows.values()].filter((row) => row.length > 1);
}

/** From the top, from the left: by where their holders are, then by where they are in them. */
export function inReading(plan: Plan, a: Place, b: Place): number {
  if (a.inId !== b.inId && a.inId !== null && b.inId !== null)
    return inReading(plan, plan.places[a.inId]!, plan.places[b.inId]!);
  return b.bottom - a.bottom || a.row - b.row || a.column - b.column || a.left - b.left || (a.id < b.id ? -1 : 1);
}
