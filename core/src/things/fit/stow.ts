import { PLAY } from '../../record/catalogue/index.ts';
import { type Supply } from '../../record/plan/index.ts';
import { type Area, freeAreas, type Laid, layOnFloor, type Wanted } from './floor.ts';
import { capacityOf, faceOf, type Holder, isUpright } from './holder.ts';
import { CLOSE } from './piece.ts';
import { circlesLaid } from './round.ts';
import { type Setting, type Fit, fitAsItIs, MANY } from './fit-of.ts';
import { heldAs } from './storage.ts';

/** A container where it stands: from the left, the front and the floor of the place, outer sizes, mm. */
export type Standing = {
  id: string;
  name: string;
  left: number;
  front: number;
  bottom: number;
  width: number;
  depth: number;
  height: number;
};
/** A box that has no seat of its own yet and goes where there is room. */
export type Loose = { id: string; name: string; width: number; depth: number; height: number };
export type Thing = { id: string; supply: Supply; count: number };
export type Contents = { things: readonly Thing[]; standing: readonly Standing[]; boxes: readonly Loose[] };

/** A stack or column as it is laid: from the left and the front (of a board: from its left and its lower edge), mm. */
export type LaidStack = Area & {
  /** the thing or box it is of */
  id: string;
  pieces: number;
  layers: number;
  /** height of the stack, and what it lies on, mm from the floor */
  height: number;
  on: number;
};

export type StowedThing = Thing & {
  /** alone in the place */
  alone: Fit;
  /** in the measure of the nature */
  use: number;
  /** pieces that found no room beside the others */
  over: number;
  /** kinds that lie on it and are lifted off first */
  under: number;
};

/** How a place is filled. */
export type Stowage = {
  nature: Holder['nature'];
  /** in the measure of the nature: mm, mm², litres or pockets */
  capacity: number;
  used: number;
  things: StowedThing[];
  stacks: LaidStack[];
  /** plain sentences on what is wrong */
  faults: string[];
};

/**
 * Fills a place: containers where they stand, then boxes and things, laid for real. Works for any contents; what does not go in is said. Things come in the
 * order in which they may claim room.
 */
export function stow(holder: Holder, { things, standing, boxes }: Contents): Stowage {
  const uses = things.map((thing): StowedThing => {
    const { supply, per } = heldAs(thing.supply);
    const count = Math.ceil(thing.count / per);
    const alone = fitAsItIs(holder, supply, count);
    return { ...thing, supply, count, alone, use: alone.ok ? alone.use : 0, over: 0, under: 0 };
  });
  const faults = seatFaults(holder, standing);
  for (const { supply, alone } of uses)
    if (!alone.ok && alone.reason !== 'not measured yet') faults.push(`${supply.name}: ${alone.reason}`);
  const out: Stowage = {
    nature: holder.nature,
    capacity: capacityOf(holder),
    used: 0,
    things: uses,
    stacks: [],
    faults,
  };
  if (holder.nature === 'bulk') fillBulk(standing, boxes, out);
  else if (holder.nature === 'pockets') fillPockets(out);
  else if (holder.nature === 'row') fillRow(holder, standing, boxes, out);
  else fillFloor(holder, standing, boxes, out);
  // said again in pieces, not in the sheets, jars and cards that hold them
  out.things = uses.map((use, i) => {
    const thing = things[i]!;
    const { per } = heldAs(thing.supply);
    return { ...use, ...thing, over: Math.min(thing.count, use.over * per) };
  });
  return out;
}

/** Containers that stick out of the place or stand in each other. */
function seatFaults(holder: Holder, standing: readonly Standing[]): string[] {
  const faults: string[] = [];
  for (const [i, a] of standing.entries()) {
    const out = Math.max(
      a.left + a.width - holder.width,
      a.front + a.depth - holder.depth,
      a.bottom + a.height - holder.height,
    );
    if (out > 0.5) faults.push(`${a.name} is ${Math.ceil(out)} mm too big for where it stands`);
    for (const b of standing.slice(i + 1)) {
      const into = Math.min(
        a.left + a.width - b.left,
        b.left + b.width - a.left,
        a.front + a.depth - b.front,
        b.front + b.depth - a.front,
        a.bottom + a.height - b.bottom,
        b.bottom + b.height - a.bottom,
      );
      if (into > 0.5) faults.push(`${a.name} and ${b.name} stand ${Math.ceil(into)} mm in each other`);
    }
  }
  return faults;
}

