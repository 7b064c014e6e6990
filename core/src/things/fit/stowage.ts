import { type Supply } from '../../record/plan/index.ts';
import { type Area } from './floor.ts';
import { type Holder } from './holder.ts';
import { CLOSE } from './piece.ts';
import { type Fit } from './fit.ts';

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

/** Of what is measured and not laid, the last ones to come find no room. */
export function markOver(out: Stowage): void {
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
