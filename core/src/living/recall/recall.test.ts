import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Level, namingOf, type Shelved } from '../concepts/index.ts';
import { Random } from '../slotting/index.ts';
import { Looking, rememberedWith, type Sought } from './index.ts';

describe('remembering', () => {
  // the values computation 18 names beside its formula
  test.each([
    [52, 0.94],
    [12, 0.6],
    [1, 0.02],
  ])('%d fetches a year: %d', (fetches, known) =>
    expect(Math.abs(rememberedWith(fetches) - known)).toBeLessThan(0.007),
  );

  test('the more often and the longer, the better; what is never fetched or new is not known', () => {
    expect(rememberedWith(0)).toBe(0);
    expect(rememberedWith(50, 0)).toBe(0);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 800 }), (fetches, days) => {
        const known = rememberedWith(fetches, days);
        expect(rememberedWith(fetches + 1, days)).toBeGreaterThan(known);
        expect(rememberedWith(fetches, days + 1)).toBeGreaterThanOrEqual(known);
        expect(rememberedWith(fetches, 365)).toBe(rememberedWith(fetches, 5000));
      }),
    );
  });
});

const ORDER: readonly Level[] = ['thing', 'kind', 'family', 'own', 'aisle'];

type Room = { things: Sought[]; homes: { lot: string; place: string }[]; places: string[]; look: number[][] };
/** Things of families in aisles, some one activity’s own, thrown into places; looks of any length from two seats, some places in view from one. */
function roomOf(seed: number, many = 24, into = 9): Room {
  const random = new Random(seed);
  const things = Array.from({ length: many }, (_, i): Sought => {
    const family = random.below(8);
    const concept = (level: Level, id: string) => ({ level, id, words: id });
    const shelved: Shelved = {
      thing: concept('thing', `t${i}`) as Shelved['thing'],
      kind: random.next() < 0.5 ? concept('kind', `k${family}${random.below(2)}`) : null,
      family: concept('family', `f${family}`),
      own: random.next() < 0.4 ? concept('own', `o${random.below(3)}`) : null,
      aisle: random.next() < 0.9 ? concept('aisle', `a${family >> 1}`) : null,
    };
    return { id: `t${i}`, shelved, weight: 1 + random.below(9), seat: random.below(2) };
  });
  const places = Array.from({ length: into }, (_, p) => `p${p}`);
  return {
    things,
    places,
    homes: things.map(({ id }) => ({ lot: id, place: `p${random.below(into)}` })),
    look: [0, 1].map(() => places.map(() => (random.next() < 0.1 ? NaN : 1 + random.below(12)))),
  };
}
const measure = ({ things, places, homes, look }: Room, said?: ReadonlySet<string>) => {
  const looking = new Looking(
    things,
    places.map((id) => ({ id, labelWords: '' })),
    (seat, p) => (Number.isNaN(look[seat]![p]) ? null : look[seat]![p]!),
    said,
  );
  looking.fill(homes);
  return looking;
};

/** Somebody who does not remember, and looks: an account of its own of what is stated (computation 18); names alone are taken from the program. */
function seeker(room: Room, thing: Sought, random: Random): () => { looks: number; seconds: number } {
  const inside = (place: string) =>
    room.things.filter((t) => room.homes.some((h) => h.lot === t.id && h.place === place));
  const worth = (place: string): number => {
    // as good a saying as another is told by the order of ids, as everywhere
    const there = inside(place).sort((a, b) => (a.id < b.id ? -1 : 1));
    const name = namingOf(there.map((t) => t.shelved));
    const points: Record<Level, number> = { thing: 1, kind: 1, family: 0.8, own: 0.6, aisle: 0.5 };
    let best = name.uncovered.length > 0 ? 0.1 : 0;
    for (const n of name.names)
      for (const level of ORDER)
        if (n.level === level && thing.shelved[level]?.id === n.id) best = Math.max(best, points[level]);
    return best;
  };
  const open = room.places.flatMap((place, p) => {
    const seconds = room.look[thing.seat]![p]!;
    return Number.isNaN(seconds) || inside(place).length === 0
      ? []
      : [{ place, seconds, worth: worth(place), draw: 0 }];
  });
  const lives = room.homes.find((h) => h.lot === thing.id)!.place;
  return () => {
    for (const one of open) one.draw = random.next();
    open.sort((a, b) => b.worth - a.worth || a.draw - b.draw);
    let seconds = 0;
    for (const [i, { place, seconds: look }] of open.entries()) {
      if (place === lives) return { looks: i + 1, seconds };
      // the fourth wrong look and all that would follow are one digging out
      if (i < 3) seconds += look + 30;
      if (i === 3) seconds += 180;
    }
    return { looks: 1, seconds: 0 };
  };
}

