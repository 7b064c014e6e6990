import { PLAY } from '../../record/catalogue/index.ts';
import { type Area, freeAreas, type Laid, layOnFloor, type Wanted } from './floor.ts';
import { faceOf, type Holder, isUpright } from './holder.ts';
import { CLOSE } from './piece.ts';
import { circlesLaid } from './round.ts';
import { type Setting, MANY } from './fit.ts';
import { type Standing, type Loose, type Stowage, type LaidStack, type StowedThing } from './stowage.ts';
import { coverOf, type Piled, type Upon, pileUp } from './pile-up.ts';

/** On a floor, a board’s face, or in piles: packed for real; what finds no floor lies on what bears it. */
export function fillFloor(holder: Holder, standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
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
