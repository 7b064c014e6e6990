import { APART, type Shelved, shelvedAs, toldOf } from '../concepts/index.ts';
import { homesIn, type Place, type Plan } from '../../record/plan/index.ts';
import { fewestNames, type Homes, type SlottingProblem } from '../slotting/index.ts';
import { weightOf } from './weights.ts';

/** Every name beyond the first that a place takes to be said, s a year (own assumption, computation 18: what needs a list is two boxes). */
export const NAME_MORE = 2400;
/** What hangs on a board is seen at a glance: a name more counts so much of that (own assumption). */
const AT_A_GLANCE = 0.1;

/** What a name beyond the first costs in a place, as much as finding again counts, s a year. */
export const nameMoreIn = (plan: Plan, place: Pick<Place, 'kind'>): number =>
  NAME_MORE * (place.kind === 'board' ? AT_A_GLANCE : 1) * weightOf(plan, 'weighAgain');

/** What a thing may be called by when its maker keeps things together by activity, by kind, or each by its nature. */
export function conceptsOf(plan: Plan, shelved: Shelved): string[] {
  const by = plan.head.grouping;
  const levels = by === 'kind' ? (['family', 'aisle'] as const) : (['family', 'own', 'aisle'] as const);
  const of = levels.flatMap((level) => (shelved[level] ? [`${level} ${shelved[level].id}`] : []));
  // by activity an activity’s own goes by nothing else
  const own = of.filter((c) => c.startsWith('own '));
  return by === 'activity' && own.length > 0 ? own : of;
}

/** How many names the things of a place take; 0 for an empty one. */
export const namesIn = (plan: Plan, placeId: string): number =>
  namesOf(
    plan,
    homesIn(plan, placeId).map((h) => h.supplyId),
  );

/** How many names some things take together. */
export function namesOf(plan: Plan, supplyIds: readonly string[]): number {
  const supplies = new Set(supplyIds);
  if (supplies.size <= 1) return supplies.size;
  const numbers = new Map<string, number>();
  return fewestNames(
    [...supplies].map((id) =>
      conceptsOf(plan, shelvedAs(plan, id)!).map((c) => {
        let no = numbers.get(c);
        if (no === undefined) numbers.set(c, (no = numbers.size));
        return no;
      }),
    ),
  );
}

/** What names beyond the first cost over all places, s a year. */
export function namesPerYear(plan: Plan): number {
  if (weightOf(plan, 'weighAgain') === 0) return 0;
  let sum = 0;
  for (const place of Object.values(plan.places)) {
    const names = namesIn(plan, place.id);
    if (names > 1) sum += nameMoreIn(plan, place) * (names - 1);
  }
  return sum;
}

/** What stays in a place whatever is found, and says what else may lie there: a lot of its own for the engine, which takes no room. */
export type Staying = { id: string; supplyId: string; place: string };

/** Names and what must be apart, for lots and for what stays. */
export type Sorts = {
  staying: readonly Staying[];
  /** of each lot, and of what stays: the numbers of its concepts */
  conceptsOf: ReadonlyMap<string, readonly number[]>;
  concepts: readonly string[];
  /** by place: what a name more costs */
  nameMore: ReadonlyMap<string, number>;
  apart: NonNullable<SlottingProblem['apart']>;
};

/** @param lots each with its supply; @param stays ids of homes that stay */
export function sortsOf(
  plan: Plan,
  lots: readonly { id: string; supplyId: string }[],
  stays: ReadonlySet<string>,
  places: readonly string[],
): Sorts {
  const known = new Set(places);
  const staying = Object.values(plan.homes).flatMap((home): Staying[] =>
    stays.has(home.id) && known.has(home.placeId)
      ? [{ id: `stays ${home.id}`, supplyId: home.supplyId, place: home.placeId }]
      : [],
  );
  const numbers = new Map<string, number>();
  const of = new Map<string, readonly number[]>();
  const all = [...lots, ...staying];
  for (const { id, supplyId } of all)
    of.set(
      id,
      conceptsOf(plan, shelvedAs(plan, supplyId)!).map((c) => {
        let no = numbers.get(c);
        if (no === undefined) numbers.set(c, (no = numbers.size));
        return no;
      }),
    );
  const apart = APART.flatMap(({ is, from, where }) => {
    const sides: [string[], string[]] = [[], []];
    for (const { id, supplyId } of all) {
      const thing = toldOf(plan, plan.supplies[supplyId]!);
      if (is(thing)) sides[0].push(id);
      else if (from(thing)) sides[1].push(id);
    }
    if (sides[0].length === 0 || sides[1].length === 0) return [];
    const at = where ? places.filter((id) => where(plan.places[id]!)) : places;
    return [{ lots: sides[0], from: sides[1], ...(at.length < places.length ? { places: [...at] } : {}) }];
  });
  return {
    ...{ staying, apart, conceptsOf: of, concepts: [...numbers.keys()] },
    nameMore: new Map(places.map((id) => [id, nameMoreIn(plan, plan.places[id]!)])),
  };
}

