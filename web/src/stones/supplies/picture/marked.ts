import {
  type FoundSheet,
  type ImageSize,
  KNOWN,
  type Known,
  type KnownSize,
  type Marked,
  CODED,
} from '@heronstone/core/picture';
import { type Picture, type Place, type Plan } from '@heronstone/core/plan';
import { pairs } from '../../../views/inside/ground.ts';
import { type Point } from './shapes.ts';

/** What a picture is of. */
export type Of = { what: 'place' | 'front' | 'wall' | 'thing'; id: string | null };
/** What of known size lies in it: the measuring sheet by its codes, the place or unit itself, a sheet, a card, or sizes of one’s own. */
export type KnownChoice = 'sheet' | 'itself' | Known | 'own';

/** What is marked in the picture now. */
export type Marking = {
  image: ImageSize;
  known: KnownChoice;
  own: KnownSize;
  /** the measuring sheet, where it was found */
  sheet: FoundSheet | null;
  /** corners of what is known, px, the upper left first */
  corners: Point[];
  /** corners of what is measured, px; null: that is what is known */
  frame: Point[] | null;
  straight: Point[][];
  /** how the lens bends, known from before; null: straight edges say it */
  lens: number | null;
};

/** The two sides, as one looks at it, of what is measured, where the plan knows them; mm. */
export function sizeOf(plan: Plan, of: Of, ceiling: number): KnownSize | null {
  if (of.what === 'place') {
    const place: Place | undefined = plan.places[of.id ?? ''];
    return place ? { width: place.width, height: place.kind === 'board' ? place.height : place.depth } : null;
  }
  if (of.what === 'front') {
    const unit = plan.units[of.id ?? ''];
    return unit ? { width: unit.width, height: unit.height } : null;
  }
  if (of.what === 'wall') {
    const wall = plan.walls[of.id ?? ''];
    return wall ? { width: wall.length, height: ceiling } : null;
  }
  return null;
}

export function knownSize(marking: Marking, itself: KnownSize | null): KnownSize | null {
  const { known, sheet, own } = marking;
  if (known === 'sheet') return sheet ? KNOWN[sheet.paper] : null;
  if (known === 'itself') return itself;
  return known === 'own' ? own : KNOWN[known];
}

/** What the core reads a plane from; null while nothing is known. */
export function markedFor(marking: Marking, itself: KnownSize | null): Marked | null {
  const known = knownSize(marking, itself);
  if (!known) return null;
  const { image, corners, straight, sheet } = marking;
  const coded = marking.known === 'sheet' && sheet;
  return {
    ...{ image, known, corners, straight },
    ...(marking.lens !== null && straight.length === 0 ? { lens: marking.lens } : {}),
    ...(coded ? { marks: sheet.marks, pointing: CODED } : {}),
  };
}

/** Four corners well inside a picture, to be pulled from there. */
export function middling({ width, height }: ImageSize, share = 0.25): Point[] {
  const [x, y] = [width * share, height * share];
  return [
    { x, y },
    { x: width - x, y },
    { x: width - x, y: height - y },
    { x, y: height - y },
  ];
}

/** Corners with the next one first: the thing lies a quarter turned. */
export const quarter = (corners: readonly Point[]): Point[] => [...corners.slice(1), corners[0]!];

export const flatList = (points: readonly Point[]): number[] =>
  points.flatMap((p) => [Math.round(p.x * 100) / 100, Math.round(p.y * 100) / 100]);

/** A kept picture as it was marked, at the size it has now. */
export function markingOf(kept: Picture, image: ImageSize): Marking {
  const by = image.width / kept.width;
  const scaled = (list: readonly number[]) => pairs(list).map((p) => ({ x: p.x * by, y: p.y * by }));
  return {
    image,
    known: 'own',
    own: { width: kept.knownWidth, height: kept.knownDepth },
    sheet: null,
    corners: scaled(kept.corners),
    frame: kept.frame.length === 8 ? scaled(kept.frame) : null,
    straight: [],
    lens: kept.lens,
  };
}
