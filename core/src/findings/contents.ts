import { goesIn } from '../fit/index.ts';
import { childAt, type ChildReach, placeFilling } from '../homes/index.ts';
import { homesIn, placeTitle } from '../plan/index.ts';
import { sceneOf } from '../reach/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** Over-full places, organisers that do not go in, harmful things within a child’s reach. */
export function contents(look: Look): Found[] {
  return [...overFull(look), ...organisers(look), ...children(look)];
}

function overFull({ plan }: Look): Found[] {
  return Object.values(plan.places).flatMap((place) => {
    // what a place weighs is said by its own check
    const faults = placeFilling(plan, place).faults.filter((f) => !/over its load/.test(f));
    if (faults.length === 0) return [];
    const more = faults.length > 1 ? `; and ${faults.length - 1} more` : '';
    return [
      found('full', [place.id], `${placeTitle(plan, place)}: ${faults[0]}${more}.`, {
        unitIds: [place.unitId],
        placeIds: [place.id],
      }),
    ];
  });
}

function organisers({ plan }: Look): Found[] {
  return Object.values(plan.organiserSets).flatMap((set) => {
    const organiser = plan.organisers[set.organiserId];
    const place = plan.places[set.placeId];
    if (!organiser || !place) return [];
    const fit = goesIn(place, organiser);
    if (fit.ok && fit.fits >= set.count) return [];
    const why = fit.ok ? `only ${fit.fits} of ${set.count} go in (${fit.words})` : fit.words;
    return [
      found('organiser', [set.id], `${organiser.name} in ${placeTitle(plan, place)}: ${why}.`, {
        unitIds: [place.unitId],
        placeIds: [place.id],
      }),
    ];
  });
}

function children({ plan, len }: Look): Found[] {
  type Seen = { names: Set<string>; placeIds: string[]; low: number; child: ChildReach };
  const byUnit = new Map<string, Seen>();
  for (const [id, spot] of sceneOf(plan).spots) {
    for (const { supplyId } of homesIn(plan, id)) {
      const supply = plan.supplies[supplyId];
      const child = supply && childAt(plan, supply, spot);
      if (!child) continue;
      const seen: Seen = byUnit.get(spot.unit.id) ?? { names: new Set(), placeIds: [], low: Infinity, child };
      seen.names.add(supply.name);
      if (!seen.placeIds.includes(id)) seen.placeIds.push(id);
      seen.low = Math.min(seen.low, spot.grip.z);
      if (child.top > seen.child.top) seen.child = child;
      byUnit.set(spot.unit.id, seen);
    }
  }
  return [...byUnit].map(([id, { names, placeIds, low, child }]) => {
    const list = [...names];
    const more = list.length > 3 ? ` and ${list.length - 3} more` : '';
    return found(
      'child',
      [id],
      `${list.slice(0, 3).join(', ')}${more} in ${plan.units[id]!.name}, from ${len(low)} up: ${child.person.name} reaches ${len(child.top)}, and it is not locked.`,
      { unitIds: [id], placeIds },
    );
  });
}