/** What some homes come to in names, kept up to date while lots move; and whether a lot may go where others are. */
export class Mixing {
  private readonly inside = new Map<string, Map<string, number>>();
  private readonly names = new Map<string, number>();
  private readonly sort = new Map<string, string>();
  private readonly lists = new Map<string, readonly number[]>();
  private readonly present = new Map<string, Set<string>>();
  private readonly pairs: readonly {
    is: ReadonlySet<string>;
    from: ReadonlySet<string>;
    at: ReadonlySet<string> | null;
  }[];

  constructor(
    private readonly sorts: Sorts,
    homes: Homes,
  ) {
    for (const [id, concepts] of sorts.conceptsOf) {
      const sort = concepts.length > 0 ? concepts.join() : `alone ${id}`;
      this.sort.set(id, sort);
      this.lists.set(sort, concepts);
    }
    this.pairs = sorts.apart.map(({ lots, from, places }) => ({
      is: new Set(lots),
      from: new Set(from),
      at: places ? new Set(places) : null,
    }));
    for (const { id, place } of sorts.staying) this.move(id, undefined, place);
    for (const { lot, place } of homes) this.move(lot, undefined, place);
  }

  private namesOf(sorts: Iterable<string>): number {
    const list = [...sorts].sort();
    const key = list.join('|');
    let n = this.names.get(key);
    if (n === undefined) this.names.set(key, (n = fewestNames(list.map((s) => this.lists.get(s)!))));
    return n;
  }

  private costIn(place: string, sorts: Iterable<string>): number {
    return this.sorts.nameMore.get(place)! * Math.max(0, this.namesOf(sorts) - 1);
  }

  move(lot: string, from: string | undefined, to: string | undefined): void {
    const sort = this.sort.get(lot)!;
    if (from !== undefined) {
      const here = this.inside.get(from)!;
      const left = here.get(sort)! - 1;
      if (left > 0) here.set(sort, left);
      else here.delete(sort);
      this.present.get(from)!.delete(lot);
    }
    if (to === undefined) return;
    const here = this.inside.get(to) ?? new Map<string, number>();
    this.inside.set(to, here);
    here.set(sort, (here.get(sort) ?? 0) + 1);
    const present = this.present.get(to) ?? new Set<string>();
    this.present.set(to, present);
    present.add(lot);
  }

  /** What changes when a lot goes from one place (or none) to another. */
  delta(lot: string, from: string | undefined, to: string): number {
    if (from === to) return 0;
    const sort = this.sort.get(lot)!;
    let d = 0;
    if (from !== undefined && this.sorts.nameMore.get(from)! > 0) {
      const here = this.inside.get(from)!;
      if (here.get(sort) === 1)
        d +=
          this.costIn(
            from,
            [...here.keys()].filter((s) => s !== sort),
          ) - this.costIn(from, here.keys());
    }
    if (this.sorts.nameMore.get(to)! > 0) {
      const there = this.inside.get(to);
      if (there && !there.has(sort)) d += this.costIn(to, [...there.keys(), sort]) - this.costIn(to, there.keys());
    }
    return d;
  }

  /** Whether nothing is in a place that a lot must be apart from. */
  allows(lot: string, place: string): boolean {
    const there = this.present.get(place);
    if (!there || there.size === 0) return true;
    for (const { is, from, at } of this.pairs) {
      if (at && !at.has(place)) continue;
      const against = is.has(lot) ? from : from.has(lot) ? is : null;
      if (against) for (const other of there) if (other !== lot && against.has(other)) return false;
    }
    return true;
  }

  /** What names come to over all places. */
  get total(): number {
    let sum = 0;
    for (const [place, sorts] of this.inside) sum += this.costIn(place, sorts.keys());
    return sum;
  }
}

/** Whether nothing stays in a place that a lot must be apart from. */
export function mayGo(sorts: Sorts): (lot: string, place: string) => boolean {
  const staying = new Mixing(sorts, []);
  return (lot, place) => staying.allows(lot, place);
}