describe('looking', () => {
  test('the measure is what somebody who looks comes to: 10,000 searches in each of six rooms', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const room = roomOf(seed);
      const looking = measure(room);
      const random = new Random(seed * 7);
      const n = Math.ceil(10_000 / room.things.length);
      for (const thing of room.things) {
        const search = seeker(room, thing, random);
        let [looks, seconds, squares] = [0, 0, 0];
        for (let k = 0; k < n; k++) {
          const one = search();
          looks += one.looks;
          seconds += one.seconds;
          squares += one.seconds ** 2;
        }
        const told = looking.of(thing.id);
        const spread = Math.sqrt(Math.max(0, squares / n - (seconds / n) ** 2) / n);
        // four standard errors: one of 144 means is farther off once in 160 runs, and the seeds are fixed
        expect(Math.abs(told.seconds - seconds / n)).toBeLessThanOrEqual(4 * spread + 1e-6);
        expect(Math.abs(told.looks - looks / n)).toBeLessThanOrEqual(0.35);
      }
    }
  });

  test('what is kept up to date while things move is what is worked out anew', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const room = roomOf(seed);
      const looking = measure(room);
      const random = new Random(seed);
      for (let k = 0; k < 60; k++) {
        const lot = `t${random.below(room.things.length)}`;
        const place = random.next() < 0.1 ? null : `p${random.below(room.places.length)}`;
        looking.move(lot, place);
        room.homes = room.homes.filter((h) => h.lot !== lot);
        if (place !== null) room.homes.push({ lot, place });
      }
      const fresh = measure(room);
      expect(looking.total()).toBeCloseTo(fresh.total(), 6);
      for (const { id } of room.things)
        expect(looking.of(id)).toEqual(expect.objectContaining({ looks: fresh.of(id).looks }));
    }
  });

  test('a thing that goes where all its like is never takes more looks; another place of its name never makes it fewer', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const room = roomOf(seed);
      for (const t of room.look) t.fill(5);
      const [one] = room.things;
      // all of its family in one place of its own, itself elsewhere
      const like = (t: Sought) => t.shelved.family!.id === one!.shelved.family!.id;
      room.homes = room.homes.map(({ lot, place }) => {
        const t = room.things.find((x) => x.id === lot)!;
        if (t === one) return { lot, place: 'p1' };
        return { lot, place: like(t) ? 'p0' : place === 'p0' ? 'p2' : place };
      });
      if (!room.things.some((t) => t !== one && like(t))) continue;
      const looking = measure(room);
      const before = looking.of(one!.id).looks;
      looking.move(one!.id, 'p0');
      const home = looking.of(one!.id).looks;
      expect(home).toBeLessThanOrEqual(before);
      // another of its family goes to live in another place
      const other = room.things.find((t) => t !== one && like(t))!;
      looking.move(other.id, 'p8');
      expect(looking.of(one!.id).looks).toBeGreaterThanOrEqual(home);
    }
  });

  test('where somebody has said she would look counts for that thing', () => {
    const room = roomOf(3);
    for (const t of room.look) t.fill(5);
    const hard = room.things.reduce((a, b) => (measure(room).of(b.id).looks > measure(room).of(a.id).looks ? b : a));
    const lives = room.homes.find((h) => h.lot === hard.id)!.place;
    const looks = measure(room).of(hard.id).looks;
    expect(looks).toBeGreaterThan(1.5);
    expect(measure(room, new Set([`${hard.id} ${lives}`])).of(hard.id).looks).toBeLessThan(looks);
  });
});
