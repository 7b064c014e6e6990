import { describe, expect, test } from '@jest/globals';
import {
  angleBetween,
  direction,
  distance,
  distance3,
  heading,
  type Point,
  type Point3,
} from '../../measures/geometry/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { smallShelf, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import {
  BODY_HALF,
  coverMotions,
  fetchFrom,
  floorIsFree,
  lineIsFree,
  type Maker,
  makerOf,
  moveB,
  PLAIN,
  reachB,
  type Scene,
  sceneOf,
  sideStep,
  type Spot,
  TMU,
  turnTmu,
} from './index.ts';

/**
 * A plain exhaustive search, written from the definition of the bands alone: every roll of the chair on a fine mesh, every lean by 5°, turning as
 * far as an arm at ±90° needs. Seconds of getting it and putting it back; Infinity when nothing of that gets there.
 */
function exhaustively(scene: Scene, { seat, body, handHeight }: Maker, spot: Spot): number {
  let least = Infinity;
  const ahead = direction(seat.heading);
  const right = { x: ahead.y, y: -ahead.x };
  const price = (moves: number, hand: Point3) => {
    const far = distance3(hand, spot.grip);
    let tmu = 2 * moves + 7.3 + reachB(far) + TMU.graspClear + 2 * moveB(far) + TMU.positionLoose + TMU.release;
    for (const cover of spot.place.covers) {
      const { open, shut } = coverMotions(cover, distance3(hand, spot.mouth), spot.pull);
      tmu += 2 * (open.tmu + shut.tmu);
    }
    least = Math.min(least, tmu * 0.036);
  };
  const before = (p: Point) =>
    spot.place.opens === 'top' || (p.x - spot.mouth.x) * spot.normal.x + (p.y - spot.mouth.y) * spot.normal.y > 0;
  const arm = (at: Point, facing: number, shift: Point, z: number) =>
    [-1, 1].some((side) => {
      const f = direction(facing);
      const aside = side * body.shoulderHalfBreadth;
      const shoulder = { x: at.x + f.y * aside + shift.x, y: at.y - f.x * aside + shift.y, z };
      return distance3(shoulder, spot.grip) <= body.gripReach && lineIsFree(scene, shoulder, spot.mouth);
    });
  const bearing = (at: Point) => angleBetween(seat.heading, heading(at, spot.grip));
  if (Math.abs(bearing(seat)) <= 90 && before(seat))
    for (const side of [-1, 1]) {
      const aside = { x: right.x * side * body.shoulderHalfBreadth, y: right.y * side * body.shoulderHalfBreadth };
      const shoulder = { x: seat.x + aside.x, y: seat.y + aside.y, z: body.shoulder };
      if (distance3(shoulder, spot.grip) > body.gripReach || !lineIsFree(scene, shoulder, spot.mouth)) continue;
      price(0, {
        x: seat.x + aside.x + ahead.x * body.handReach,
        y: seat.y + aside.y + ahead.y * body.handReach,
        z: handHeight,
      });
    }
  const from = (at: Point, roll: number) => {
    if (!before(at)) return;
    const need = Math.sign(bearing(at)) * Math.max(0, Math.abs(bearing(at)) - 90);
    const far = distance(at, spot.grip);
    const to = { x: (spot.grip.x - at.x) / far, y: (spot.grip.y - at.y) / far };
    for (let degrees = 0; degrees <= 60; degrees += 5) {
      const lean = (degrees * Math.PI) / 180;
      const forward = body.trunk * Math.sin(lean);
      const down = body.trunk * (1 - Math.cos(lean));
      if (degrees === 0 && roll === 0 && need === 0) continue;
      if (!arm(at, seat.heading + need, { x: to.x * forward, y: to.y * forward }, body.shoulder - down)) continue;
      const out = forward + Math.max(0, Math.min(body.handReach, far - forward));
      const hand = {
        x: at.x + to.x * out,
        y: at.y + to.y * out,
        z: body.elbow - (degrees > 30 ? down : 0),
      };
      const share = degrees === 0 ? 0 : degrees <= 30 ? 0.5 : 1;
      price(2 * turnTmu(need) + 2 * roll + share * (TMU.bend + TMU.arise), hand);
    }
  };
  from(seat, 0);
  for (let a = 0; a < 360; a += 5) {
    let left = false;
    for (let by = 25; by <= 600; by += 25) {
      const d = direction(a);
      const at = { x: seat.x + d.x * by, y: seat.y + d.y * by };
      const free = floorIsFree(scene, at, BODY_HALF);
      if (free) {
        left = true;
        from(at, sideStep(by));
      } else if (left || (by > 200 && !floorIsFree(scene, at, 1))) break;
    }
  }
  return least;
}

