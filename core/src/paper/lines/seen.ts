import { apply, asOne, type Command, type Place, type Plan, SIDES, type Supply } from '../../record/plan/index.ts';
import { OWN_UPRIGHT } from '../../things/fit/index.ts';
import { kindOf } from '../../things/kinds/index.ts';
import { readLine, tookFor } from './read-line.ts';
import { type LineRead } from './line-read.ts';
import { lineContextOf, sameAs, takeIn } from './take-in.ts';

/** How a thing lies as it is seen from above. */
export const SEEN_WAYS = ['flat', 'edge', 'upright'] as const;
export type SeenWay = (typeof SEEN_WAYS)[number];

/** A thing seen from above in a place: its line, the two sides one sees (one for a round thing), how exactly (± mm), and what is known besides. */
export type Seen = {
  line: string;
  width: number;
  depth: number;
  round: boolean;
  plusMinus: number;
  way: SeenWay;
  /** how high it stands there, mm, where somebody said so */
  height: number | null;
  /** that height is by picture too, from another side */
  heightSeen?: boolean;
  /** its colour as the picture has it, where that is taken over */
  colour: string | null;
  chosen?: string | null;
};

const tidy = (mm: number) => Math.round(mm * 10) / 10;

/** How such a thing usually lies when it is looked at from above. */
export const usualWay = (supply: Pick<Supply, 'form' | 'lies'>): SeenWay =>
  supply.lies.includes('flat')
    ? 'flat'
    : supply.lies.includes('upright') || OWN_UPRIGHT.includes(supply.form)
      ? 'upright'
      : supply.lies.includes('edge')
        ? 'edge'
        : 'flat';

/** How high its upper side lies when it lies so, mm; 0 where that is not known. */
export function standsAt(supply: Pick<Supply, 'form' | 'width' | 'depth' | 'height'>, way: SeenWay): number {
  const { width, depth, height, form } = supply;
  if (way === 'flat' || OWN_UPRIGHT.includes(form)) return height ?? 0;
  const sorted = [width ?? 0, depth ?? 0, height ?? 0].sort((a, b) => b - a);
  return way === 'edge' ? sorted[1]! : sorted[0]!;
}

type Sizes = Pick<Supply, 'width' | 'depth' | 'height' | 'usual' | 'unsure' | 'pictured' | 'plusMinus'>;

/**
 * The sizes of a thing as they are after it was seen: two sides by picture, the third as it was known before, usual, or as it was said. A side that was
 * measured with a tape stays as it is.
 * @param of what is known of it; @param typed sides that the line itself says
 */
export function sizesSeen(
  of: Pick<Supply, 'form' | 'width' | 'depth' | 'height' | 'usual' | 'unsure'>,
  seen: Omit<Seen, 'line' | 'chosen' | 'colour'>,
  typed: readonly (typeof SIDES)[number][],
): Sizes {
  const [large, small] = [Math.max(seen.width, seen.depth), Math.min(seen.width, seen.depth)];
  const before = [of.width, of.depth, of.height].filter((mm) => mm !== null).sort((a, b) => b - a);
  const standing = OWN_UPRIGHT.includes(of.form);
  const flat = seen.way === 'flat' || standing;
  const deeper = of.width !== null && of.depth !== null && of.depth > of.width;
  // which of its sides are seen, and which one is not
  const [sides, hidden]: [Partial<Record<(typeof SIDES)[number], number>>, (typeof SIDES)[number]] = flat
    ? [deeper ? { width: small, depth: large } : { width: large, depth: small }, 'height']
    : seen.way === 'edge'
      ? [{ width: large, height: small }, 'depth']
      : [{ depth: large, height: small }, 'width'];
  const usual = { height: of.height, depth: before[1] ?? null, width: before[0] ?? null }[hidden];
  const sizes = { width: of.width, depth: of.depth, height: of.height, ...sides, [hidden]: seen.height ?? usual };
  for (const side of typed) sizes[side] = of[side];
  for (const side of SIDES) if (sizes[side] !== null) sizes[side] = Math.max(0.05, tidy(sizes[side]));
  const looked = [...(Object.keys(sides) as (typeof SIDES)[number][]), ...(seen.heightSeen ? [hidden] : [])];
  const pictured = looked.filter((f) => !typed.includes(f));
  const said = [...pictured, ...(seen.height === null ? [] : [hidden])];
  return {
    ...sizes,
    usual: of.usual.filter((f) => !said.includes(f as (typeof SIDES)[number])),
    unsure: of.unsure.filter((f) => !said.includes(f as (typeof SIDES)[number])),
    pictured,
    plusMinus: Math.min(1000, tidy(seen.plusMinus)),
  };
}

/** The line of a thing that was seen, understood, with the sizes the picture says. */
export function readSeen(plan: Plan, place: Place | null, seen: Seen): LineRead {
  const read = readLine(seen.line, { ...lineContextOf(plan, place), chosen: seen.chosen ?? null });
  if (read.what !== 'supply') return read;
  const { supply } = read;
  const typed = SIDES.filter((f) => supply[f] !== null && !read.guessed.includes(f));
  const sizes = sizesSeen(supply, seen, typed);
  const thing = { ...supply, ...sizes, colour: supply.colour ?? seen.colour };
  return {
    ...read,
    supply: thing,
    took: tookFor(thing, kindOf(thing.kind), read.container, plan.head.measure),
    guessed: [...new Set([...thing.usual, ...thing.unsure])],
  };
}

/**
 * Takes in all that was seen in a place: each lives there from now on. A thing that is on the list already, and was never measured, has its size from now.
 * @returns one change that undo takes back; or why not, with the place in the list of what is wrong
 */
export function takeSeen(
  plan: Plan,
  place: Place | null,
  all: readonly Seen[],
  today: string,
): { ok: true; command: Command; things: number } | { ok: false; reason: string; at: number } {
  const commands: Command[] = [];
  let now = plan;
  for (const [at, seen] of all.entries()) {
    const read = readSeen(now, place, seen);
    const there = read.what === 'supply' ? sameAs(now, read.supply) : null;
    const done = takeIn(now, place, read, today);
    if (!done.ok) return { ok: false, reason: done.reason, at };
    const mine: Command[] = [done.command];
    if (
      there &&
      read.what === 'supply' &&
      SIDES.some((f) => there[f] === null || there.usual.includes(f) || there.unsure.includes(f))
    ) {
      const known = SIDES.filter((f) => there[f] !== null && !there.usual.includes(f) && !there.unsure.includes(f));
      mine.push({ type: 'setSupply', id: there.id, set: sizesSeen(there, seen, known) });
    }
    for (const command of mine) {
      const next = apply(now, command);
      if (!next.ok) return { ok: false, reason: next.reason, at };
      now = next.plan;
      commands.push(command);
    }
  }
  if (commands.length === 0) return { ok: false, reason: 'Nothing has a name yet.', at: 0 };
  const words = `take in ${all.length === 1 ? 'a thing' : `${all.length} things`} by picture`;
  return { ok: true, command: asOne(words, commands), things: all.length };
}

/**
 * The third side of a thing, from its two sides in one picture and the two of another: the side that both have in common is told by its length.
 * @returns mm; null where no side of the second is within a tenth of one of the first
 */
export function thirdSide(first: readonly [number, number], second: readonly [number, number]): number | null {
  let best: { off: number; third: number } | null = null;
  for (const a of first)
    for (const [b, other] of [second, [second[1], second[0]]] as const) {
      const off = Math.abs(a - b) / Math.max(a, b);
      if (!best || off < best.off) best = { off, third: other };
    }
  return best && best.off <= 0.1 ? best.third : null;
}
