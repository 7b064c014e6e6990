import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import PerspT from 'perspective-transform';
import { seenBy, type TestCamera } from '../../testing/camera.ts';
import {
  cornersOf,
  frameOf,
  homographyOf,
  inFrame,
  inPicture,
  inverted,
  KNOWN,
  lengthBetween,
  lensOf,
  mapped,
  type Marked,
  measureFile,
  MeasureFile,
  middleOf,
  ofFrame,
  onPlane,
  type Plane,
  planeIn,
  rectangleOf,
  shownOf,
  sidesOf,
  straightened,
  uprightHeight,
} from './index.ts';

/** Numbers between 0 and 1 that are the same every time. */
function steady(seed: number) {
  let s = seed;
  const random = () => {
    s = (s * 1664525 + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
  return { random, gauss: () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()) };
}

const SIZE = { width: 4000, height: 3000 };
const A4 = [
  [0, 0],
  [210, 0],
  [210, 297],
  [0, 297],
] as const;

/** A picture of an A4 sheet by the tests’ own camera, at any tilt up to 50° with any lens from 24 to 50 mm. */
function scene(seed: number, lens: boolean) {
  const { random, gauss } = steady(seed);
  for (;;) {
    const camera: TestCamera = {
      ...SIZE,
      focal35: 24 + Math.round(random() * 26),
      tilt: random() * 50,
      towards: random() * 360,
      roll: random() * 360,
      over: 450 + random() * 450,
      at: { x: 105 + (random() - 0.5) * 160, y: 148 + (random() - 0.5) * 160 },
      lens: lens ? -random() * 0.08 : 0,
    };
    const inside = (p: { x: number; y: number } | null) =>
      p !== null && p.x > 0 && p.y > 0 && p.x < SIZE.width && p.y < SIZE.height;
    /** pressed by hand: a pixel and a half off */
    const pressed = (p: { x: number; y: number; z?: number }) => {
      const at = seenBy(camera, p);
      return at && { x: at.x + 1.5 * gauss(), y: at.y + 1.5 * gauss() };
    };
    if (!A4.every(([x, y]) => inside(seenBy(camera, { x, y })))) continue;
    const straight = [0, 1].map((side) =>
      Array.from({ length: 9 }, (_, i) =>
        pressed(side === 0 ? { x: -120 + i * 56, y: -40 } : { x: -40, y: -80 + i * 56 }),
      ).flatMap((p) => (inside(p) ? [p!] : [])),
    );
    return { camera, pressed, inside, random, straight, corners: A4.map(([x, y]) => pressed({ x, y })!) };
  }
}

const planeOf = (marked: Marked): Plane => {
  const read = planeIn(marked);
  if (!read.ok) throw new Error(read.trouble);
  return read.plane;
};

describe('a plane in a picture', () => {
  test('four points say the same homography as a second library says (perspective-transform), to a thousand-millionth', () => {
    const near = (n: number) => fc.double({ min: n - 60, max: n + 60, noNaN: true });
    const quad = fc.tuple(near(100), near(100), near(600), near(120), near(580), near(540), near(80), near(500));
    fc.assert(
      fc.property(quad, quad, near(300), near(300), (a, b, x, y) => {
        const points = (q: readonly number[]) => [0, 2, 4, 6].map((i) => ({ x: q[i]!, y: q[i + 1]! }));
        const h = homographyOf(points(a), points(b))!;
        const [u, v] = PerspT(a, b).transform(x, y);
        const mine = mapped(h, { x, y })!;
        expect(Math.abs(mine.x - u)).toBeLessThan(1e-9 * Math.max(1, Math.abs(u)) * 100);
        expect(Math.abs(mine.y - v)).toBeLessThan(1e-9 * Math.max(1, Math.abs(v)) * 100);
        const back = mapped(inverted(h)!, mine)!;
        expect(Math.hypot(back.x - x, back.y - y)).toBeLessThan(1e-8);
      }),
      { numRuns: 200 },
    );
  });

  test('nonsense is refused with words', () => {
    const image = { ...SIZE, focal35: 28 };
    const why = (corners: readonly (readonly [number, number])[], more: Partial<Marked> = {}) => {
      const read = planeIn({ image, known: KNOWN.a4, corners: corners.map(([x, y]) => ({ x, y })), ...more });
      return read.ok ? '' : read.trouble;
    };
    const line = [
      [100, 100],
      [500, 100],
      [900, 100],
      [1300, 100],
    ] as const;
    expect(why(line)).toMatch(/in a line/);
    expect(why([line[0], line[0], [900, 900], [100, 900]])).toMatch(/lie on each other/);
    expect(
      why([
        [100, 100],
        [900, 900],
        [900, 100],
        [100, 900],
      ]),
    ).toMatch(/do not go round/);
    expect(
      why([
        [100, 100],
        [110, 100],
        [110, 114],
        [100, 114],
      ]),
    ).toMatch(/only 10 points wide/);
    // nearly edge-on: an A4 sheet from 75°
    const flat = { ...scene(1, false).camera, tilt: 75, towards: 90, roll: 0, over: 200, at: { x: 105, y: 148 } };
    const corners = A4.map(([x, y]) => seenBy(flat, { x, y })!);
    expect(
      why(
        corners.map((p) => [p.x, p.y] as const),
        { image: { ...SIZE, focal35: flat.focal35 } },
      ),
    ).toMatch(/from the side \(about 7[45]°/);
  });

  test('the wrong sheet named is noticed by its sides, whether the picture says its focal length or not', () => {
    let [right, wrong, other] = [0, 0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const { camera, corners } = scene(seed, false);
      const image = seed % 2 === 0 ? { ...SIZE, focal35: camera.focal35 } : SIZE;
      const trouble = (known: { width: number; height: number }) => {
        const read = planeIn({ image, corners, known });
        return read.ok ? null : read.trouble;
      };
      if (trouble(KNOWN.a4) === null) right++;
      if (trouble(KNOWN.card) !== null) wrong++;
      if (/looks like|not what was named/.test(trouble({ width: 200, height: 200 }) ?? '')) other++;
    }
    expect(right).toBe(60);
    // a card is as wide as 0.63 of it, and lies across: no tilt of a usual camera makes that of an upright A4
    expect(wrong).toBeGreaterThanOrEqual(55);
    expect(other).toBeGreaterThanOrEqual(50);
    const straightOver = { ...SIZE, focal35: 28 };
    const over: TestCamera = {
      ...scene(3, false).camera,
      ...{ tilt: 4, over: 600, focal35: 28, at: { x: 105, y: 148 } },
    };
    const read = planeIn({
      image: straightOver,
      corners: A4.map(([x, y]) => seenBy(over, { x, y })!),
      known: KNOWN.letter,
    });
    expect(read.ok ? '' : read.trouble).toMatch(/looks like A4/);
  });

  test('lengths in it are right within 1 % or 1 mm in 95 of 100, and their ± holds in 95 of 100, give or take 3', () => {
    let [n, near, within] = [0, 0, 0];
    for (let seed = 1; seed <= 500; seed++) {
      const { camera, corners, straight, pressed, inside, random } = scene(seed, true);
      const plane = planeOf({ image: { ...SIZE, focal35: camera.focal35 }, corners, known: KNOWN.a4, straight });
      for (let k = 0; k < 3; k++) {
        const [a, b] = [0, 1].map(() => ({ x: -80 + random() * 370, y: -80 + random() * 450 })) as [Pt, Pt];
        const [p, q] = [pressed(a), pressed(b)];
        const length = Math.hypot(a.x - b.x, a.y - b.y);
        if (!inside(p) || !inside(q) || length < 20) continue;
        const measured = lengthBetween(plane, p!, q!)!;
        n++;
        const off = Math.abs(measured.length - length);
        if (off <= Math.max(1, length * 0.01)) near++;
        if (off <= measured.plusMinus) within++;
      }
    }
    expect(n).toBeGreaterThan(1000);
    expect(near / n).toBeGreaterThanOrEqual(0.95);
    expect(within / n).toBeGreaterThanOrEqual(0.92);
    expect(within / n).toBeLessThanOrEqual(0.98);
  });

  test('what stands above it is right within 2 %, by the focal length the picture says or by the slant alone', () => {
    const count = { said: [0, 0, 0], slant: [0, 0, 0] };
    for (let seed = 1; seed <= 300; seed++) {
      const { camera, corners, straight, pressed, inside, random } = scene(seed, true);
      for (const way of ['said', 'slant'] as const) {
        const image = way === 'said' ? { ...SIZE, focal35: camera.focal35 } : SIZE;
        const plane = planeOf({ image, corners, known: KNOWN.a4, straight });
        for (let k = 0; k < 3; k++) {
          const z = random() * 120;
          const [a, b] = [0, 1].map(() => ({ x: random() * 210, y: random() * 297 })) as [Pt, Pt];
          const [p, q] = [pressed({ ...a, z }), pressed({ ...b, z })];
          const length = Math.hypot(a.x - b.x, a.y - b.y);
          if (!inside(p) || !inside(q) || length < 40) continue;
          const measured = lengthBetween(plane, p!, q!, z);
          if (!measured) continue;
          const c = count[way];
          c[0]!++;
          if (Math.abs(measured.length - length) <= Math.max(1, length * 0.02)) c[1]!++;
          if (Math.abs(measured.length - length) <= measured.plusMinus) c[2]!++;
        }
      }
    }
    for (const [n, near, within] of Object.values(count) as [number, number, number][]) {
      expect(n).toBeGreaterThan(400);
      expect(near / n).toBeGreaterThanOrEqual(0.95);
      expect(within / n).toBeGreaterThanOrEqual(0.92);
      expect(within / n).toBeLessThanOrEqual(0.98);
    }
  });

  test('the camera’s height, and that of an upright edge, come of the focal length', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const { camera } = scene(seed, false);
      const image = { ...SIZE, focal35: camera.focal35 };
      const corners = A4.map(([x, y]) => seenBy(camera, { x, y })!);
      const plane = planeOf({ image, corners, known: KNOWN.a4 });
      expect(plane.camera!.pose.height).toBeCloseTo(camera.over, 3);
      expect(plane.camera!.pose.tilt).toBeCloseTo(camera.tilt, 3);
      if (camera.tilt < 15) continue;
      const [foot, top] = [0, 70].map((z) => seenBy(camera, { x: 60, y: 90, z })!) as [Pt, Pt];
      expect(uprightHeight(plane, foot, top)?.length ?? 70).toBeCloseTo(70, 3);
    }
  });

  test('how high an upright edge stands is said within its ±, and not said where one looks straight down on it', () => {
    let [n, within, said] = [0, 0, 0];
    const off: number[] = [];
    for (let seed = 1; seed <= 250; seed++) {
      const { camera, corners, straight, pressed, inside, random } = scene(seed, true);
      const image = seed % 2 === 0 ? { ...SIZE, focal35: camera.focal35 } : SIZE;
      const plane = planeOf({ image, corners, known: KNOWN.a4, straight });
      for (let k = 0; k < 3; k++) {
        const foot = { x: random() * 210, y: random() * 297 };
        const z = 20 + random() * 120;
        const [a, b] = [pressed(foot), pressed({ ...foot, z })];
        if (!inside(a) || !inside(b)) continue;
        n++;
        const measured = uprightHeight(plane, a!, b!);
        if (!measured) continue;
        said++;
        off.push(Math.abs(measured.length - z) / z);
        if (Math.abs(measured.length - z) <= measured.plusMinus) within++;
      }
    }
    // from 0 to 50° most pictures say it, half of them within a fiftieth
    expect(said / n).toBeGreaterThan(0.85);
    expect(off.sort((x, y) => x - y)[Math.floor(off.length / 2)]).toBeLessThan(0.02);
    expect(within / said).toBeGreaterThanOrEqual(0.92);
    expect(within / said).toBeLessThanOrEqual(0.99);
    // straight from above foot and top are one point; the other way round it would stand below the plane
    const over: TestCamera = { ...scene(3, false).camera, tilt: 0.5, over: 600, at: { x: 105, y: 148 } };
    const plane = planeOf({
      image: { ...SIZE, focal35: over.focal35 },
      corners: A4.map(([x, y]) => seenBy(over, { x, y })!),
      known: KNOWN.a4,
    });
    const middle = { x: 105, y: 148 };
    const [foot, top] = [0, 80].map((z) => seenBy(over, { ...middle, z })!) as [Pt, Pt];
    expect(uprightHeight(plane, foot, top)).toBeNull();
    const [low, high] = [0, 80].map((z) => seenBy(over, { x: 200, y: 280, z })!) as [Pt, Pt];
    expect(uprightHeight(plane, low, high)!.length).toBeCloseTo(80, 3);
    expect(uprightHeight(plane, high, low)).toBeNull();
    const flat = planeOf({
      image: SIZE,
      corners: A4.map(([x, y]) => seenBy({ ...over, tilt: 0 }, { x, y })!),
      known: KNOWN.a4,
    });
    expect(flat.camera).toBeNull();
    expect(uprightHeight(flat, low, high)).toBeNull();
  });

  test('the lens comes of edges that are straight', () => {
    const image = SIZE;
    for (const lens of [-0.15, -0.06, 0, 0.05]) {
      const camera: TestCamera = { ...scene(5, false).camera, lens };
      const straight = [0, 1].map((side) =>
        Array.from({ length: 11 }, (_, i) =>
          seenBy(camera, side === 0 ? { x: -200 + i * 60, y: -60 } : { x: -60, y: -150 + i * 60 }),
        ).flatMap((p) => p ?? []),
      );
      expect(lensOf(straight, image, 1.5)!.lens).toBeCloseTo(lens, 4);
    }
    expect(lensOf([[{ x: 1, y: 1 }]], image, 1.5)).toBeNull();
  });

  test('there and back: through the lens and through a frame laid over a part of it', () => {
    const { camera, straight } = scene(9, true);
    const corners = A4.map(([x, y]) => seenBy(camera, { x, y })!);
    const plane = planeOf({ image: { ...SIZE, focal35: camera.focal35 }, corners, known: KNOWN.a4, straight });
    const p = { x: 1500, y: 1300 };
    const there = inPicture(plane, onPlane(plane, p)!)!;
    expect(Math.hypot(there.x - p.x, there.y - p.y)).toBeLessThan(1e-6);
    expect(straightened(middleOf(SIZE), -0.1, SIZE)).toEqual(middleOf(SIZE));
    for (const turned of [false, true]) {
      const four = [
        { x: 10, y: 20 },
        { x: 310, y: 60 },
        { x: 290, y: 210 },
        { x: -10, y: 170 },
      ];
      const frame = frameOf(turned ? [four[1]!, four[0]!, four[3]!, four[2]!] : four);
      const q = { x: 77, y: 33 };
      const back = ofFrame(frame, inFrame(frame, q));
      expect(Math.hypot(back.x - q.x, back.y - q.y)).toBeLessThan(1e-9);
      expect(frame.width).toBeCloseTo(302.65, 1);
      expect(frame.height).toBeCloseTo(151.3, 1);
    }
  });
});

