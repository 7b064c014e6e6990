import { PLAY } from '../../record/catalogue/index.ts';
import { type Holder } from './holder.ts';
import { CLOSE } from './piece.ts';
import { circlesLaid } from './round.ts';
import { type Setting } from './fit.ts';
import { type Standing, type Loose, type Stowage, type StowedThing } from './stowage.ts';

/** Along the front, in the gaps that containers leave. */
export function fillRow(holder: Holder, standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
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
