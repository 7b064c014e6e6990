import { placeSaid } from '../../living/concepts/index.ts';
import { childAt, type ChildReach, placeFilling } from '../../living/homes/index.ts';
import {
  amountOf,
  homesIn,
  homesOf,
  SHARES,
  withoutHome,
  outerOf,
  type Place,
  placesIn,
  placeTitle,
  type Plan,
} from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** Over-full places, organisers that do not go in, harmful things within a child’s reach. */
export function contents(look: Look): Found[] {
  return [...overFull(look), ...organisers(look), ...overCounted(look), ...children(look)];
}

function overFull({ plan }: Look): Found[] {
  return Object.values(plan.places).flatMap((place) => {
    // what a place weighs is said by its own check
    const faults = placeFilling(plan, place).faults.filter((f) => !/over its load/.test(f));
    if (faults.length === 0) return [];
    const more = faults.length > 1 ? `; and ${faults.length - 1} more` : '';
    return [
      found('full', [place.id], `${placeSaid(plan, place)}: ${faults[0]}${more}.`, {
        unitIds: [place.unitId],
        placeIds: [place.id],
      }),
    ];
  });
}

/** More pieces of a share said to be in places than there are: its count was made less afterwards. */
function overCounted({ plan }: Look): Found[] {
  return Object.values(plan.supplies).flatMap((supply) =>
    SHARES.flatMap((share) => {
      const over = -withoutHome(plan, supply, share);
      if (over <= 0) return [];
      const placeIds = homesOf(plan, supply.id, share).map((h) => h.placeId);
      return [
        found(
          'counts',
          [supply.id, share],
          `${supply.name}: ${amountOf(supply, share) + over} are said to be in places, and there are ${amountOf(supply, share)}.`,
          {
            unitIds: [...new Set(placeIds.flatMap((id) => plan.places[id]?.unitId ?? []))],
            placeIds,
          },
        ),
      ];
    }),
  );
}

/** A lid that cannot open where its container stands; what is too big for its place is said by the place. */
function organisers({ plan }: Look): Found[] {
  return Object.values(plan.places).flatMap((place) => {
    const organiser = place.organiserId === null ? undefined : plan.organisers[place.organiserId];
    const holder = place.inId === null ? undefined : plan.places[place.inId];
    if (!organiser?.lid || !holder) return [];
    const rise = holder.covers.includes('drawer') || holder.opens === 'top' ? 0 : organiser.lidRise;
    const short = place.bottom + organiser.height + rise - holder.height;
    const stacked = placesIn(plan, holder.id).some((p) => p.id !== place.id && standsOn(plan, p, place));
    if (rise === 0 || (short <= 0.5 && !stacked)) return [];
    const why = stacked ? 'another one stands on its lid' : `its lid needs ${Math.ceil(short)} mm more to open`;
    return [
      found('organiser', [place.id], `${placeTitle(plan, place)}: ${why}.`, {
        unitIds: [place.unitId],
        placeIds: [place.id],
      }),
    ];
  });
}

/** Whether one container stands on another. */
function standsOn(plan: Plan, upper: Place, lower: Place): boolean {
  const [a, b] = [outerOf(plan, upper), outerOf(plan, lower)];
  return (
    upper.bottom >= lower.bottom + b.height - 1 &&
    upper.left < lower.left + b.width - 1 &&
    lower.left < upper.left + a.width - 1 &&
    upper.front < lower.front + b.depth - 1 &&
    lower.front < upper.front + a.depth - 1
  );
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
      // she gets in at its lowest edge: that is what is checked, so that is what is said
      seen.low = Math.min(seen.low, spot.low);
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