const litres = ({ width, depth, height }: { width: number; depth: number; height: number }) =>
  (width * depth * height) / 1e6;

function fillBulk(standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
  out.used = [...standing, ...boxes].reduce((sum, b) => sum + litres(b), 0);
  for (const thing of out.things) out.used += thing.use;
  const over = out.used - out.capacity;
  if (over > CLOSE && !out.things.some((t) => !t.alone.ok))
    out.faults.push(`over-full by ${(Math.ceil(over * 10 - 1e-6) / 10).toFixed(1)} l`);
  markOver(out);
}

function fillPockets(out: Stowage): void {
  for (const thing of out.things) out.used += thing.use;
  if (out.used > out.capacity) out.faults.push(`needs ${out.used - out.capacity} more pockets`);
  markOver(out);
}

/** Of what is measured and not laid, the last ones to come find no room. */
function markOver(out: Stowage): void {
  let room = out.capacity;
  for (const thing of out.things) {
    if (!thing.alone.ok || thing.use <= room + CLOSE) {
      room -= thing.use;
      continue;
    }
    const fits = thing.use > 0 ? Math.max(0, Math.floor((thing.count * Math.max(0, room)) / thing.use)) : 0;
    thing.over = thing.count - fits;
    room = 0;
  }
}

/** Along the front, in the gaps that containers leave. */
function fillRow(holder: Holder, standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
  const gaps = gapsOf(holder.width, standing);
  const taken = holder.width - gaps.reduce((sum, g) => sum + g.to - g.from, 0);
  out.used = taken;
  let over = 0;
  const take = (mm: number): number | null => {
    const gap = gaps.find((g) => g.to - g.from >= mm - 1e-3);
    if (!gap) return null;
    const at = gap.from;
    gap.from += mm;
    return at;
  };
  for (const box of boxes) {
    const ways = [
      { across: box.width + PLAY, deep: box.depth + PLAY },
      { across: box.depth + PLAY, deep: box.width + PLAY },
    ].filter(
      (w) => w.deep <= holder.depth + CLOSE && w.across <= holder.width + CLOSE && box.height <= holder.height + CLOSE,
    );
    const way = ways.sort((a, b) => a.across - b.across)[0];
    if (!way) {
      out.faults.push(`${box.name} does not go in`);
      out.used += box.width + PLAY;
      continue;
    }
    out.used += way.across;
    const at = take(way.across);
    if (at === null) over += way.across;
    else
      out.stacks.push({
        id: box.id,
        pieces: 1,
        layers: 1,
        x: at,
        y: 0,
        width: way.across,
        depth: way.deep,
        height: box.height,
        on: 0,
      });
  }
  for (const thing of out.things) {
    if (!thing.alone.ok) continue;
    out.used += thing.use;
    over += layInRow(holder, thing, thing.alone.set, take, out);
  }
  if (over > 0.5 && out.things.every((t) => t.alone.ok || t.alone.reason === 'not measured yet'))
    out.faults.push(`over-full by ${Math.ceil(Math.max(over, out.used - out.capacity))} mm`);
}

