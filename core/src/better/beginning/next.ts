import { factsOf } from '../../record/catalogue/index.ts';
import { pieceOf } from '../../things/fit/index.ts';
import { type Plan, roomOf, SHARES, withoutHome } from '../../record/plan/index.ts';
import { tableToSitAt } from './table-to-sit-at.ts';

export type Stone = 'room' | 'furniture' | 'activities' | 'supplies' | 'homes';

/** The one next thing: at which stone it is done, and what it says. */
export type NextStep = {
  id: 'walls' | 'close' | 'unit' | 'seat' | 'things' | 'sizes' | 'uses' | 'find' | 'map';
  stone: Stone;
  /** what is to be done, as one would say it */
  words: string;
  /** what is possible now that was not before; null where nothing is */
  milestone: string | null;
  /** the unit it is about */
  unitId: string | null;
};

const things = (n: number) => (n === 1 ? 'one thing' : `${n} things`);

/** All that is still to be done until things have homes, in the order of what each needs. Empty once they have, or where it went another way. */
export function nextSteps(plan: Plan): NextStep[] {
  const steps: NextStep[] = [];
  const add = (id: NextStep['id'], stone: Stone, words: string, more: Partial<NextStep> = {}) =>
    steps.push({ id, stone, words, milestone: null, unitId: null, ...more });
  const walls = Object.keys(plan.walls).length;
  const units = Object.values(plan.units);
  const supplies = Object.values(plan.supplies);
  const stations = Object.keys(plan.stations).length;
  const homes = Object.keys(plan.homes).length;
  const room = roomOf(plan);
  const left = supplies.filter((s) => SHARES.some((share) => withoutHome(plan, s, share) > 0)).length;
  if (walls > 0 && !room.closes)
    add(
      'close',
      'room',
      `Walk on: ${walls === 1 ? 'one wall' : `${walls} walls`} so far, and the last one closes the room.`,
    );
  else if (walls === 0 && units.length === 0)
    add('walls', 'room', 'Type how long the first wall is, then go on round the room.');
  if (units.length === 0)
    add('unit', 'furniture', 'Bring in what stands here: a table, a cupboard, drawers.', {
      milestone: room.closes ? 'The walls close: now it can be furnished.' : null,
    });
  else if (stations === 0) {
    const table = tableToSitAt(plan);
    if (table)
      add(
        'seat',
        'furniture',
        factsOf(table.kind).worktop
          ? `Sit down at ${table.name}, or press a side of any table.`
          : `Stand before ${table.name}: near and far are measured from there.`,
        { unitId: table.id },
      );
  }
  const measured = supplies.filter((s) => pieceOf(s) !== null).length;
  if (supplies.length === 0)
    add('things', 'supplies', 'Say what you have: a line a thing, “24 small ink pads”.', {
      milestone: stations > 0 ? 'Near and far are known: what is missing are the things.' : null,
    });
  else if (measured < supplies.length && homes === 0)
    add(
      'sizes',
      'supplies',
      `${things(supplies.length - measured)} of ${supplies.length} without a size: say about how large.`,
    );
  const unused = supplies.length > 0 && stations > 0 && Object.keys(plan.uses).length === 0;
  const uses = () =>
    add('uses', 'activities', 'Tick what is reached for while you work; how often is filled in as usual.');
  // of one cupboard everything is at hand: that can wait until its map is on the door
  const small = units.length === 1;
  if (unused && !small) uses();
  if (measured > 0 && stations > 0 && homes === 0 && Object.keys(plan.places).length > 0)
    add('find', 'homes', `Find homes for ${things(measured)}.`, { milestone: 'Now near and far are known.' });
  if (
    homes > 0 &&
    Object.values(plan.places).every((p) => p.label === 'none') &&
    Object.keys(plan.moves).length === 0
  ) {
    const [unit] = units.filter((u) => Object.values(plan.homes).some((h) => plan.places[h.placeId]?.unitId === u.id));
    if (unit && units.length === 1)
      add('map', 'homes', `Print the map of ${unit.name} and stick it inside the door.`, {
        milestone: left === 0 ? 'Everything has its place.' : `All but ${things(left)} has its place.`,
        unitId: unit.id,
      });
  }
  if (unused && small && homes > 0) uses();
  return steps;
}

/** What the line of a stone says: its own next step, else the first there is elsewhere; null: nothing is left to say. */
export function nextStepAt(plan: Plan, stone: string): NextStep | null {
  const steps = nextSteps(plan);
  return steps.find((s) => s.stone === stone) ?? steps[0] ?? null;
}
