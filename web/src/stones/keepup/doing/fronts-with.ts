import { type Plan, type Unit } from '@heronstone/core/plan';
import { type Mark } from '../../homes/front-cards.ts';

/** The units in which most of some places are, with these and what they stand in marked. @param most so many units */
export function frontsWith(
  plan: Plan,
  placeIds: readonly string[],
  mark: Mark,
  most: number,
): { unit: Unit; marks: Map<string, Mark> }[] {
  const units = new Map<string, { unit: Unit; marks: Map<string, Mark>; places: number }>();
  for (const id of placeIds) {
    const place = plan.places[id];
    const unit = place && plan.units[place.unitId];
    if (!unit || unit.mount === 'away') continue;
    const row = units.get(unit.id) ?? { unit, marks: new Map<string, Mark>(), places: 0 };
    units.set(unit.id, row);
    row.places++;
    for (let p: typeof place | undefined = place; p; p = p.inId === null ? undefined : plan.places[p.inId])
      row.marks.set(p.id, mark);
  }
  return [...units.values()]
    .sort((a, b) => b.places - a.places || (a.unit.name < b.unit.name ? -1 : 1))
    .slice(0, most)
    .map(({ unit, marks }) => ({ unit, marks }));
}
