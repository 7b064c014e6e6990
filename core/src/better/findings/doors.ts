import { convexOverlap, insidePolygon, type Prism, prismFootprint } from '../../measures/geometry/index.ts';
import { type Opening } from '../../record/plan/index.ts';
import { ceilingAt, doorSweep, frameOf, onWall } from '../../space/room/index.ts';
import { type Found, found, type Look, strip } from './finding.ts';

/** Clear width of a door for a wheelchair, mm (2010 ADA Standards 404.2.3, memory). */
export const DOOR_WHEELCHAIR = 815;
/** Thickness of an open leaf, which stands in the opening, mm (common practice). */
const LEAF = 40;
/**
 * Floor to open a door from a wheelchair, from the front, mm: how deep, and how much beside the latch (2010 ADA Standards 404.2.4.1, memory).
 * Pulled towards her it is deeper than pushed.
 */
export const OPENING_FLOOR = { pull: { deep: 1525, latch: 455 }, push: { deep: 1220, latch: 0 } } as const;
const SLACK = 5;

/** Doors and windows themselves: what their leaf meets, whether a wheelchair gets through, whether a slope leaves them room. */
export function doors(look: Look): Found[] {
  const wheelchair = Object.values(look.plan.people).some((p) => p.mobility === 'wheelchair');
  return Object.values(look.plan.openings).flatMap((opening) => [
    ...underSlope(look, opening),
    ...sweep(look, opening),
    ...(wheelchair && opening.kind === 'door' ? forWheelchair(look, opening) : []),
  ]);
}

function sweep({ plan, units, solids, len }: Look, door: Opening): Found[] {
  const area = doorSweep(plan, door);
  if (!area) return [];
  return units.flatMap((unit) => {
    if (unit.doorId === door.id) return [];
    let deep = 0;
    for (const s of solids.get(unit.id)!)
      if (s.bottom < door.head) deep = Math.max(deep, convexOverlap(area, prismFootprint(s)));
    if (deep <= SLACK) return [];
    const words = `The door meets ${unit.name}: it is ${len(deep)} into its sweep.`;
    return [found('door', [door.id, unit.id], words, { unitIds: [unit.id], area })];
  });
}

/** What is higher than the slope above it. */
function underSlope({ plan, len }: Look, opening: Opening): Found[] {
  const frame = frameOf(plan, opening.wallId);
  if (!frame) return [];
  const shares = [0, 0.25, 0.5, 0.75, 1];
  const room = Math.min(...shares.map((t) => ceilingAt(plan, onWall(frame, opening.left + opening.width * t, 1))));
  if (opening.head <= room + SLACK) return [];
  const what = opening.kind === 'door' ? 'door' : 'window';
  const words = `The ${what} in ${frame.name} is drawn up to ${len(opening.head)}, and the room is only ${len(room)} high there.`;
  return [found('underSlope', [opening.id], words)];
}

/** What hangs above the footrests and sticks out no more than a hand is in nobody’s way (2010 ADA Standards 307.2: 27 in and 4 in; memory). */
const isShallow = (s: Prism): boolean => s.bottom >= 686 && 2 * Math.min(s.halfWidth, s.halfDepth) <= 102;

function forWheelchair(look: Look, door: Opening): Found[] {
  const { plan, len, outline } = look;
  const frame = frameOf(plan, door.wallId);
  if (!frame) return [];
  const out: Found[] = [];
  const clear = door.width - LEAF;
  if (clear < DOOR_WHEELCHAIR - SLACK)
    out.push(
      found(
        'wheelchairDoor',
        [door.id],
        `The door in ${frame.name} lets ${len(clear)} through past its leaf; a wheelchair wants ${len(DOOR_WHEELCHAIR)}.`,
      ),
    );
  const { deep, latch } = OPENING_FLOOR[door.swing === 'in' ? 'pull' : 'push'];
  const left = door.left - (door.hinge === 'left' ? 0 : latch);
  const width = door.width + latch;
  const area = strip(onWall(frame, left + width / 2), frame.inward, width - 2 * SLACK, deep - SLACK);
  const wants = `to open it from a wheelchair ${len(deep)} by ${len(width)} of floor before it are wanted`;
  for (const unit of look.units) {
    const into = Math.max(
      0,
      ...look.solids
        .get(unit.id)!
        .filter((s) => s.bottom < door.head && !isShallow(s))
        .map((s) => convexOverlap(area, prismFootprint(s))),
    );
    if (into > SLACK)
      out.push(
        found(
          'wheelchairDoor',
          [door.id, unit.id],
          `${unit.name} stands ${len(into)} into the floor before the door in ${frame.name}; ${wants}.`,
          { unitIds: [unit.id], area },
        ),
      );
  }
  // the first two corners lie on the wall itself
  const inner = area.slice(2);
  const beside = [left + SLACK, left + width - SLACK].map((x) => onWall(frame, x, SLACK));
  if ([...inner, ...beside].some((p) => !insidePolygon(p, outline)))
    out.push(
      found('wheelchairDoor', [door.id, 'walls'], `The walls are too near the door in ${frame.name}: ${wants}.`, {
        area,
      }),
    );
  return out;
}