describe('what is drawn over a flat picture', () => {
  test('a rectangle is its corners and comes of them again, however it is turned', () => {
    for (const turn of [0, 12, 90, 200, 333]) {
      const drawn = { x: 120, y: 80, width: 60, depth: 25, turn };
      const again = rectangleOf(cornersOf(drawn));
      for (const key of ['x', 'y', 'width', 'depth', 'turn'] as const) expect(again[key]).toBeCloseTo(drawn[key], 6);
    }
  });

  test('its sides are shortened by how high it stands, where the camera says how high that is', () => {
    const { camera } = scene(4, false);
    const corners = A4.map(([x, y]) => seenBy(camera, { x, y })!);
    const plane = planeOf({ image: { ...SIZE, focal35: camera.focal35 }, corners, known: KNOWN.a4 });
    const frame = shownOf(plane);
    expect(frame.width).toBeGreaterThan(210);
    // the lid of a box 60 high, as the plane shows it
    const lid = [
      [40, 60],
      [120, 60],
      [120, 110],
      [40, 110],
    ].map(([x, y]) => ofFrame(frame, onPlane(plane, seenBy(camera, { x: x!, y: y!, z: 60 })!)!));
    const sides = sidesOf(plane, frame, rectangleOf(lid), 60)!;
    expect(sides.width).toBeCloseTo(80, 1);
    expect(sides.depth).toBeCloseTo(50, 1);
    expect(sides.unsaid).toBe(false);
    const straight = { ...camera, tilt: 0 };
    const blind = planeOf({ image: SIZE, corners: A4.map(([x, y]) => seenBy(straight, { x, y })!), known: KNOWN.a4 });
    expect(sidesOf(blind, shownOf(blind), { x: 300, y: 300, width: 80, depth: 50, turn: 0 }, 60)!.unsaid).toBe(true);
  });
});

