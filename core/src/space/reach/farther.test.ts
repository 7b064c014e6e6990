import { describe, expect, test } from '@jest/globals';
import { angleBetween, direction, distance, heading } from '../../measures/geometry/index.ts';
import { type Person, type Plan, type Unit } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { fetchFrom, makerOf, PLAIN, sceneOf } from './index.ts';

const BODIES = ['stool', 'swivel', 'standing', 'wheelchair'] as const;
const KINDS = ['bookcase', 'lowChest', 'rollingCart', 'carryBox', 'wallShelves', 'cubeUnit'] as const;

type Got = { seconds: number; band: number; bearing: number; beyondHand: boolean };
type Room = { who: (typeof BODIES)[number]; stature: number; heading: number };

/** Somebody in the middle of an empty room, and what stands there. */
function roomOf({ who, stature, heading }: Room, ...units: Unit[]): Plan {
  const standing = who === 'standing';
  const person: Partial<Person> = { stature, mobility: who };
  return withUnits(tinyRoom({ standing, seatHeight: standing ? null : 450, heading }, person), ...units);
}

/** Seconds of a plain fetch from every place of a unit, Infinity where nobody gets, with how far the grip is from where the hands rest. */
function secondsOf(plan: Plan, unitId: string): Map<string, Got> {
  const scene = sceneOf(plan);
  const maker = makerOf(plan, plan.stations.seat!)!;
  const out = new Map<string, Got>();
  for (const [id, spot] of scene.spots) {
    if (spot.unit.id !== unitId) continue;
    const got = fetchFrom(scene, maker, spot, PLAIN);
    const beyondHand = distance(maker.seat, spot.grip) > maker.body.handReach + maker.body.shoulderHalfBreadth;
    out.set(id, {
      seconds: got.ok ? got.seconds : Infinity,
      band: got.ok ? got.band : 9,
      bearing: heading(maker.seat, spot.grip),
      beyondHand,
    });
  }
  return out;
}

function someRoom(random: Random, i: number) {
  const between = (low: number, high: number) => Math.round(low + (high - low) * random.next());
  const kind = KINDS[random.below(KINDS.length)]!;
  const bottom = kind === 'carryBox' ? between(0, 900) : kind === 'wallShelves' ? between(500, 1500) : null;
  const room: Room = { who: BODIES[i % BODIES.length]!, stature: between(1450, 1950), heading: between(0, 359) };
  return { room, kind, bearing: between(0, 359), between, over: bottom === null ? {} : { bottom } };
}

describe('no body, unit or distance excepted', () => {
  test('what is farther along the same line is never cheaper, from where the hands rest outwards', () => {
    const random = new Random(20261129);
    let steps = 0;
    const wrong: string[] = [];
    for (let i = 0; i < 20; i++) {
      const { room, kind, bearing, over } = someRoom(random, i);
      const d = direction(bearing);
      const step = [25, 50, 75][random.below(3)]!;
      const last = new Map<string, Got>();
      for (let off = 500; off <= 2100; off += step) {
        const there = unit(kind, { id: 't', facing: (bearing + 180) % 360, ...over });
        const at = off + there.depth / 2;
        const plan = roomOf(room, { ...there, x: 3000 + d.x * at, y: 3000 + d.y * at });
        for (const [id, now] of secondsOf(plan, 't')) {
          const was = last.get(id);
          last.set(id, now);
          // what stands beside the line comes to be seen at another angle
          if (!was || !was.beyondHand || Math.abs(angleBetween(was.bearing, now.bearing)) > 0.01) continue;
          steps++;
          // places are looked for on a mesh: a few hundredths of a second
          if (now.seconds < was.seconds - 0.1)
            wrong.push(
              `${i} ${JSON.stringify(room)} ${kind} ${bearing} ${id} ${off}: ${was.seconds} (${was.band}), ${now.seconds} (${now.band})`,
            );
        }
      }
    }
    expect(steps).toBeGreaterThan(1800);
    expect(wrong).toEqual([]);
  });

  test('a room and its mirror image cost the same', () => {
    const random = new Random(20261130);
    const wrong: string[] = [];
    let compared = 0;
    for (let i = 0; i < 72; i++) {
      const { room, kind, bearing, between, over } = someRoom(random, i);
      const d = direction(bearing);
      const e = direction(between(0, 359));
      const off = between(700, 1900);
      const facing = (bearing + 180 + between(-40, 40)) % 360;
      const turn = between(0, 359);
      const side = (mirror: 1 | -1) => {
        const t = unit(kind, {
          id: 't',
          facing: (360 + mirror * facing) % 360,
          x: 3000 + mirror * d.x * off,
          y: 3000 + d.y * off,
          ...over,
        });
        const b = unit('lowChest', {
          id: 'b',
          facing: (360 + mirror * turn) % 360,
          x: 3000 + mirror * e.x * 1300,
          y: 3000 + e.y * 1300,
          width: 500,
          depth: 300,
        });
        return secondsOf(roomOf({ ...room, heading: (360 + mirror * room.heading) % 360 }, t, b), 't');
      };
      const [one, other] = [side(1), side(-1)];
      const columns = unit(kind).columns;
      for (const [id, { seconds, band }] of one) {
        const [, row, column] = id.split('.');
        const across = other.get(`t.${row}.${Number(row) >= 1000 ? column : columns - 1 - Number(column)}`)!;
        compared++;
        if (!(Math.abs(across.seconds - seconds) <= 0.15 || across.seconds === seconds))
          wrong.push(
            `${i} ${JSON.stringify(room)} ${kind} ${bearing} ${facing} ${id} ${off}: ${seconds} (${band}), ${across.seconds} (${across.band})`,
          );
      }
    }
    expect(compared).toBeGreaterThan(300);
    expect(wrong).toEqual([]);
  });
});
