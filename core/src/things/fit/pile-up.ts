import { type Area, type Laid, layOnFloor, type Wanted } from './floor.ts';
import { CLOSE } from './piece.ts';
import { type StowedThing, type LaidStack, type Loose } from './stowage.ts';

export type Piled = { thing: StowedThing; pieces: number; layers: number; height: number };

export type Upon = { stacks: LaidStack[]; under: Map<StowedThing, number>; left: Wanted<Piled | Loose>[] };

type Bearing = { laid: Laid<Piled | Loose>; stack: LaidStack };

/** What takes so much of what it would lie on is laid there before anything tall stands about (own assumption). */
const COVERS = 0.6;

/**
 * What found no floor laid on what bears it, the largest first.
 * @param tallFirst where nothing covers most of what it lies on, what is high stands first: it can stand nowhere higher up
 */
export function pileUp(
  ground: readonly Bearing[],
  over: readonly Wanted<Piled | Loose>[],
  room: number,
  pile: boolean,
  mayTurn: boolean,
  tallFirst: boolean,
  asStack: (l: Laid<Piled | Loose>, on: number) => LaidStack,
): Upon {
  let left = [...over];
  const stacks: LaidStack[] = [];
  const under = new Map<StowedThing, number>();
  const thingOf = ({ laid }: Bearing) => ('thing' in laid.of ? laid.of.thing : null);
  const bearing = ground.filter((b) => bears(thingOf(b), pile));
  for (let i = 0; i < bearing.length && left.length > 0; i++) {
    bearing.splice(
      i,
      bearing.length,
      ...bearing.slice(i).sort((a, b) => b.stack.width * b.stack.depth - a.stack.width * a.stack.depth),
    );
    const { stack } = bearing[i]!;
    const thing = thingOf(bearing[i]!)!;
    const top = stack.on + stack.height;
    const may = (want: Wanted<Piled | Loose>) =>
      'thing' in want.of && want.of.thing.id !== thing.id && top + want.of.height <= room + CLOSE;
    const wanted = left.filter(may);
    const covers = wanted.filter((w) => w.width * w.depth > COVERS * stack.width * stack.depth);
    const tall = tallFirst && covers.length === 0 ? wanted.filter((w) => w.of.height > (room - top) / 2) : [];
    const first = layOnFloor(stack.width, stack.depth, [], tall.length > 0 ? tall : wanted, mayTurn);
    const rest =
      tall.length > 0
        ? layOnFloor(
            stack.width,
            stack.depth,
            first.laid,
            wanted.filter((w) => !tall.includes(w)),
            mayTurn,
          )
        : { laid: [], over: [] };
    const laid = [...first.laid, ...rest.laid];
    if (laid.length === 0) continue;
    left = [...left.filter((want) => !may(want)), ...first.over, ...rest.over];
    // whatever lies on it is lifted off first
    under.set(thing, (under.get(thing) ?? 0) + laid.length);
    for (const l of laid) {
      const at = { ...l, x: stack.x + l.x, y: stack.y + l.y };
      const on: Bearing = { laid: at, stack: asStack(at, top) };
      stacks.push(on.stack);
      if (bears(thingOf(on), pile)) bearing.push(on);
    }
  }
  return { stacks, under, left };
}

/** Whether other things may lie on one: anything in a pile, else what the maker lets bear. */
const bears = (thing: StowedThing | null, pile: boolean): boolean => thing !== null && (pile || thing.supply.bears);

/** The area of largest free rectangles that overlap each other. */
export function coverOf(free: readonly Area[]): number {
  const xs = [...new Set(free.flatMap((f) => [f.x, f.x + f.width]))].sort((a, b) => a - b);
  const ys = [...new Set(free.flatMap((f) => [f.y, f.y + f.depth]))].sort((a, b) => a - b);
  let sum = 0;
  for (let i = 0; i + 1 < xs.length; i++)
    for (let k = 0; k + 1 < ys.length; k++) {
      const [x, y] = [(xs[i]! + xs[i + 1]!) / 2, (ys[k]! + ys[k + 1]!) / 2];
      if (free.some((f) => x > f.x && x < f.x + f.width && y > f.y && y < f.y + f.depth))
        sum += (xs[i + 1]! - xs[i]!) * (ys[k + 1]! - ys[k]!);
    }
  return sum;
}
