import { describe, expect, test } from '@jest/globals';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { BY_TAPE } from '../../record/plan/index.ts';
import { luxAt, solarInstant, sunAt, sunHours, sunPatches, sunYear } from './index.ts';

const at = (latitude: number, bearing = 0) => ({ latitude, longitude: 0, bearing });

describe('sun position', () => {
  // textbook astronomy: altitude at noon is 90° − φ + δ; δ is ±23.44° at the solstices and 0° at the equinoxes
  test.each([
    [53.4, 6, 21, 23.44],
    [53.4, 12, 21, -23.44],
    [40, 6, 21, 23.44],
    [53.4, 3, 20, 0],
    [-35, 12, 21, -23.44],
  ])('noon at %d°, month %i: 90° − φ + δ', (latitude, month, day, declination) => {
    const noon = Math.max(
      ...Array.from(
        { length: 97 },
        (_, i) => sunAt(at(latitude), solarInstant(at(latitude), month, day, 11 + i / 48)).altitude,
      ),
    );
    expect(noon).toBeCloseTo(90 - Math.abs(latitude - declination), 0);
  });

  // at the equinox the sun rises due east and sets due west everywhere (textbook astronomy)
  test.each([10, 40, 53.4, 60])('equinox sunrise at %d° is due east', (latitude) => {
    const place = at(latitude);
    let rise = null;
    for (let hour = 5; hour < 7 && !rise; hour += 1 / 120) {
      const sun = sunAt(place, solarInstant(place, 3, 20, hour));
      if (sun.altitude > 0) rise = sun;
    }
    expect(Math.abs(rise!.azimuth - 90)).toBeLessThan(1.5);
  });

  test('a plan turned by its bearing sees the sun turned the other way', () => {
    const noon = solarInstant({ longitude: 0 }, 6, 21, 12);
    expect(sunAt(at(50), noon).to.y).toBeLessThan(-0.3);
    expect(sunAt(at(50, 180), noon).to.y).toBeGreaterThan(0.3);
    expect(sunYear(at(50)).every((s) => s.altitude > 0)).toBe(true);
  });
});

describe('direct sun in a room', () => {
  /** A 6 × 6 m room with a window 2 m wide in its south wall (the fourth as walked) and a table before it. */
  const room = (over: object = {}) =>
    withUnits(
      applied(tinyRoom(), {
        type: 'addOpening',
        opening: {
          id: 'south',
          wallId: 'w3',
          kind: 'window',
          left: 2000,
          width: 2000,
          sill: 900,
          head: 2000,
          hinge: 'left',
          swing: 'in',
          ...BY_TAPE,
        },
      }),
      unit('worktable', { id: 'table', x: 3000, y: 1000, ...over }),
    );
  const point = { x: 3000, y: 1000, z: 745 };

  test('at noon in June the patch on the floor lies where the altitude puts it', () => {
    const plan = room();
    const noon = sunAt(plan.head, solarInstant(plan.head, 6, 21, 12));
    const floor = sunPatches(plan, noon).find((p) => p.unitId === null)!;
    const tan = Math.tan((noon.altitude * Math.PI) / 180);
    // the far edge of the patch is thrown by the head, 2000 mm up; the sun stands within 2° of south
    expect(Math.max(...floor.outline.map((p) => p.y))).toBeCloseTo(2000 / tan, -2);
    expect(Math.min(...floor.outline.map((p) => p.y))).toBeCloseTo(900 / tan, -2);
  });

  test('a south window gives sun at noon, none through the wall, none when something stands in the way', () => {
    const hours = sunHours(room(), [point], ['table']);
    expect(hours.worst).not.toBeNull();
    expect(sunHours(room(), [{ ...point, y: 5900 }], ['table']).byMonth[6]).toBe(0);
    expect(sunHours(room({ y: 5000 }), [point]).byMonth[3]).toBeGreaterThan(0);
    const shaded = withUnits(
      room({ y: 5000 }),
      unit('cupboard', { id: 'c', x: 3000, y: 300, width: 3000, depth: 400, height: 2200 }),
    );
    expect(sunHours(shaded, [point]).worst).toBeNull();
  });

  test('a north window in the north gives no sun in winter', () => {
    const plan = room();
    const north = { ...plan, head: { ...plan.head, bearing: 180 } };
    expect(sunHours(north, [point], ['table']).byMonth[12]).toBe(0);
  });
});

describe('lamps', () => {
  // inverse square and cosine law (Lambert), worked by hand: 1000 lm into a half space is 1000 / 2π cd
  test('straight below, aside, twice as far, outside the beam', () => {
    const lamp = { at: { x: 0, y: 0, z: 2000 }, lumens: 1000, beam: 180 };
    const below = luxAt(lamp, { x: 0, y: 0, z: 1000 });
    expect(below).toBeCloseTo(1000 / (2 * Math.PI), 6);
    expect(luxAt(lamp, { x: 0, y: 0, z: 0 })).toBeCloseTo(below / 4, 6);
    expect(luxAt(lamp, { x: 1000, y: 0, z: 1000 })).toBeCloseTo(below * Math.SQRT1_2 ** 3, 6);
    expect(luxAt({ ...lamp, beam: 80 }, { x: 1000, y: 0, z: 1000 })).toBe(0);
    expect(luxAt(lamp, { x: 0, y: 0, z: 2500 })).toBe(0);
  });
});
