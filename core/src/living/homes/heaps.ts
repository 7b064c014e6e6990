import { homesIn, natureOf, type Place, type Plan, type Supply } from '../../record/plan/index.ts';
import { isThrownIn } from './filling.ts';

/** So many kinds in one heap are still told apart (common practice: what is under four other things is not used). */
export const HEAP_KINDS = 3;
/** Every kind more in a heap: what lies under it is not seen, and the heap is lifted off and put back, s a year (own assumption: ten minutes). */
export const HEAP_MORE = 600;
/** So many kinds side by side in a drawer, tray or box keep their spots without a divider (own assumption: half a dozen). */
export const LAID_KINDS = 6;
/** Every kind more: with each pull it slides among the others and is set right again, s a year (own assumption: five minutes, half of what a heap costs). */
export const LAID_MORE = 300;

/** How what lives in a place is told apart there. */
export type Crowding = {
  /** how it lies: on each other or thrown in; side by side in what is pulled or carried */
  lies: 'heaped' | 'laid';
  /** so many kinds are told apart; what every further one costs, s a year */
  kinds: number;
  more: number;
};
const HEAPED: Crowding = { lies: 'heaped', kinds: HEAP_KINDS, more: HEAP_MORE };
const LAID: Crowding = { lies: 'laid', kinds: LAID_KINDS, more: LAID_MORE };
/** What hangs has its peg, and nothing slides where nothing is pulled. */
const STILL: ReadonlySet<Place['kind']> = new Set(['board', 'top']);

/** How the kinds in a place get in each other’s way; null: each keeps its spot there, as in a row, in a slot, on a board. */
export function crowdingOf(place: Place): Crowding | null {
  const nature = natureOf(place);
  if (isThrownIn(place) || (nature === 'pile' && place.kind !== 'slot')) return HEAPED;
  return nature === 'area' && !STILL.has(place.kind) ? LAID : null;
}

/** What counts as one kind: ten colours of card are one, what has no kind is one by itself. */
export const heapedAs = (supply: Pick<Supply, 'id' | 'kind'>): string => supply.kind || supply.id;

/** What so many kinds in a place cost, s a year. */
export const crowdSeconds = (crowding: Crowding | null, kinds: number): number =>
  crowding === null ? 0 : crowding.more * Math.max(0, kinds - crowding.kinds);

/** The kinds that get in each other’s way in a place; empty where each keeps its spot. */
export function crowdIn(plan: Plan, place: Place): ReadonlySet<string> {
  return new Set(
    crowdingOf(place) === null ? [] : homesIn(plan, place.id).map((h) => heapedAs(plan.supplies[h.supplyId]!)),
  );
}

/** What heaps and crowded drawers cost over all places, s a year; how much it counts goes with finding again. */
export function heapsPerYear(plan: Plan): number {
  return Object.values(plan.places).reduce(
    (sum, place) => sum + crowdSeconds(crowdingOf(place), crowdIn(plan, place).size),
    0,
  );
}

/** What heaps and crowded drawers cost over some places, kept up to date while things come and go. */
export class Heaps {
  private readonly kindOf: Int32Array;
  /** by place: how its kinds get in each other’s way; how many of each lie there, where they do; how many kinds */
  private readonly crowding: (Crowding | null)[];
  private readonly lies: (Uint16Array | null)[];
  private readonly many: Int32Array;
  total = 0;

  /** @param things by number; @param places by number; null: nothing is in the way of anything there */
  constructor(things: readonly Pick<Supply, 'id' | 'kind'>[], places: readonly (Place | null)[]) {
    const kinds = new Map<string, number>();
    this.kindOf = Int32Array.from(things, (thing) => {
      const key = heapedAs(thing);
      const known = kinds.get(key) ?? kinds.size;
      kinds.set(key, known);
      return known;
    });
    this.crowding = places.map((place) => place && crowdingOf(place));
    this.lies = this.crowding.map((crowding) => crowding && new Uint16Array(kinds.size));
    this.many = new Int32Array(places.length);
  }

  come(thing: number, place: number): void {
    const lies = this.lies[place];
    if (lies && lies[this.kindOf[thing]!]!++ === 0) this.becomes(place, this.many[place]! + 1);
  }

  go(thing: number, place: number): void {
    const lies = this.lies[place];
    if (lies && --lies[this.kindOf[thing]!]! === 0) this.becomes(place, this.many[place]! - 1);
  }

  /** What would be saved at most if one thing went from where it lies, s a year. */
  savedWithout(thing: number, place: number): number {
    const crowding = this.crowding[place];
    if (!crowding || this.lies[place]![this.kindOf[thing]!] !== 1) return 0;
    return this.many[place]! > crowding.kinds ? crowding.more : 0;
  }

  private becomes(place: number, kinds: number): void {
    const crowding = this.crowding[place]!;
    this.total += crowdSeconds(crowding, kinds) - crowdSeconds(crowding, this.many[place]!);
    this.many[place] = kinds;
  }
}
