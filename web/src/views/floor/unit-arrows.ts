import { direction, type Point, prismFootprint } from '@heronstone/core/geometry';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan, type Station, type Unit } from '@heronstone/core/plan';
import { frameOf, type Tape, tapesFrom, unitPrism, wallGaps } from '@heronstone/core/room';
import { type Arrow } from '../arrows/arrow.ts';

/** How far from a unit the arrows of its own sizes are drawn, px. */
const OFF = 15;
/** How long the arrow is that shows where a front looks, px. */
const AHEAD = 44;

const toward = (p: Point, way: Point, by: number): Point => ({ x: p.x + way.x * by, y: p.y + way.y * by });
/** To a hundredth of a millimetre: a wall that is not quite square moves nothing along it. */
const tidy = (mm: number) => Math.round(mm * 100) / 100;
const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

/** Arrows to the walls: typed, the thing moves along its tape. A tape that goes through its wall says so. */
function tapeArrows(plan: Plan, tapes: readonly Tape[], thing: Point, onMove: (to: Point) => void): Arrow[] {
  return tapes.map(({ wallId, name, gap, from, to }) => ({
    key: wallId,
    label: `from the wall: ${name}`,
    from,
    to,
    mm: Math.max(0, Math.round(gap * 10) / 10),
    ...(gap < -0.5 ? { wrong: `${formatLength(-gap, plan.head.measure)} through it` } : {}),
    onLength: (mm: number) => {
      const inward = frameOf(plan, wallId)?.inward;
      if (!inward) return;
      const { x, y } = toward(thing, inward, mm - gap);
      onMove({ x: tidy(x), y: tidy(y) });
    },
  }));
}

/**
 * What is typed of a unit on Floor: its width along its front, its depth along its side, where its front looks, and how far it is from the walls.
 * @param mm how many mm a pixel is
 */
export function unitArrows(plan: Plan, unit: Unit, mm: number, set: (part: Partial<Unit>) => void): Arrow[] {
  const [fl, fr, br, bl] = prismFootprint(unitPrism(unit)) as [Point, Point, Point, Point];
  const ahead = direction(unit.facing);
  const tapes = wallGaps(plan, unit);
  // the depth stands on the side with more room
  const spare = (side: Point) =>
    Math.min(...tapes.filter((t) => Math.hypot(t.from.x - side.x, t.from.y - side.y) < 2).map((t) => t.gap), Infinity);
  const sides = [
    [fr, br],
    [fl, bl],
  ] as const;
  const [front, back] = spare(between(fr, br)) >= spare(between(fl, bl)) ? sides[0] : sides[1];
  const across = front === fr ? fl : fr;
  const wide = Math.max(1, unit.width);
  const aside = { x: (front.x - across.x) / wide, y: (front.y - across.y) / wide };
  const middle = between(fl, fr);
  const off = OFF * mm;
  return [
    {
      key: 'width',
      label: 'width',
      from: toward(fl, ahead, off),
      to: toward(fr, ahead, off),
      mm: unit.width,
      positive: true,
      onLength: (width) => set({ width }),
    },
    {
      key: 'depth',
      label: 'depth',
      from: toward(front, aside, off),
      to: toward(back, aside, off),
      mm: unit.depth,
      positive: true,
      onLength: (depth) => set({ depth }),
    },
    {
      key: 'facing',
      label: 'front looks to',
      from: toward(middle, ahead, 2 * off),
      to: toward(middle, ahead, 2 * off + AHEAD * mm),
      degrees: unit.facing,
      onTurn: (facing) => set({ facing }),
    },
    ...tapeArrows(plan, tapes, unit, (to) => set(to)),
  ];
}

/** What is typed of a seat on Floor: where it looks, and how far it is from the walls. */
export function seatArrows(
  plan: Plan,
  seat: Station,
  mm: number,
  move: (to: Partial<Pick<Station, 'x' | 'y' | 'heading'>>) => void,
): Arrow[] {
  const ahead = direction(seat.heading);
  return [
    {
      key: 'heading',
      label: 'looks to',
      from: toward(seat, ahead, OFF * mm),
      to: toward(seat, ahead, (OFF + AHEAD) * mm),
      degrees: seat.heading,
      onTurn: (heading) => move({ heading }),
    },
    ...tapeArrows(plan, tapesFrom(plan, [seat]), seat, ({ x, y }) => move({ x, y })),
  ];
}
