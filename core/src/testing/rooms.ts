import { type UnitKind } from '../record/catalogue/index.ts';
import { KINDS, ofKind } from '../things/kinds/index.ts';
import { blankSupply, type Command, type Plan, type Supply, type Unit } from '../record/plan/index.ts';
import { Random } from '../living/slotting/index.ts';
import { applied, tinyRoom, unit, withUnits } from './samples.ts';

/**
 * Rooms written for tests of finding again, on which nothing was tuned: things of the catalogue as they usually are, some in several colours, used as such things are;
 * furniture as makers have it. Invented.
 */
export type TestRoom = { name: string; plan: Plan };

type Bench = { activity: string; families: readonly string[]; x: number; y: number; heading: number; perMonth: number };

/** Things of some families, so many, each a kind with now and then a second colour. */
function things(random: Random, families: readonly string[], many: number): Supply[] {
  const kinds = KINDS.filter(
    (kind) => families.includes(kind.family) && kind.form !== 'machine' && kind.form !== 'long',
  );
  const colours = ['red', 'blue', 'green', 'white', 'black', 'yellow'];
  const out: Supply[] = [];
  for (let i = 0; out.length < many; i++) {
    const kind = kinds[i % kinds.length]!;
    const round = Math.floor(i / kinds.length);
    const name = round === 0 ? kind.name : `${colours[(round - 1) % colours.length]} ${kind.name}`;
    out.push({
      ...blankSupply(`s${out.length}`, name),
      ...ofKind(kind),
      working: 1 + random.below(kind.packOf > 1 ? Math.min(kind.packOf, 12) : 4),
      backstock: random.next() < 0.2 ? 1 + random.below(3) : 0,
    });
  }
  return out;
}

function roomOf(
  name: string,
  seed: number,
  units: readonly Unit[],
  benches: readonly Bench[],
  many: number,
  head: object,
): TestRoom {
  const random = new Random(seed);
  const supplies = things(random, [...new Set(benches.flatMap((b) => b.families))], many);
  let plan = withUnits(tinyRoom(), ...units);
  plan = applied(plan, { type: 'setPlan', set: { labels: 'outside', ...head } });
  const first = Object.values(plan.stations)[0]!;
  const activity = plan.activities[first.activityId]!;
  benches.forEach((bench, i) => {
    const id = `bench${i}`;
    plan = applied(
      plan,
      { type: 'addActivity', activity: { ...activity, id, name: bench.activity, sessionsPerMonth: bench.perMonth } },
      {
        type: 'addStation',
        station: { ...first, id, name: bench.activity, activityId: id, x: bench.x, y: bench.y, heading: bench.heading },
      } as Command,
    );
  });
  plan = applied(plan, { type: 'removeStation', id: first.id });
  plan = applied(plan, { type: 'addSupplies', supplies });
  const uses: Command[] = [];
  for (const supply of supplies)
    for (const [i, bench] of benches.entries())
      // some of each family are not used at all; some here and there
      if (bench.families.includes(supply.family) && random.next() < 0.75)
        uses.push({
          type: 'addUse',
          use: {
            ...{ id: `u${uses.length}`, activityId: `bench${i}`, supplyId: supply.id, usedUp: 0 },
            fetches: Math.round(10 * (0.1 + 4 * random.next() ** 4)) / 10,
          },
        });
  return { name, plan: applied(plan, ...uses) };
}

const at = (kind: UnitKind, id: string, x: number, y: number, facing: number, more: Partial<Unit> = {}) =>
  unit(kind, { id: id.replaceAll(' ', '-'), name: id, x, y, facing, ...more });

/** A sewing corner measured in inches: a table, a chest of drawers, a cupboard, a board. */
export const sewingCorner = (): TestRoom =>
  roomOf(
    'sewing corner in inches',
    11,
    [
      at('worktable', 'table', 3000, 5500, 180),
      at('lowChest', 'chest', 4300, 5600, 180),
      at('pedestal', 'pedestal', 2200, 5650, 180),
      at('cupboard', 'cupboard', 5700, 3000, 270, { rows: 6, height: 1900 }),
      at('wallBoard', 'board', 300, 3000, 90),
    ],
    [
      {
        activity: 'Sewing',
        families: ['Sewing', 'Thread', 'Fabric', 'Buttons', 'Cutting tools', 'Patterns'],
        x: 3000,
        y: 4800,
        heading: 0,
        perMonth: 8,
      },
      {
        activity: 'Mending',
        families: ['Sewing', 'Thread', 'Ribbon', 'Tools'],
        x: 3600,
        y: 4800,
        heading: 0,
        perMonth: 3,
      },
    ],
    73,
    { measure: 'imperial', region: 'us' },
  );

/** A paper studio of 300 supplies with cubbies, two chests, two pedestals, shelves and a cart. */
export const paperStudio = (): TestRoom =>
  roomOf(
    'paper studio of 300 supplies',
    12,
    [
      at('worktable', 'table', 3000, 5500, 180),
      at('pedestal', 'left pedestal', 2200, 5650, 180),
      at('pedestal', 'right pedestal', 3800, 5650, 180),
      at('cubeUnit', 'cubes', 5700, 3800, 270),
      at('cubeUnit', 'more cubes', 5700, 2200, 270),
      at('sheetChest', 'sheet chest', 1000, 400, 0),
      at('lowChest', 'chest', 2600, 350, 0),
      at('lowChest', 'second chest', 3900, 350, 0),
      at('cupboard', 'cupboard', 300, 4600, 90, { rows: 6, height: 1900 }),
      at('smallDrawers', 'small drawers', 300, 3300, 90),
      at('rollingCart', 'cart', 4600, 4400, 180),
      at('bookcase', 'bookcase', 300, 2000, 90),
    ],
    [
      {
        activity: 'Cards',
        families: [
          'Card',
          'Paper',
          'Envelopes',
          'Stamps',
          'Inks',
          'Stamping tools',
          'Embellishments',
          'Adhesives',
          'Tapes',
          'Cutting tools',
        ],
        x: 3000,
        y: 4800,
        heading: 0,
        perMonth: 10,
      },
      {
        activity: 'Die cutting',
        families: ['Dies', 'Punches', 'Card', 'Scraps', 'Foils'],
        x: 2300,
        y: 4800,
        heading: 0,
        perMonth: 4,
      },
      {
        activity: 'Lettering',
        families: ['Pens', 'Markers', 'Pencils', 'Drawing', 'Inks', 'Paper'],
        x: 3700,
        y: 4800,
        heading: 0,
        perMonth: 5,
      },
      {
        activity: 'Parcels',
        families: ['Packing', 'Tags', 'Tapes', 'Ribbon', 'Twine'],
        x: 4600,
        y: 1200,
        heading: 180,
        perMonth: 3,
      },
    ],
    300,
    {},
  );

/** One cupboard and a table, twenty-six places in all, for seventy-three things. */
export const oneCupboard = (): TestRoom =>
  roomOf(
    'one cupboard',
    13,
    [
      at('worktable', 'table', 3000, 5500, 180),
      at('cupboard', 'cupboard', 4600, 5700, 180, { rows: 8, columns: 3, height: 1900 }),
    ],
    [
      {
        activity: 'Crafts',
        families: [
          'Card',
          'Paper',
          'Adhesives',
          'Tapes',
          'Pens',
          'Markers',
          'Paints',
          'Brushes',
          'Beads',
          'Wire',
          'Yarn',
          'Felt',
          'Cutting tools',
          'Embellishments',
        ],
        x: 3000,
        y: 4800,
        heading: 0,
        perMonth: 6,
      },
    ],
    73,
    {},
  );