/** A box, shelf, chest or cart somewhere about the seat, and one or two things in the way. */
function randomRoom(random: Random): { plan: Plan; ids: string[] } {
  const between = (low: number, high: number) => low + (high - low) * random.next();
  const kinds = ['bookcase', 'lowChest', 'rollingCart', 'carryBox', 'wallShelves'] as const;
  const kind = kinds[random.below(kinds.length)]!;
  const away = (3000 / 7) * (1 + random.next() * 3);
  const bearing = between(0, 360);
  const d = direction(bearing);
  const target = unit(kind, {
    id: 'target',
    x: 3000 + d.x * away,
    y: 3000 + d.y * away,
    facing: Math.round(bearing + 180 + between(-50, 50)) % 360,
    ...(kind === 'carryBox' ? { bottom: Math.round(between(0, 900)) } : {}),
    ...(kind === 'wallShelves' ? { bottom: Math.round(between(500, 1500)) } : {}),
  });
  const e = direction(between(0, 360));
  const block = unit('lowChest', {
    id: 'block',
    x: 3000 + e.x * 900,
    y: 3000 + e.y * 900,
    width: 500,
    depth: 300,
    facing: Math.round(between(0, 359)),
  });
  const plan = withUnits(
    tinyRoom({ standing: false, seatHeight: 450, heading: Math.round(between(0, 359)) }),
    target,
    block,
  );
  return { plan, ids: Object.values(plan.places).flatMap((p) => (p.unitId === 'target' ? [p.id] : [])) };
}

describe('the cheapest way, against an exhaustive search in random rooms', () => {
  test('from a chair: within 2 % or 0.2 s but for one place in a hundred (a narrow gap between the mesh’s points), never by more than 1.5 s', () => {
    const random = new Random(20261125);
    let compared = 0;
    let missed = 0;
    for (let i = 0; i < 26; i++) {
      const { plan, ids } = randomRoom(random);
      const scene = sceneOf(plan);
      const maker = makerOf(plan, plan.stations.seat!)!;
      for (const id of ids) {
        const spot = scene.spots.get(id)!;
        const wanted = exhaustively(scene, maker, spot);
        const got = fetchFrom(scene, maker, spot, PLAIN);
        if (wanted === Infinity) {
          // only by rising then
          if (got.ok) expect(got.band).toBeGreaterThanOrEqual(4);
          continue;
        }
        if (!got.ok) throw new Error(`${id} in room ${i}: ${got.reason}`);
        expect(got.seconds).toBeLessThanOrEqual(wanted + 1.5);
        if (got.seconds > Math.max(wanted * 1.02, wanted + 0.2)) missed++;
        // cheaper than the search only by standing up, or by a mesh that falls better
        if (got.band <= 3) expect(got.seconds).toBeGreaterThanOrEqual(wanted * 0.98 - 0.2);
        compared++;
      }
    }
    expect(compared).toBeGreaterThan(50);
    expect(missed).toBeLessThanOrEqual(compared / 100);
  });

  test('farther along the same line is never cheaper; more covers and more in front never are', () => {
    const box = (bearing: number, z: number, off: number, standing: boolean) => {
      const d = direction(bearing);
      return withUnits(
        tinyRoom({ standing, seatHeight: 450 }),
        smallShelf(z, {
          id: 'b',
          x: 3000 + d.x * (off + 3),
          y: 3000 + d.y * (off + 3),
          facing: (bearing + 180) % 360,
        }),
      );
    };
    for (const standing of [false, true])
      for (const bearing of [20, 110, 250])
        for (const z of [700, 1200, 1500]) {
          let last = 0;
          for (let off = 600; off <= 2600; off += 250) {
            const plan = box(bearing, z, off, standing);
            const scene = sceneOf(plan);
            const got = fetchFrom(scene, makerOf(plan, plan.stations.seat!)!, scene.spots.get('b.0.0')!, PLAIN);
            if (!got.ok) throw new Error(got.reason);
            // the mesh of the floor: a few hundredths of a second
            expect([standing, bearing, z, off, got.seconds > last - 0.1]).toEqual([standing, bearing, z, off, true]);
            last = Math.max(last, got.seconds);
          }
        }
    const plan = box(20, 900, 900, true);
    const scene = sceneOf(plan);
    const maker = makerOf(plan, plan.stations.seat!)!;
    const spot = scene.spots.get('b.0.0')!;
    const seconds = (covers: Spot['place']['covers'], covered: number) => {
      const got = fetchFrom(scene, maker, { ...spot, place: { ...spot.place, covers } }, { ...PLAIN, covered });
      return got.ok ? got.seconds : Infinity;
    };
    for (const covered of [0, 1, 2]) {
      expect(seconds(['door'], covered)).toBeGreaterThan(seconds([], covered));
      expect(seconds(['door', 'lid'], covered)).toBeGreaterThan(seconds(['door'], covered));
      expect(seconds([], covered + 1)).toBeGreaterThan(seconds([], covered));
    }
  });
});
