import { FILE_PITCH, type Nature, type PlaceKind } from '../../record/catalogue/index.ts';
import { natureOf, type Place } from '../../record/plan/index.ts';

/** What holds: the inside of a place, mm, and how it holds. */
export type Holder = {
  kind: PlaceKind;
  nature: Nature;
  width: number;
  depth: number;
  height: number;
  pockets: number;
};

/** A place as what holds. */
export function holderOf(place: Pick<Place, 'kind' | 'nature' | 'width' | 'depth' | 'height' | 'pockets'>): Holder {
  const { kind, width, depth, height } = place;
  const nature = natureOf(place);
  const files = nature === 'pockets' ? Math.max(1, Math.floor(depth / FILE_PITCH)) : 0;
  return { kind, nature, width, depth, height, pockets: place.pockets || files };
}

/** Of the inner volume so much is filled with things as they come (common practice, no source). */
export const BULK_SHARE = 0.85;
/** Of a floor so much is covered before it is packed for real: a first guess (own assumption). */
export const AREA_SHARE = 0.85;
/** Pitch of the holes of a peg board and of hooks, and finger room between things hung up, mm (docs/sources.md, 5). */
export const PITCH = 25.4;
export const FINGER_ROOM = 15;
/** A pocket takes so thick a pile, mm (own assumption). */
export const POCKET_THICK = 6;

/** What the floor of a place is looked at as: a board is its face, the side of upright slots their back. */
export const faceOf = (holder: Holder): { width: number; depth: number } =>
  holder.kind === 'board'
    ? { width: holder.width, depth: holder.height }
    : { width: holder.width, depth: holder.depth };

/** Sheets stand in a slot: their pile grows across it. */
export const isUpright = (holder: Pick<Holder, 'kind'>): boolean => holder.kind === 'slot';

/** How much a place holds in the measure of its nature: row and pile mm, area mm², bulk litres, pockets their number. */
export function capacityOf(holder: Holder): number {
  const { nature, width, depth, height } = holder;
  if (nature === 'row') return width;
  if (nature === 'pile') return isUpright(holder) ? width : height;
  if (nature === 'pockets') return holder.pockets;
  if (nature === 'bulk') return (width * depth * height * BULK_SHARE) / 1e6;
  const face = faceOf(holder);
  return face.width * face.depth;
}
