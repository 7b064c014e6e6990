import { type Place, type Plan } from '../../record/plan/index.ts';

/**
 * What a place is one of: the slots of an insert or a unit, the trays or lanes of a drawer, like jars on one shelf. Each of them has its own thing, and all of
 * them are looked at with one look: to what belongs together they are one place (common practice: "a row of inks").
 * @returns the same words for all places of a row, and its own id for a place that stands alone
 */
export function rowOf(plan: Plan, placeId: string): string {
  const place = plan.places[placeId];
  return place && isInRow(place) ? `${place.inId ?? place.unitId} ${place.kind} ${place.organiserId ?? ''}` : placeId;
}

const isInRow = ({ kind, inId, organiserId }: Place): boolean =>
  kind === 'slot' ||
  (inId !== null && (kind === 'tray' || kind === 'lane' || (kind === 'container' && organiserId !== null)));

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
