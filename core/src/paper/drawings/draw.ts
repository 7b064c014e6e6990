import { direction, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { formatLength } from '../../measures/lengths/index.ts';
import {
  compartmentsOf,
  outerOf,
  placesIn,
  type Plan,
  roomOf,
  type Unit,
  wallsInOrder,
} from '../../record/plan/index.ts';
import {
  doorSweep,
  fixturePrism,
  floorUsePrism,
  frameOf,
  fromWall,
  HEAD_HEIGHT,
  onWall,
  slopeReaches,
  unitBox,
  unitPrism,
  wallFrames,
  wallFront,
  wallGaps,
} from '../../space/room/index.ts';
import { box, dimension, type Mark, named, path, running, type Sheet, text } from './sheet.ts';
import { containersIn, waysToSay } from './unit.ts';

/** Height of lettering, mm of the room. */
const LETTER = 70;

/** Where the distances are marked, mm beside the wall. */
const MARKED = 160;

/** Floor from above: walls with their lengths, openings, fixtures, units with their names, other uses, seats. */
export function drawFloor(plan: Plan): Sheet {
  const marks: Mark[] = [];
  const { outline, closes, walked } = roomOf(plan);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  if (closes) marks.push(path('walls', outline));
  else if (walked.length > 1) marks.push(path('walls', walked, false));
  for (const f of wallFrames(plan))
    marks.push(...dimension(f.a, f.b, 180, `${f.wall.name ? `${f.wall.name} ` : ''}${len(f.wall.length)}`, LETTER));
  if (!closes)
    for (const [i, wall] of wallsInOrder(plan).entries())
      marks.push(...dimension(walked[i]!, walked[i + 1]!, 180, len(wall.length), LETTER));
  for (const opening of Object.values(plan.openings)) {
    const frame = frameOf(plan, opening.wallId);
    if (!frame) continue;
    const from = onWall(frame, opening.left, -60);
    const to = onWall(frame, opening.left + opening.width, -60);
    const [c, d] = [onWall(frame, opening.left + opening.width), onWall(frame, opening.left)];
    marks.push(path('openings', [from, to, c, d]));
    const sweep = doorSweep(plan, opening);
    if (sweep) marks.push(path('openings', sweep, true, true));
  }
  for (const slope of Object.values(plan.slopes)) {
    const frame = frameOf(plan, slope.wallId);
    const out = slopeReaches(slope, plan.head.ceiling, HEAD_HEIGHT);
    if (frame && out > 0 && Number.isFinite(out))
      marks.push(
        path('fixtures', [onWall(frame, 0, out), onWall(frame, frame.length, out)], false, true),
        text(
          'fixtures',
          onWall(frame, frame.length / 2, out + LETTER),
          `${len(HEAD_HEIGHT)} head height`,
          LETTER * 0.7,
        ),
      );
  }
  for (const fixture of Object.values(plan.fixtures)) {
    const prism = fixturePrism(plan, fixture);
    if (prism) marks.push(path('fixtures', prismFootprint(prism)));
  }
  for (const use of Object.values(plan.floorUses)) {
    marks.push(path('floor-uses', prismFootprint(floorUsePrism(use)), true, true));
    marks.push(text('floor-uses', use, use.name, LETTER * 0.7));
  }
  for (const unit of Object.values(plan.units)) {
    if (unit.mount === 'away') continue;
    const foot = prismFootprint(unitPrism(unit));
    marks.push(path('units', foot, true, unit.bottom > 900));
    const upright = Math.abs(Math.sin((unit.facing * Math.PI) / 180)) > 0.7;
    const size = Math.min(LETTER, (unit.width / Math.max(4, unit.name.length)) * 1.3);
    marks.push(text('units', unit, unit.name, size, upright ? 90 : 0), ...onTop(plan, unit));
  }
  marks.push(...fromTheWalls(plan));
  for (const station of Object.values(plan.stations)) {
    const ahead = direction(station.heading);
    const tip: Point = { x: station.x + ahead.x * 160, y: station.y + ahead.y * 160 };
    const side = { x: ahead.y * 110, y: -ahead.x * 110 };
    marks.push(
      path('seats', [
        tip,
        { x: station.x + side.x - ahead.x * 90, y: station.y + side.y - ahead.y * 90 },
        { x: station.x - side.x - ahead.x * 90, y: station.y - side.y - ahead.y * 90 },
      ]),
    );
  }
  return { title: `${plan.head.name}: floor`, marks };
}

/** What stands on the top of a unit, from above, and what lives there, each with its name. */
function onTop(plan: Plan, unit: Unit): Mark[] {
  const body = unitPrism(unit);
  /** what is measured like a place of the unit, on the floor */
  const onFloor = (box: { left: number; front: number; width: number; depth: number }) =>
    prismFootprint(unitBox(unit, body, { ...box, bottom: 0, height: 0 }));
  const around = (points: readonly Point[]) => {
    const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
    const [left, bottom] = [Math.min(...xs), Math.min(...ys)];
    return { left, bottom, width: Math.max(...xs) - left, height: Math.max(...ys) - bottom };
  };
  return compartmentsOf(plan, unit.id).flatMap((top) => {
    if (top.kind !== 'top') return [];
    const inner = placesIn(plan, top.id).flatMap((holder) => {
      if (holder.organiserId === null) return [];
      const { width, depth } = outerOf(plan, holder);
      const foot = onFloor({ left: top.left + holder.left, front: top.front + holder.front, width, depth });
      return [path('containers', foot), ...named(around(foot), waysToSay(plan, holder.id), LETTER * 0.5)];
    });
    // beside the name of the unit, which stands in its middle: before it, where one stands
    const before = onFloor({ left: top.left, front: top.front, width: top.width, depth: top.depth / 3 });
    return [...inner, ...named(around(before), waysToSay(plan, top.id), LETTER * 0.5)];
  });
}

/** Less is no distance to mark out, mm. */
const TOUCHING = 2;

/** What stands free on the floor: its distance from the two nearest walls that are opposite it, one in each direction. */
function fromTheWalls(plan: Plan): Mark[] {
  return Object.values(plan.units).flatMap((unit) => {
    if (unit.mount !== 'floor' || unit.keptInId || unit.kind === 'chair') return [];
    const body = unitPrism(unit);
    const corners = prismFootprint(body);
    const taken: Point[] = [];
    const marks: Mark[] = [];
    for (const { wallId, gap } of wallGaps(plan, unit).sort((a, b) => a.gap - b.gap)) {
      const frame = frameOf(plan, wallId)!;
      // one wall a direction; those that run askew to a wall already taken say nothing new
      if (taken.some((d) => Math.abs(d.x * frame.inward.x + d.y * frame.inward.y) > 0.7)) continue;
      taken.push(frame.inward);
      if (gap < TOUCHING || taken.length > 2) continue;
      const near = corners.reduce((a, b) => (fromWall(frame, b).out < fromWall(frame, a).out - 0.5 ? b : a));
      // from the middle of the side where it is parallel to the wall
      const side = corners.filter((c) => Math.abs(fromWall(frame, c).out - fromWall(frame, near).out) < 1);
      const from = {
        x: side.reduce((sum, c) => sum + c.x, 0) / side.length,
        y: side.reduce((sum, c) => sum + c.y, 0) / side.length,
      };
      const to = { x: from.x - frame.inward.x * gap, y: from.y - frame.inward.y * gap };
      const foot = fromWall(frame, to).left;
      if (foot < 0 || foot > frame.length) continue;
      marks.push(...dimension(from, to, 1, formatLength(gap, plan.head.measure), LETTER * 0.6));
    }
    return marks;
  });
}

/** One wall from the front with everything on it; null while the walls do not close or without such a wall. */
export function drawWall(plan: Plan, wallId: string): Sheet | null {
  const frame = frameOf(plan, wallId);
  if (!frame) return null;
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const front = wallFront(plan, frame);
  const marks: Mark[] = [path('walls', front.outline)];
  const top = Math.max(...front.outline.map((p) => p.y));
  const left = front.outline.at(-1)!.y;
  marks.push(...dimension({ x: 0, y: 0 }, { x: frame.length, y: 0 }, -2.9 * MARKED, len(frame.length), LETTER));
  marks.push(...dimension({ x: 0, y: 0 }, { x: 0, y: left }, 2.9 * MARKED, len(left), LETTER));
  // what a person who drills or sets up marks out: left edges from the left corner, lower and upper edges from the floor
  const things = [...front.openings, ...front.fixtures, ...front.units];
  const inside = (mm: number, most: number) => mm > TOUCHING && mm < most - TOUCHING;
  const across = things
    .flatMap((t) => [
      { at: t.left, from: t.bottom },
      { at: t.left + t.width, from: t.bottom },
    ])
    .filter((t) => inside(t.at, frame.length));
  const up = [
    ...things.filter((t) => t.bottom > TOUCHING).map((t) => ({ at: t.bottom, from: t.left })),
    ...front.openings.map((t) => ({ at: t.bottom + t.height, from: t.left })),
  ].filter((t) => inside(t.at, plan.head.ceiling));
  marks.push(...running(across, 'x', MARKED, len, LETTER * 0.6), ...running(up, 'y', MARKED, len, LETTER * 0.6));
  if (top > left + 1)
    marks.push(text('lengths', { x: frame.length / 2, y: top + LETTER }, `up to ${len(top)}`, LETTER));
  for (const o of front.openings) {
    marks.push(box('openings', o.left, o.bottom, o.width, o.height));
    marks.push(
      text(
        'openings',
        { x: o.left + o.width / 2, y: o.bottom + o.height / 2 },
        `${len(o.width)} × ${len(o.height)}`,
        LETTER * 0.7,
      ),
    );
  }
  if (front.sloped)
    marks.push(
      path(
        'fixtures',
        [
          { x: 0, y: HEAD_HEIGHT },
          { x: frame.length, y: HEAD_HEIGHT },
        ],
        false,
        true,
      ),
      text(
        'fixtures',
        { x: frame.length / 2, y: HEAD_HEIGHT + LETTER * 0.6 },
        `${len(HEAD_HEIGHT)} head height`,
        LETTER * 0.6,
      ),
    );
  for (const f of front.fixtures) {
    marks.push(box('fixtures', f.left, f.bottom, f.width, f.height));
    marks.push(text('fixtures', { x: f.left + f.width / 2, y: f.bottom - LETTER * 0.6 }, f.fixture.name, LETTER * 0.6));
  }
  for (const u of front.units) {
    marks.push(box('units', u.left, u.bottom, u.width, u.height));
    for (const p of u.places) {
      marks.push(box('places', p.left, p.bottom, p.width, p.height));
      for (const { holder, at } of containersIn(plan, p.place, p))
        marks.push(
          box('containers', at.left, at.bottom, at.width, at.height),
          ...named(at, waysToSay(plan, holder.id), LETTER * 0.4),
        );
      marks.push(...named(p, waysToSay(plan, p.place.id), LETTER * 0.5));
    }
    const size = Math.min(LETTER, (u.width / Math.max(4, u.unit.name.length)) * 1.3);
    marks.push(text('units', { x: u.left + u.width / 2, y: u.bottom + u.height + LETTER * 0.7 }, u.unit.name, size));
  }
  return { title: `${plan.head.name}: ${frame.name}`, marks };
}

/** Floor and every wall front, in the order of the walk. */
export function drawAll(plan: Plan): Sheet[] {
  return [drawFloor(plan), ...wallsInOrder(plan).flatMap((wall) => drawWall(plan, wall.id) ?? [])];
}
