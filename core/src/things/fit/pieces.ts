import { type Place, type Plan } from '../../record/plan/index.ts';
import { stowageOf } from './contents.ts';

/** A thing as one sees it in a place from the front, in shares of the place’s width and height, from its left and its floor; its colour, where one is known. */
export type Piece = { left: number; width: number; low: number; height: number; colour: string | null };

/** More pieces of one place are not told apart on a ribbon. */
const MOST = 40;
/** What lies flat is seen as a line at least. */
const LEAST = 0.03;

/**
 * What is in a place as it lies, seen from the front: stacks and columns where they are laid, the farthest first; where things are thrown in, pocketed or stand in a slot,
 * beside each other in the shares of their room.
 */
export function piecesIn(plan: Plan, place: Place): Piece[] {
  const { things, stacks, capacity, used, nature } = stowageOf(plan, place);
  const colourOf = new Map(things.map((t) => [t.id, t.supply.colour]));
  const wide = Math.max(1, place.width);
  const high = Math.max(1, place.height);
  const upright = place.kind === 'slot' && nature === 'pile';
  // a board is looked at as it hangs: what is deep on the floor is high on its face
  const board = place.kind === 'board';
  const laid = upright ? [] : stacks.filter((s) => colourOf.has(s.id));
  if (laid.length > 0)
    return [...laid]
      .sort((a, b) => b.y - a.y || a.on - b.on)
      .slice(-MOST)
      .map((s) => ({
        ...within(s.x / wide, s.width / wide, 'left'),
        ...(board
          ? within(s.y / high, s.depth / high, 'low')
          : within(s.on / high, Math.max(LEAST, s.height / high), 'low')),
        colour: colourOf.get(s.id) ?? null,
      }));
  const full = capacity > 0 ? Math.min(1, used / capacity) : 0;
  const sum = things.reduce((a, t) => a + t.use, 0);
  // what does not go in at all, or is not measured, is seen to be there all the same
  if (sum <= 0)
    return things.slice(0, MOST).map((t, i, all) => ({
      ...{ left: i / all.length, width: 1 / all.length, low: 0, height: 1 },
      colour: colourOf.get(t.id) ?? null,
    }));
  let left = 0;
  return things.slice(0, MOST).map((t) => {
    const share = t.use / sum;
    const width = upright ? share * full : share;
    const piece = {
      left,
      width,
      low: 0,
      height: upright ? 0.9 : Math.max(LEAST, full),
      colour: colourOf.get(t.id) ?? null,
    };
    left += width;
    return piece;
  });
}

/** A stretch kept inside 0 to 1: what hangs over is drawn to the edge. */
function within(from: number, size: number, as: 'left'): { left: number; width: number };
function within(from: number, size: number, as: 'low'): { low: number; height: number };
function within(from: number, size: number, as: 'left' | 'low') {
  const a = Math.min(1, Math.max(0, from));
  const b = Math.min(1, Math.max(a, from + size));
  return as === 'left' ? { left: a, width: b - a } : { low: a, height: b - a };
}
