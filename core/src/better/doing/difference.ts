import {
  BY_TAPE,
  isLeaving,
  type Place,
  placesDownTo,
  placesIn,
  type Plan,
  sameRow,
  type Station,
  type Supply,
  type Unit,
} from '../../record/plan/index.ts';

/** What of a unit is changed by hands; its name and zone are only said of it. */
const PHYSICAL = [
  ...(['kind', 'x', 'y', 'facing', 'bottom', 'mount', 'hostId', 'doorId', 'keptInId', 'fixed', 'doorsOff'] as const),
  ...(['width', 'depth', 'height', 'rows', 'columns', 'rowSizes', 'columnSizes', 'inserts'] as const),
] satisfies readonly (keyof Unit)[];

/** What differs between a room as it is and another plan of it, besides who lives where. Rows are told by their ids: the other plan was made from this one. */
export type Difference = {
  /** units that come, go, and change their place or shape; guests of another that does are not named */
  come: Unit[];
  go: Unit[];
  move: { now: Unit; then: Unit }[];
  /** containers that come and go by themselves, and those put elsewhere, as they are then */
  boxesCome: Place[];
  boxesGo: Place[];
  boxesMove: Place[];
  /** places whose lanes, slots or trays are others, as they are then */
  divided: Place[];
  /** things that are in the wanted plan alone, and are kept there */
  thingsCome: Supply[];
  /** seats that are elsewhere, as they are then */
  seats: Station[];
  /** the room itself differs: walls, doors and windows, sockets */
  room: boolean;
};

/** Where somebody sits: what of a station is changed by hands. */
export const seatOf = ({ x, y, heading, standing, seatHeight, unitId }: Station) => ({
  ...{ x, y, heading, standing, seatHeight, unitId },
});

/** Where a container stands. */
export const standOf = ({ inId, left, front, bottom, turned }: Place) => ({ inId, left, front, bottom, turned });

/** A place’s lanes, slots or trays in the words `divide` takes; empty: none. */
export function dividersOf(plan: Plan, placeId: string): string {
  const parts = [...placesIn(plan, placeId)].filter((p) => p.organiserId === null).sort((a, b) => a.column - b.column);
  const [first] = parts;
  if (!first) return '';
  if (first.kind !== 'lane') return `${first.kind === 'slot' ? 'slots' : 'trays'} ${parts.length}`;
  const rows = parts.some((p) => p.front > 0);
  const sizes = parts.slice(0, -1).map((p) => String(rows ? p.depth : p.width));
  return `${rows ? 'rows' : 'lanes'} ${[...sizes, 'rest'].join(',')}`;
}

/** A row without how its size is known: that differs on paper only. */
const bare = (row: object): object => ({ ...row, ...BY_TAPE });

/** What differs between the room as it is and the plan that is wanted. */
export function differenceOf(now: Plan, then: Plan): Difference {
  const units = (plan: Plan) => Object.values(plan.units).sort((a, b) => (a.id < b.id ? -1 : 1));
  const differs = (a: Unit, b: Unit): boolean => PHYSICAL.some((f) => !sameRow({ v: a[f] }, { v: b[f] }));
  const moved = units(now).flatMap((unit) => {
    const other = then.units[unit.id];
    return other && differs(unit, other) ? [{ now: unit, then: other }] : [];
  });
  const moves = new Set(moved.map((m) => m.then.id));
  const isGuest = (unit: Unit): boolean => {
    const host = unit.hostId;
    return host !== null && (moves.has(host) || (now.units[host] === undefined && then.units[host] !== undefined));
  };
  const come = units(then).filter((u) => !now.units[u.id]);
  const go = units(now).filter((u) => !then.units[u.id]);
  const coming = new Set(come.map((u) => u.id));
  const going = new Set(go.map((u) => u.id));
  const boxes = (plan: Plan) =>
    Object.values(plan.places)
      .filter((p) => p.organiserId !== null)
      .sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    come,
    go,
    move: moved.filter((m) => !isGuest(m.then)),
    boxesCome: boxes(then).filter((p) => !now.places[p.id] && !coming.has(p.unitId)),
    boxesGo: boxes(now).filter((p) => !then.places[p.id] && !going.has(p.unitId)),
    boxesMove: boxes(then).filter((p) => now.places[p.id] && !sameRow(standOf(now.places[p.id]!), standOf(p))),
    divided: Object.values(then.places).filter(
      (p) =>
        now.places[p.id] &&
        dividersOf(now, p.id) !== dividersOf(then, p.id) &&
        // what a container brings is divided as its kind is
        placesDownTo(then, p).every((x) => now.places[x.id]),
    ),
    thingsCome: Object.values(then.supplies).filter((s) => !now.supplies[s.id] && !isLeaving(s)),
    seats: Object.values(then.stations).filter(
      (s) => now.stations[s.id] && !sameRow(seatOf(now.stations[s.id]!), seatOf(s)),
    ),
    room: (['walls', 'openings', 'fixtures', 'slopes'] as const).some(
      (t) =>
        Object.keys(now[t]).length !== Object.keys(then[t]).length ||
        Object.values(then[t]).some((row) => !now[t][row.id] || !sameRow(bare(now[t][row.id]!), bare(row))),
    ),
  };
}
