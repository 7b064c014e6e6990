import { homesIn, natureOf, type Place, type Plan, type Supply } from '../../record/plan/index.ts';
import { isThrownIn } from './filling.ts';

/** So many kinds in one heap are still told apart (common practice: what is under four other things is not used). */
export const HEAP_KINDS = 3;
/** Every kind more in a heap: what lies under it is not seen, and the heap is lifted off and put back, s a year (own assumption: ten minutes). */
export const HEAP_MORE = 600;

/** Whether what lives in a place lies on each other there, or is thrown in. */
export const isHeap = (place: Place): boolean =>
  isThrownIn(place) || (natureOf(place) === 'pile' && place.kind !== 'slot');

/** What counts as one kind in a heap: ten colours of card are one, what has no kind is one by itself. */
export const heapedAs = (supply: Pick<Supply, 'id' | 'kind'>): string => supply.kind || supply.id;

/** What so many kinds in one heap cost, s a year. */
export const heapSeconds = (kinds: number): number => HEAP_MORE * Math.max(0, kinds - HEAP_KINDS);

/** The kinds that lie in a heap in a place; empty where it is none. */
export function heapedIn(plan: Plan, place: Place): ReadonlySet<string> {
  return new Set(isHeap(place) ? homesIn(plan, place.id).map((h) => heapedAs(plan.supplies[h.supplyId]!)) : []);
}

/** What heaps of many kinds cost over all places, s a year; how much it counts goes with finding again. */
export function heapsPerYear(plan: Plan): number {
  return Object.values(plan.places).reduce((sum, place) => sum + heapSeconds(heapedIn(plan, place).size), 0);
}

/** What heaps cost over some places, kept up to date while things come and go. */
export class Heaps {
  private readonly kindOf: Int32Array;
  /** by place: how many of each kind lie there, where they lie in a heap; how many kinds */
  private readonly lies: (Uint16Array | null)[];
  private readonly many: Int32Array;
  total = 0;

  /** @param things by number; @param places by number; null: nothing is heaped there */
  constructor(things: readonly Pick<Supply, 'id' | 'kind'>[], places: readonly (Place | null)[]) {
    const kinds = new Map<string, number>();
    this.kindOf = Int32Array.from(things, (thing) => {
      const key = heapedAs(thing);
      const known = kinds.get(key) ?? kinds.size;
      kinds.set(key, known);
      return known;
    });
    this.lies = places.map((place) => (place && isHeap(place) ? new Uint16Array(kinds.size) : null));
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
  savedWithout = (thing: number, place: number): number =>
    this.lies[place]?.[this.kindOf[thing]!] === 1 && this.many[place]! > HEAP_KINDS ? HEAP_MORE : 0;

  private becomes(place: number, kinds: number): void {
    this.total += heapSeconds(kinds) - heapSeconds(this.many[place]!);
    this.many[place] = kinds;
  }
}
