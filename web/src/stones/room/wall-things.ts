import { type Command, type Fixture, type Opening } from '@heronstone/core/plan';
import { type Arrow } from '../../views/arrows/arrow.ts';

/** What is on a wall: an opening or a fixture. */
export type OnWall = Opening | Fixture;
export const isOpening = (thing: OnWall): thing is Opening => 'hinge' in thing;

/** What a length of it is called on its arrow. */
const NAMES = { left: 'from the left', bottom: 'above the floor', sill: 'sill' } as const;

/** Where it is on the wall, mm: from its left end, above the floor, how wide and high. */
export function boxOf(thing: OnWall) {
  const { left, width } = thing;
  return isOpening(thing)
    ? { left, width, bottom: thing.sill, height: thing.head - thing.sill }
    : { left, width, bottom: thing.bottom, height: thing.height };
}

export function settingOf(thing: OnWall, set: Partial<Opening> & Partial<Fixture>): Command {
  return isOpening(thing)
    ? { type: 'setOpening', id: thing.id, set: set as Partial<Opening> }
    : { type: 'setFixture', id: thing.id, set: set as Partial<Fixture> };
}

/** Steps in which it is moved by hand, mm. */
const STEP = 10;
const toStep = (mm: number) => Math.round(mm / STEP) * STEP;

/**
 * What changes where it is drawn elsewhere on its wall: it stays between the wall’s ends and above the floor; a door stays on it.
 * @param right how far it went to the right, mm; @param up how far up; @param wall how long the wall is
 */
export function movedOnWall(
  thing: OnWall,
  right: number,
  up: number,
  wall: number,
): Partial<Opening> & Partial<Fixture> {
  const { width, bottom } = boxOf(thing);
  const left = Math.max(0, Math.min(toStep(thing.left + right), Math.max(0, wall - width)));
  // moved by hand is not measured
  const sizeBy = thing.sizeBy === 'usual' ? 'usual' : 'guess';
  if (!isOpening(thing)) return { left, bottom: Math.max(0, toStep(thing.bottom + up)), sizeBy };
  if (thing.kind === 'door') return { left, sizeBy };
  const by = Math.max(-bottom, toStep(up));
  return { left, sill: thing.sill + by, head: thing.head + by, sizeBy };
}

/**
 * Lengths of a thing on its own arrows, in mm along the wall and above the floor: how far from the wall’s left end and above the floor, how wide, how high.
 */
export function thingArrows(thing: OnWall, mm: number, run: (command: Command) => void): Arrow[] {
  const { left, width, bottom, height } = boxOf(thing);
  const middle = bottom + height / 2;
  const off = 12 * mm;
  const set = (part: Partial<Opening> & Partial<Fixture>) => run(settingOf(thing, part));
  const arrow = (key: string, label: string, from: [number, number], to: [number, number], value: number) => ({
    key,
    label,
    from: { x: from[0], y: from[1] },
    to: { x: to[0], y: to[1] },
    mm: value,
    positive: key === 'width' || key === 'height' || key === 'head',
    onLength: (length: number) => set({ [key]: length }),
  });
  const across = left + width / 2;
  const beside = left + width + off;
  const lamp = !isOpening(thing) && thing.kind === 'lamp';
  return [
    arrow('left', NAMES.left, [left, middle], [0, middle], left),
    arrow('width', 'width', [left, bottom + height + off], [left + width, bottom + height + off], width),
    ...(isOpening(thing)
      ? [
          ...(thing.kind === 'window' ? [arrow('sill', NAMES.sill, [across, bottom], [across, 0], thing.sill)] : []),
          arrow('head', 'head', [beside, thing.head], [beside, 0], thing.head),
        ]
      : [
          arrow('bottom', NAMES.bottom, [across, bottom], [across, 0], bottom),
          ...(lamp ? [] : [arrow('height', 'height', [beside, bottom], [beside, bottom + height], height)]),
        ]),
  ];
}
