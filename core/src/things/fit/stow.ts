import { capacityOf, type Holder } from './holder.ts';
import { fitAsItIs } from './fit-of.ts';
import { heldAs } from './storage.ts';
import { type Contents, type Stowage, type StowedThing, type Standing } from './stowage.ts';
import { fillBulk, fillPockets } from './stow-by-volume.ts';
import { fillRow } from './stow-in-row.ts';
import { fillFloor } from './stow-on-floor.ts';

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
