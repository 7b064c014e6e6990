import { describe, expect, test } from '@jest/globals';
import { type Command, homesOf, type Plan, type Supply } from '../../record/plan/index.ts';
import { fetchFrom, handlingOf, makerOf, sceneAt } from '../../space/reach/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { expectedOf, runAt } from './index.ts';

/**
 * A model of an evening of its own, which shares with the try-out nothing but the seconds of a single fetch: she gets together what she surely wants and
 * has room for, unit by unit, two kilos or eight litres at a time; reaches over the table; fetches one by one what has no room; puts away. All lie in
 * reach of one home each.
 */
type Thing = { supply: Supply; wants: number; usedUp: boolean; area: number };

function evening(plan: Plan, random: () => number): number {
  const seat = plan.stations.seat!;
  const maker = makerOf(plan, seat)!;
  const scene = sceneAt(plan, seat);
  const table = plan.units.table;
  let left = table ? 0.7 * (table.width * table.depth - Math.min(table.width * table.depth, 600 * 400)) : 0;
  const room = left;
  const things: Thing[] = Object.values(plan.uses).map((u) => {
    const supply = plan.supplies[u.supplyId]!;
    return {
      supply,
      wants: u.fetches,
      usedUp: u.usedUp >= u.fetches && u.fetches > 0,
      area: supply.width! * supply.depth!,
    };
  });
  const fetched = ({ supply, usedUp }: Thing) => {
    const placeId = homesOf(plan, supply.id, 'working')[0]!.placeId;
    const kinds = Object.values(plan.homes).filter((h) => h.placeId === placeId).length;
    const fetch = fetchFrom(scene, maker, scene.spots.get(placeId)!, handlingOf(supply, kinds, usedUp));
    if (!fetch.ok) throw new Error(fetch.reason);
    return {
      whole: fetch.seconds,
      way: fetch.way.reduce((s, m) => s + m.tmu, 0) * 0.036,
      unit: placeId.split('.')[0]!,
    };
  };
  const long = 0.5 + random();
  const times = (mean: number) => Math.floor(mean * long) + (random() < mean * long - Math.floor(mean * long) ? 1 : 0);
  const worth = (t: Thing) => (t.wants - 0.5) / t.area;
  const out: Thing[] = [];
  let blocked = false;
  let seconds = 0;
  for (const t of things
    .filter((x) => x.wants >= 0.8)
    .sort((a, b) => worth(b) - worth(a) || (a.supply.id < b.supply.id ? -1 : 1))) {
    const fits = !blocked && t.area <= left;
    if (fits) left -= t.area;
    else if (t.area <= room) blocked = true;
    if (fits || (t.usedUp && room > 0)) out.push(t);
  }
  if (room === 0) out.push(...things.filter((t) => t.usedUp && t.wants >= 0.8));
  for (const t of things) if (!out.includes(t)) for (let k = times(t.wants); k > 0; k--) seconds += fetched(t).whole;
  // more than one load of one thing goes by itself, load by load
  const loadsOf = (t: Thing) => {
    const pieces = t.usedUp ? Math.max(1, t.wants) : 1;
    return Math.ceil(Math.max((t.supply.mass * pieces) / 2000, (t.area * t.supply.height! * pieces) / 8e6));
  };
  const shared = out.filter((t) => loadsOf(t) === 1);
  for (const t of out) if (!shared.includes(t)) for (let k = times(loadsOf(t)); k > 0; k--) seconds += fetched(t).whole;
  // there and back: got, and brought back
  for (const round of [shared, shared.filter((t) => !t.usedUp)]) {
    const loads = new Map<string, { mass: number; litres: number; way: number }[]>();
    const order = round
      .map((t) => ({ t, ...fetched(t) }))
      .sort((a, b) => b.way - a.way || b.t.supply.mass - a.t.supply.mass);
    for (const { t, way, unit } of order) {
      const pieces = t.usedUp ? Math.max(1, t.wants) : 1;
      const [mass, litres] = [t.supply.mass * pieces, (t.area * t.supply.height! * pieces) / 1e6];
      const of = loads.get(unit) ?? [];
      loads.set(unit, of);
      const load = of.at(-1);
      if (load && load.mass + mass <= 2000 && load.litres + litres <= 8) {
        load.mass += mass;
        load.litres += litres;
      } else of.push({ mass, litres, way });
    }
    for (const of of loads.values()) for (const { way } of of) seconds += way;
  }
  for (const t of out) {
    const { whole, way } = fetched(t);
    if (shared.includes(t)) seconds += whole - way * (t.usedUp ? 1 : 2);
    // reach, grasp and move of 300 mm, between 10 and 12 in, laid down again and let go (MTM-1, memory)
    const between = (ten: number, twelve: number) => ten + ((300 / 25.4 - 10) / 2) * (twelve - ten);
    const [reach, grasp, move, letGo] = [between(11.5, 12.9), 2.0, between(12.2, 13.4), 2.0];
    for (let k = times(t.wants); k > 0; k--) seconds += (reach + grasp + move + (t.usedUp ? 0 : move + letGo)) * 0.036;
  }
  return seconds;
}

/** Small and larger things, heavy ones and ones that are used up, about a seat with or without a table. */
function room(seed: number): Plan {
  const random = new Random(seed * 31);
  const table =
    seed % 4 === 0
      ? []
      : [unit('worktable', { id: 'table', x: 3000, y: 3900, width: 900 + 200 * (seed % 4), depth: 600 })];
  const plan = withUnits(
    tinyRoom(),
    ...table,
    unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }),
    unit('bookcase', { id: 'case', x: 1800, y: 5800, facing: 180 }),
    unit('lowChest', { id: 'far', x: 600, y: 900, facing: 90 }),
  );
  const places = Object.values(plan.places).flatMap((p) =>
    ['drawer', 'shelf'].includes(p.kind) && p.bottom > 300 ? [p.id] : [],
  );
  return applied(
    plan,
    ...table.map((t) => ({ type: 'setStation', id: 'seat', set: { unitId: t.id } }) as const),
    ...Array.from({ length: 9 }, (_, i): Command[] => {
      const id = `thing-${i}`;
      const large = random.next() < 0.3;
      const size = large ? { width: 300, depth: 250, height: 60 } : { width: 50, depth: 40, height: 30 };
      const wants = [0.5, 1, 2, 3, 5][random.below(5)]!;
      return [
        { type: 'addSupplies', supplies: [block({ id, name: id, ...size, mass: large ? 900 : 100, working: 2 })] },
        { type: 'addUse', use: { ...use(id, wants), usedUp: random.next() < 0.3 ? wants : 0 } },
        home(id, places[random.below(places.length)]!),
      ];
    }).flat(),
  );
}

describe('the try-out against a model of its own', () => {
  test('forty rooms: the closed form lies in the interval of the evenings as that model plays them', () => {
    let inside = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const plan = room(seed);
      const random = new Random(seed);
      const played = Array.from({ length: 400 }, () => evening(plan, () => random.next()));
      const mean = played.reduce((a, b) => a + b, 0) / played.length;
      const spread = Math.sqrt(played.reduce((a, b) => a + (b - mean) ** 2, 0) / (played.length - 1));
      const error = spread / Math.sqrt(played.length);
      const said = expectedOf(runAt(plan, plan.stations.seat!)!).toll.seconds;
      expect(Math.abs(said - mean)).toBeLessThanOrEqual(4 * error + 1e-6);
      if (Math.abs(said - mean) <= 1.96 * error + 1e-6) inside++;
    }
    expect(inside).toBeGreaterThanOrEqual(34);
  });
});