/** One kind of thing in a row, whole if it can be, else column by column; returns the frontage that found no room. */
function layInRow(
  holder: Holder,
  thing: StowedThing,
  set: Setting | null,
  take: (mm: number) => number | null,
  out: Stowage,
): number {
  const { id, count } = thing;
  if (!set) {
    const at = take(thing.use);
    if (at === null) thing.over = count;
    else
      out.stacks.push({
        id,
        pieces: count,
        layers: 1,
        x: at,
        y: 0,
        width: thing.use,
        depth: holder.depth,
        height: 1,
        on: 0,
      });
    return at === null ? thing.use : 0;
  }
  if (set.staggered) {
    const at = take(set.frontage);
    if (at === null) {
      thing.over = count;
      return set.frontage;
    }
    let left = count;
    for (const c of circlesLaid(set.stacks, set.frontage, holder.depth, set.width)) {
      const pieces = Math.min(set.layers, left);
      left -= pieces;
      out.stacks.push({
        id,
        pieces,
        layers: pieces,
        x: at + c.x - set.width / 2,
        y: c.y - set.width / 2,
        width: set.width,
        depth: set.width,
        height: pieces * set.pose.height,
        on: 0,
      });
    }
    return 0;
  }
  let left = count;
  let over = 0;
  const whole = take(set.frontage);
  const columns = Math.max(1, Math.ceil(set.stacks / set.deep));
  const each = set.frontage / columns;
  for (let c = 0; c < columns && left > 0; c++) {
    const pieces = Math.min(left, set.deep * set.pieces);
    const at = whole === null ? take(each) : whole + c * each;
    left -= pieces;
    if (at === null) {
      over += each;
      thing.over += pieces;
      continue;
    }
    out.stacks.push({
      id,
      pieces,
      layers: set.layers,
      x: at,
      y: 0,
      width: each,
      depth: Math.min(holder.depth, set.deep * set.depth),
      height: set.height,
      on: 0,
    });
  }
  return over;
}

/** Free stretches of a width beside what stands there, from the left. */
function gapsOf(width: number, standing: readonly Standing[]): { from: number; to: number }[] {
  const gaps: { from: number; to: number }[] = [];
  let at = 0;
  for (const s of [...standing].sort((a, b) => a.left - b.left)) {
    if (s.left - at > CLOSE) gaps.push({ from: at, to: Math.min(width, s.left) });
    at = Math.max(at, s.left + s.width);
  }
  if (width - at > CLOSE) gaps.push({ from: at, to: width });
  return gaps;
}

type Piled = { thing: StowedThing; pieces: number; layers: number; height: number };

/** On a floor, a board’s face, or in piles: packed for real; what finds no floor lies on what bears it. */
function fillFloor(holder: Holder, standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
  const upright = isUpright(holder);
  const face = upright ? { width: holder.height, depth: holder.depth } : faceOf(holder);
  const room = upright ? holder.width : holder.kind === 'board' ? holder.depth : holder.height;
  const area = face.width * face.depth;
  const pile = holder.nature === 'pile';
  const taken: Area[] = standing.map((s) => ({ x: s.left, y: s.front, width: s.width, depth: s.depth }));
  const free = freeAreas(face.width, face.depth, taken);
  const covered = area - coverOf(free);
  out.used = pile ? (covered / area) * out.capacity : covered;
  const wanted: Wanted<Piled | Loose>[] = boxes.map((box) => ({
    width: box.width + PLAY,
    depth: box.depth + PLAY,
    of: box,
  }));
  for (const box of boxes) if (box.height > room + CLOSE) out.faults.push(`${box.name} does not go in`);
  for (const box of boxes)
    out.used += pile
      ? out.capacity * Math.min(1, ((box.width + PLAY) * (box.depth + PLAY)) / area)
      : (box.width + PLAY) * (box.depth + PLAY);
  for (const thing of out.things) {
    if (!thing.alone.ok) continue;
    out.used += thing.use;
    const { set } = thing.alone;
    if (set?.staggered) layStaggered(face, thing, set, out, standing.length + boxes.length + out.things.length === 1);
    else if (set) wanted.push(...stacksOf(thing, set, face));
    else
      out.stacks.push({
        id: thing.id,
        pieces: thing.count,
        layers: thing.count,
        x: 0,
        y: 0,
        width: face.width,
        depth: face.depth,
        height: 1,
        on: room - 1,
      });
  }
  const mayTurn = holder.kind !== 'board';
  const { laid, over } = layOnFloor(face.width, face.depth, taken, wanted, mayTurn);
  const asStack = (l: Laid<Piled | Loose>, on: number): LaidStack => {
    const of = l.of;
    const isThing = 'thing' in of;
    return {
      id: isThing ? of.thing.id : of.id,
      pieces: isThing ? of.pieces : 1,
      layers: isThing ? of.layers : 1,
      x: l.x,
      // things hang from above: a board’s rectangles are counted from below
      y: holder.kind === 'board' ? face.depth - l.y - l.depth : l.y,
      width: l.width,
      depth: l.depth,
      height: of.height,
      on,
    };
  };
  const ground = laid.map((l) => ({ laid: l, stack: asStack(l, 0) }));
  out.stacks.push(...ground.map((g) => g.stack));
  let upon: Upon = { stacks: [], under: new Map(), left: over };
  if (holder.kind !== 'board' && over.length > 0) {
    upon = pileUp(ground, over, room, pile, mayTurn, false, asStack);
    if (upon.left.length > 0) {
      const other = pileUp(ground, over, room, pile, mayTurn, true, asStack);
      if (other.left.length < upon.left.length) upon = other;
    }
  }
  out.stacks.push(...upon.stacks);
  for (const [thing, more] of upon.under) thing.under += more;
  const { left } = upon;
  let short = 0;
  for (const want of left) {
    if ('thing' in want.of) want.of.thing.over += want.of.pieces;
    short += want.width * want.depth;
  }
  if (short > 0 && out.things.every((t) => t.alone.ok || t.alone.reason === 'not measured yet')) {
    const names = [...new Set(out.things.filter((t) => t.over > 0).map((t) => t.supply.name))];
    const what =
      names.length === 0
        ? 'a box finds no room'
        : `no room for ${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''}`;
    out.faults.push(`over-full: ${what}`);
  }
}

