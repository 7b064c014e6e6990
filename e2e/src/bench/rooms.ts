import { blankOrganiser, type Command, type Plan } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';
import { crowdOf } from './supplies.ts';

/** Twenty-one cube units and bookcases along the walls and back to back, twelve seats between them. */
export function largeRoom(): Plan {
  let plan = tinyRoom();
  const walls = Object.values(plan.walls).sort((a, b) => a.seq - b.seq);
  for (const [i, wall] of walls.entries())
    plan = applied(plan, { type: 'setWall', id: wall.id, set: { length: i % 2 === 0 ? 10_000 : 8000 } });
  const shape = { rows: 6, columns: 4, width: 1400, height: 2000 };
  for (let i = 0; i < 21; i++) {
    const id = i === 0 ? 'chest' : `u${i}`;
    const where =
      i < 5
        ? { x: 850 + i * 1500, y: 198, facing: 0 }
        : i < 10
          ? { x: 850 + (i - 5) * 1500, y: 9800, facing: 180 }
          : i < 15
            ? { x: 200, y: 1700 + (i - 10) * 1500, facing: 90 }
            : { x: 4000 + ((i - 15) % 2) * 420, y: 2500 + Math.floor((i - 15) / 2) * 2000, facing: i % 2 ? 270 : 90 };
    plan = withUnits(plan, unit('cubeUnit', { id, name: id, ...shape, ...where }));
  }
  const seat = plan.stations.seat!;
  const stations = Array.from({ length: 12 }, (_, i) => ({
    ...seat,
    id: `s${i}`,
    x: 1500 + (i % 3) * 2400,
    y: 1600 + Math.floor(i / 3) * 2100,
  }));
  return { ...plan, stations: Object.fromEntries(stations.map((s) => [s.id, s])) };
}

/** Six cube units with a box in every cubby: 150 compartments and tops, 150 places within places, six seats, four hundred things in them. */
export function nestedRoom(): Plan {
  const large = largeRoom();
  const keep = Object.fromEntries(Object.entries(large.units).filter((_, i) => i < 6));
  const own = Object.fromEntries(Object.entries(large.places).filter(([, p]) => p.unitId in keep));
  const stations = Object.fromEntries(Object.entries(large.stations).filter((_, i) => i < 6));
  let plan: Plan = { ...large, units: keep, places: own, stations };
  plan = applied(plan, {
    type: 'addOrganiser',
    organiser: { ...blankOrganiser('box', 'Box', 150, 190, 120), carried: true },
  });
  const cubbies = Object.values(own);
  const boxes = Array.from({ length: 150 }, (_, i): Command => ({
    type: 'standIn',
    id: `box-${i}`,
    organiserId: 'box',
    name: `Box ${i}`,
    inId: cubbies[i % cubbies.length]!.id,
    left: 0,
    front: 0,
    bottom: 0,
    turned: false,
  }));
  plan = applied(plan, ...boxes);
  const ids = Object.keys(plan.places);
  const things = Array.from({ length: 400 }, (_, i) =>
    block({ id: `t${i}`, name: `Thing ${i}`, width: 60, depth: 40, height: 30 }),
  );
  return applied(
    plan,
    { type: 'addSupplies', supplies: things },
    ...things.map((s, i): Command => ({ type: 'addUse', use: use(s.id, 1 + (i % 5)) })),
    ...things.map((s, i) => home(s.id, ids[(i * 7) % ids.length]!)),
  );
}

/** The nested room with nine seats and two thousand supplies of all kinds, one of each, in homes taken as they come: a third too many. */
export function crowdedRoom(): Plan {
  const nested = nestedRoom();
  const seats = Object.values(largeRoom().stations).slice(0, 9);
  const bare: Plan = {
    ...nested,
    supplies: {},
    uses: {},
    homes: {},
    stations: Object.fromEntries(seats.map((s) => [s.id, s])),
  };
  const all = crowdOf(bare, 2000);
  const one = Object.entries(all.supplies).map(([id, s]) => [id, { ...s, working: 1 }] as const);
  const crowd = { ...all, supplies: Object.fromEntries(one) };
  const ids = Object.keys(crowd.supplies);
  const places = Object.keys(crowd.places);
  return applied(
    crowd,
    ...ids.map((id, i): Command => ({ type: 'addUse', use: use(id, 1 + (i % 5)) })),
    ...ids.map((id, i) => home(id, places[(i * 7) % places.length]!)),
  );
}
