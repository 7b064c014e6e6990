import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stowagesOf } from '../../things/fit/index.ts';
import { type Command, type Plan } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { layingRest } from './laying.ts';
import { Layout } from './layout.ts';
import { roomBefore } from './problem.ts';
import { keepingCommands, settleCommand } from './settle.ts';
import { translated } from './translating.ts';

const room = withUnits(
  tinyRoom(),
  unit('lowChest', { id: 'chest', x: 3900, y: 3600 }),
  unit('bookcase', { id: 'shelf', x: 700, y: 5800 }),
);
const places = Object.values(room.places).filter((p) => p.kind !== 'top');

test('whatever homes a search comes to, those that leave lie where they are said to: nothing hangs over anywhere', () => {
  const side = fc.integer({ min: 25, max: 330 });
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          width: side,
          depth: side,
          height: side,
          form: fc.constantFrom('block', 'block', 'bottle', 'roll', 'sheet'),
          working: fc.integer({ min: 1, max: 6 }),

          lies: fc.constantFrom(['flat'], ['flat', 'edge', 'upright']),
          bears: fc.boolean(),
          mass: fc.integer({ min: 10, max: 3000 }),
          months: fc.constantFrom([], [], [4, 5, 6, 7], [11, 12]),
          lives: fc.nat(places.length * 2),
          goes: fc.nat(997),
        }),
        { minLength: 12, maxLength: 26 },
      ),
      (list) => {
        const supplies = list.map(({ lives: _, goes: __, ...s }, i) =>
          block({
            id: `s${i}`,
            name: `Thing ${i}`,
            family: '',
            ...s,
            lies: [...s.lies] as never,
            form: s.form as never,
            months: [...s.months],
          }),
        );
        const lived = list.flatMap(({ lives }, i): Command[] =>
          lives < places.length ? [home(`s${i}`, places[lives]!.id)] : [],
        );
        const plan = applied(
          room,
          { type: 'addSupplies', supplies },
          ...supplies.map(({ id }, i): Command => ({ type: 'addUse', use: use(id, (i % 4) + 1) })),
          ...lived,
        );
        const translation = translated(plan);
        const homes = translation.lots.flatMap(({ id, options }, i) => {
          const o = options[list[i % list.length]!.goes % Math.max(1, options.length)];
          return o ? [{ lot: id, place: o.place }] : [];
        });
        const laid = layingRest(plan, translation, homes, roomBefore(translation));
        const layout = new Layout(plan, translation, laid.homes);
        for (const place of layout.inUse) expect([place, layout.over(place)]).toEqual([place, []]);
        // and so it is in the plan
        const answer = { homes: laid.homes, unplaced: laid.left };
        const commands = [
          ...keepingCommands(translation, answer),
          settleCommand(plan, translation, answer, '2026-05-01'),
        ];
        const settled = applied(plan, ...commands);
        for (const place of places) {
          const overIn = (p: Plan) =>
            stowagesOf(p, p.places[place.id]!).flatMap(({ things }) =>
              things.filter((t) => t.over > 0).map((t) => [place.id, t.id, t.over]),
            );
          if (overIn(plan).length === 0) expect(overIn(settled)).toEqual([]);
        }
        // what lived somewhere still does
        for (const { lot } of translation.today) expect(laid.left).not.toContain(lot);
      },
    ),
    { numRuns: 100 },
  );
});