type Upon = { stacks: LaidStack[]; under: Map<StowedThing, number>; left: Wanted<Piled | Loose>[] };
type Bearing = { laid: Laid<Piled | Loose>; stack: LaidStack };

/** What takes so much of what it would lie on is laid there before anything tall stands about (own assumption). */
const COVERS = 0.6;

/**
 * What found no floor laid on what bears it, the largest first.
 * @param tallFirst where nothing covers most of what it lies on, what is high stands first: it can stand nowhere higher up
 */
function pileUp(
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
function coverOf(free: readonly Area[]): number {
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

/** The stacks of one thing as rectangles; very many are put together in blocks that go in. */
function stacksOf(thing: StowedThing, set: Setting, face: { width: number; depth: number }): Wanted<Piled>[] {
  const deep =
    set.stacks > MANY
      ? Math.max(1, Math.min(Math.floor((face.depth + CLOSE) / set.depth), Math.ceil(set.stacks / MANY)))
      : 1;
  const out: Wanted<Piled>[] = [];
  for (let left = thing.count; left > 0; left -= set.pieces * deep) {
    const pieces = Math.min(left, set.pieces * deep);
    const rows = Math.ceil(pieces / set.pieces);
    const layers = Math.min(set.layers, pieces);
    const height = (set.height / set.layers) * layers;
    out.push({ width: set.width, depth: set.depth * rows, of: { thing, pieces, layers, height } });
  }
  return out;
}

/** Circles staggered over the whole floor: only where nothing else is there. */
function layStaggered(
  face: { width: number; depth: number },
  thing: StowedThing,
  set: Setting,
  out: Stowage,
  alone: boolean,
): void {
  if (!alone) {
    thing.over = thing.count;
    out.faults.push(`${thing.supply.name} need the whole floor`);
    return;
  }
  let left = thing.count;
  for (const c of circlesLaid(set.stacks, face.width, face.depth, set.width)) {
    const pieces = Math.min(set.layers, left);
    left -= pieces;
    out.stacks.push({
      id: thing.id,
      pieces,
      layers: pieces,
      x: c.x - set.width / 2,
      y: c.y - set.width / 2,
      width: set.width,
      depth: set.width,
      height: pieces * set.pose.height,
      on: 0,
    });
  }
}
