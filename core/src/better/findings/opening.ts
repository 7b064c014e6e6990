import { leafOf, PULL_SHARE } from '../../record/catalogue/index.ts';
import { convexOverlap, direction, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { frontsOf, type Station, type Unit, unitShape, seatsHere } from '../../record/plan/index.ts';
import { chairOf, unitPoint } from '../../space/room/index.ts';
import { type Found, found, freeBefore, type Look, strip } from './finding.ts';

/** A person before a pulled-out drawer, mm; chair room behind a desk, mm (common practice, docs/computation.md 8.6). */
export const PERSON = 600;
export const CHAIR_ROOM = 915;
/** Room a chair is pushed back in, mm wide (common practice). */
export const CHAIR_WIDE = 500;
/** Less does not count: the tape, and a door a little ajar more, mm. */
const SLACK = 5;

/** Drawers and doors that do not open, no room for a person or a chair. */
export function openings(look: Look): Found[] {
  return [...look.units.flatMap((u) => fronts(look, u)), ...chairs(look)];
}

function fronts(look: Look, unit: Unit): Found[] {
  const { plan, len } = look;
  const body = look.body.get(unit.id)!;
  const out: Found[] = [];
  const normal = { x: body.frontX, y: body.frontY };
  const foot = prismFootprint(body);
  // a door-back rack opens with its door; what a unit is under does not stop its drawers
  const over = (u: Unit) =>
    look.solids.get(u.id)!.some((s) => s.bottom >= body.top - 2 && convexOverlap(foot, prismFootprint(s)) > 50);
  // one's own chair is rolled away to open one's own drawer
  const seats = Object.values(plan.stations).filter(
    (s) => s.unitId === unit.id || (unit.hostId && s.unitId === unit.hostId),
  );
  const own = new Set([
    unit.id,
    ...look.units.filter((u) => u.mount === 'door' || over(u)).map((u) => u.id),
    ...seats.flatMap((s) => chairOf(plan, s)?.id ?? []),
  ]);
  const places = frontsOf(plan, unit.id);
  let worst: { short: number; words: string; placeIds: string[]; area: Point[] } | null = null;
  let stand: { free: number; by: string; area: Point[]; need: number; placeId: string } | null = null;
  const seen = new Set<string>();
  for (const place of places) {
    const isDrawer = place.covers.includes('drawer');
    const leaf = place.covers.includes('door') ? leafOf(unit.kind, unitShape(unit)) || place.width : 0;
    const need = isDrawer ? place.depth * PULL_SHARE : leaf;
    if (need === 0 || place.throughId) continue;
    const low = unit.bottom + place.bottom;
    const key = isDrawer ? `${place.left}.${low}` : `door.${leaf}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const wide = isDrawer ? place.width : unit.width;
    const middle = unitPoint(body, isDrawer ? place.left + place.width / 2 : unit.width / 2, 0);
    const heights: [number, number] = isDrawer ? [low, low + place.height] : [unit.bottom, unit.bottom + unit.height];
    const { free, by } = freeBefore(look, middle, normal, wide, need, heights, own);
    const short = need - free;
    if (short > SLACK && (!worst || short > worst.short))
      worst = {
        short,
        words: isDrawer
          ? `${place.name} of ${unit.name} opens ${len(free)} of ${len(need)}: ${by?.name ?? 'something'} is in its way.`
          : `The doors of ${unit.name} need ${len(need)} and have ${len(free)} before ${by?.name ?? 'something'}.`,
        placeIds: isDrawer ? [place.id] : places.map((p) => p.id),
        area: strip(middle, normal, wide, need),
      };
    if (short <= SLACK && isDrawer && unit.mount !== 'on') {
      const all = freeBefore(look, middle, normal, Math.min(wide, CHAIR_WIDE), need + PERSON, [100, 1500], own);
      if (all.free < need + PERSON - SLACK && (!stand || all.free - need < stand.free))
        stand = {
          free: all.free - need,
          by: all.by?.name ?? 'something',
          area: strip(middle, normal, Math.min(wide, CHAIR_WIDE), need + PERSON),
          need,
          placeId: place.id,
        };
    }
  }
  if (worst)
    out.push(
      found('drawer', [unit.id], worst.words, { unitIds: [unit.id], placeIds: worst.placeIds, area: worst.area }),
    );
  if (stand && !worst)
    out.push(
      found(
        'before',
        [unit.id],
        `With a drawer of ${unit.name} open there are ${len(Math.max(0, stand.free))} to ${stand.by}; a person wants ${len(PERSON)}.`,
        { unitIds: [unit.id], placeIds: [stand.placeId], area: stand.area },
      ),
    );
  return out;
}

/** Where the worktop before a seat ends: from the seat along its heading into the table; 250 mm without one. */
function tableEdge(look: Look, station: Station): Point {
  const ahead = direction(station.heading);
  const foot = station.unitId ? look.body.get(station.unitId) : undefined;
  let far = 250;
  if (foot)
    for (let d = 0; d <= 900; d += 5) {
      const dx = station.x + ahead.x * d - foot.x;
      const dy = station.y + ahead.y * d - foot.y;
      const u = Math.abs(dx * foot.rightX + dy * foot.rightY);
      const v = Math.abs(dx * foot.frontX + dy * foot.frontY);
      if (u <= foot.halfWidth && v <= foot.halfDepth) {
        far = d;
        break;
      }
    }
  return { x: station.x + ahead.x * far, y: station.y + ahead.y * far };
}

function chairs(look: Look): Found[] {
  const { plan, len } = look;
  if (look.outline.length === 0) return [];
  return seatsHere(plan).flatMap((station) => {
    if (station.standing || plan.people[station.personId]?.mobility === 'wheelchair') return [];
    const edge = tableEdge(look, station);
    const ahead = direction(station.heading);
    const own = new Set(look.units.filter((u) => u.id === station.unitId || u.kind === 'chair').map((u) => u.id));
    const back = { x: -ahead.x, y: -ahead.y };
    const { free, by } = freeBefore(look, edge, back, CHAIR_WIDE, CHAIR_ROOM, [50, 1200], own);
    if (free >= CHAIR_ROOM - SLACK) return [];
    return [
      found(
        'chair',
        [station.id],
        `Behind the edge of the table at ${station.name} there are ${len(free)} to ${by?.name ?? 'something'}; a chair wants ${len(CHAIR_ROOM)}.`,
        { unitIds: by && plan.units[by.id] ? [by.id] : [], area: strip(edge, back, CHAIR_WIDE, CHAIR_ROOM) },
      ),
    ];
  });
}
