import { convexOverlap, insidePolygon, prismFootprint } from '../../measures/geometry/index.ts';
import { goesIn } from '../../things/fit/index.ts';
import { placeTitle, type Plan, type Station, seatsHere } from '../../record/plan/index.ts';
import { makerOf, planAsWorked, workingSpot } from '../../space/reach/index.ts';
import { freeFloor, KNEE, KNEES, kneeSpace, unitPrism, unitSolids } from '../../space/room/index.ts';
import { type Found, found, inEachOther, type Look } from './finding.ts';

/** Width each of two people at work wants, mm (common practice). */
export const ELBOW_ROOM = 600;
/** Circle in which a wheelchair turns, mm (2010 ADA Standards 304.3.1, memory). */
export const TURNING = 1525;
/** The grid of the free floor may hide so much of a circle, mm. */
const MESH = 50;

/** Two at once, boxes and carts at their seats and put away, wheelchairs. */
export function stationChecks(look: Look): Found[] {
  return [...twoAtOnce(look), ...travellers(look), ...kept(look), ...turning(look), ...knees(look)];
}

function twoAtOnce({ plan, len }: Look): Found[] {
  const all = seatsHere(plan).filter((s) => s.together !== '');
  return all.flatMap((a, i) =>
    all.slice(i + 1).flatMap((b) => {
      if (a.together !== b.together || a.personId === b.personId) {
        return a.together === b.together
          ? [
              found(
                'together',
                [a.id, b.id].sort(),
                `${plan.people[a.personId]?.name ?? 'One person'} is to work at ${a.name} and ${b.name} at the same time.`,
              ),
            ]
          : [];
      }
      const apart = Math.hypot(a.x - b.x, a.y - b.y);
      return apart >= ELBOW_ROOM
        ? []
        : [
            found(
              'together',
              [a.id, b.id].sort(),
              `${a.name} and ${b.name} are worked at together and only ${len(apart)} apart; two want ${len(ELBOW_ROOM)}.`,
            ),
          ];
    }),
  );
}

function travellers(look: Look): Found[] {
  const { plan, len } = look;
  return seatsHere(plan).flatMap((station) => {
    const unit = plan.units[station.travellerId ?? ''];
    if (!unit || station.housing === 'station') return [];
    const worked = planAsWorked(plan, station);
    const there = worked.units[unit.id]!;
    const at = (words: string, unitIds: string[] = []) =>
      found('travels', [station.id, ...unitIds], words, {
        unitIds: [unit.id, ...unitIds],
        area: prismFootprint(unitPrism(there)),
      });
    const solids = unitSolids(there);
    const hits = look.units.flatMap((other) => {
      if (other.id === unit.id || other.id === there.hostId) return [];
      let deep = 0;
      for (const s of solids)
        for (const t of look.solids.get(other.id)!)
          if (inEachOther(s, t)) deep = Math.max(deep, convexOverlap(prismFootprint(s), prismFootprint(t)));
      return deep > 2
        ? [at(`At ${station.name}, ${unit.name} would be ${len(deep)} in ${other.name}.`, [other.id])]
        : [];
    });
    const corners = prismFootprint(unitPrism(there));
    if (look.outline.length > 0 && corners.some((c) => !insidePolygon(c, look.outline)))
      hits.push(at(`At ${station.name}, ${unit.name} would go through the wall.`));
    if (there.hostId && overhangs(plan, station))
      hits.push(at(`${unit.name} is too big to stand on the worktop of ${station.name}.`));
    return hits;
  });
}

/** A box that does not lie wholly on the worktop it is put down on. */
function overhangs(plan: Plan, station: Station): boolean {
  const spot = workingSpot(plan, station);
  const unit = plan.units[station.travellerId ?? ''];
  const table = spot?.hostId ? plan.units[spot.hostId] : undefined;
  if (!spot || !unit || !table) return false;
  const top = prismFootprint(unitPrism({ ...table, width: table.width + 4, depth: table.depth + 4 }));
  return prismFootprint(unitPrism({ ...unit, ...spot })).some((c) => !insidePolygon(c, top));
}

function kept({ plan }: Look): Found[] {
  return Object.values(plan.units).flatMap((box) => {
    const place = box.keptInId ? plan.places[box.keptInId] : undefined;
    if (!place) return [];
    const fit = goesIn(place, box);
    return fit.ok
      ? []
      : [
          found('kept', [box.id], `${box.name} does not go into ${placeTitle(plan, place)}: ${fit.words}.`, {
            unitIds: [place.unitId],
            placeIds: [place.id],
          }),
        ];
  });
}

function turning({ plan, len }: Look): Found[] {
  const sitting = Object.values(plan.people).filter((p) => p.mobility === 'wheelchair');
  const floor = sitting.length > 0 ? freeFloor(plan) : null;
  if (!floor) return [];
  let most = 0;
  for (const free of floor.clearance) if (free > most) most = free;
  return 2 * most + MESH >= TURNING
    ? []
    : [
        found(
          'turning',
          sitting.map((p) => p.id).sort(),
          `The largest free circle of the floor is ${len(2 * most)} across; ${sitting.map((p) => p.name).join(', ')} needs ${len(TURNING)} to turn a wheelchair.`,
        ),
      ];
}

/** Who sits at a worktop has room for the knees under it: no pedestal before them. */
function knees({ plan, len }: Look): Found[] {
  return seatsHere(plan).flatMap((station) => {
    const table = plan.units[station.unitId ?? ''];
    const maker = makerOf(plan, station);
    if (!table || !maker || maker.seat.standing) return [];
    const { wide } = kneeSpace(plan, station, table);
    const wanted = maker.person.mobility === 'wheelchair' ? KNEE.wide : KNEES;
    if (wide >= wanted) return [];
    const there = wide > 0 ? `only ${len(wide)} wide under ${table.name}` : `none under ${table.name}`;
    return [
      found('knees', [station.id], `At ${station.name} the knees have no room: ${there}, ${len(wanted)} is wanted.`, {
        unitIds: [table.id],
      }),
    ];
  });
}
