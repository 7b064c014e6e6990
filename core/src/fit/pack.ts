import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { homesIn, type Place, type Plan } from '../plan/index.ts';
import { fitBlocks } from './blocks.ts';
import { PLAY } from './organisers.ts';
import { pieceOf } from './supply.ts';

/** Free space on each side of a piece, mm (docs/computation.md 5.1). */
const MARGIN = 2;
/** More stacks of one thing than this are drawn as one block of rows. */
const MANY = 40;

/** One stack seen from above: from the left and from the front of the place, mm. */
export type Stack = {
  id: string;
  name: string;
  kind: 'supply' | 'organiser';
  x: number;
  y: number;
  width: number;
  depth: number;
  /** pieces in it */
  pieces: number;
};
export type Inside = {
  stacks: Stack[];
  /** what found no room, by name with how many pieces */ left: { name: string; pieces: number }[];
};

type Rect = { width: number; height: number; data: { id: string; name: string; kind: Stack['kind']; pieces: number } };

/**
 * The floor plan of a place: its organisers and the stacks of what lives in it, packed as rectangles without overlap
 * (maxrects-packer library). Things without sizes are left out.
 */
export function packPlace(plan: Plan, place: Place): Inside {
  const rects: Rect[] = [];
  const left = new Map<string, number>();
  const miss = (name: string, pieces: number) => left.set(name, (left.get(name) ?? 0) + pieces);
  for (const set of Object.values(plan.organiserSets)) {
    const organiser = plan.organisers[set.organiserId];
    if (set.placeId !== place.id || !organiser) continue;
    const stacked = Math.max(1, Math.floor(place.height / (organiser.height + PLAY)));
    const data = { id: organiser.id, name: organiser.name, kind: 'organiser' as const };
    if (organiser.height > place.height) miss(organiser.name, set.count);
    else
      for (let rest = set.count; rest > 0; rest -= stacked)
        rects.push({
          width: organiser.width + PLAY,
          height: organiser.depth + PLAY,
          data: { ...data, pieces: Math.min(rest, stacked) },
        });
  }
  for (const home of homesIn(plan, place.id)) {
    const supply = plan.supplies[home.supplyId];
    const piece = supply && pieceOf(supply);
    if (!supply || !piece) continue;
    const count = supply[home.share];
    const ways = supply.lies.filter((w) => w !== 'hanging');
    const fit = fitBlocks(place, piece, count, ways, supply.stackLimit);
    if (!fit) {
      miss(supply.name, count);
      continue;
    }
    const stacks = Math.ceil(count / fit.layers);
    const deep = stacks > MANY ? Math.min(fit.rows, stacks) : 1;
    const w = fit.turned.width + 2 * MARGIN;
    const d = fit.turned.depth + 2 * MARGIN;
    for (let rest = count; rest > 0; rest -= fit.layers * deep)
      rects.push({
        width: w,
        height: d * deep,
        data: { id: supply.id, name: supply.name, kind: 'supply', pieces: Math.min(rest, fit.layers * deep) },
      });
  }
  const packer = new MaxRectsPacker<MaxRect>(place.width, place.depth, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  packer.addArray(rects.map((r) => ({ ...r, x: 0, y: 0, rot: false })) as MaxRect[]);
  const stacks: Stack[] = [];
  for (const [i, bin] of packer.bins.entries())
    for (const rect of bin.rects) {
      const { id, name, kind, pieces } = rect.data;
      // the library marks a turned rectangle and leaves its sides as they were given
      const [width, depth] = rect.rot ? [rect.height, rect.width] : [rect.width, rect.height];
      const inside = i === 0 && rect.x + width <= place.width + 1e-6 && rect.y + depth <= place.depth + 1e-6;
      if (inside) stacks.push({ id, name, kind, x: rect.x, y: rect.y, width, depth, pieces });
      else miss(name, pieces);
    }
  return { stacks, left: [...left].map(([name, pieces]) => ({ name, pieces })) };
}

type MaxRect = Rect & { x: number; y: number; rot: boolean };