type Pt = { x: number; y: number };

describe('heronstone measure', () => {
  const { camera } = scene(4, false);
  const px = (x: number, y: number, z = 0): [number, number] => {
    const p = seenBy(camera, { x, y, z })!;
    return [p.x, p.y];
  };
  const file = {
    sheet: 'a4' as const,
    corners: A4.map(([x, y]) => px(x, y)),
    image: { ...SIZE, focal35: camera.focal35 },
    lines: [[px(20, 30), px(120, 30)]],
  };

  test('measures in the plane and above it', () => {
    const flat = measureFile(MeasureFile.parse(file));
    expect(flat.lines[0]!.length).toBeCloseTo(100, 2);
    expect(flat.cameraHeight).toBeCloseTo(camera.over, 2);
    expect(flat.troubles).toEqual([]);
    const above = measureFile(MeasureFile.parse({ ...file, above: 60, lines: [[px(20, 30, 60), px(120, 30, 60)]] }));
    expect(above.lines[0]!.length).toBeCloseTo(100, 2);
  });

  test('says what it cannot', () => {
    const none = measureFile(MeasureFile.parse({ ...file, corners: [file.corners[0], ...file.corners.slice(0, 3)] }));
    expect(none.lines).toEqual([]);
    expect(none.troubles).toHaveLength(1);
    const high = measureFile(MeasureFile.parse({ ...file, above: 5000 }));
    expect(high.lines).toEqual([{ length: null, plusMinus: null }]);
    expect(high.troubles[0]).toMatch(/behind it/);
    // straight from above nothing says how high it was, where the picture does not say its focal length
    const over = { ...camera, tilt: 0 };
    const corners = A4.map(([x, y]) => {
      const p = seenBy(over, { x, y })!;
      return [p.x, p.y];
    });
    const unknown = measureFile(MeasureFile.parse({ ...file, corners, image: SIZE, above: 40 }));
    expect(unknown.troubles[0]).toMatch(/focal length/);
    expect(unknown.cameraHeight).toBeUndefined();
    for (const bad of [
      { ...file, corners: file.corners.slice(1) },
      { ...file, sheet: 'a3' },
      { ...file, above: -1 },
      { ...file, image: { width: 0, height: 10 } },
      { ...file, lines: [[[1, 2]]] },
    ])
      expect(MeasureFile.safeParse(bad).success).toBe(false);
  });
});
