import { BY_TAPE, type Plan } from '@heronstone/core/plan';
import { Builder, type SupplyRow } from './build.ts';

const YEAR = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

/** A shared living-room corner: one cupboard and a table, in inches. */
export function cupboardAndTable(): Plan {
  const inch = 25.4;
  const b = new Builder({
    name: 'One cupboard and a table',
    measure: 'imperial',
    ceiling: 96 * inch,
    growth: 0.15,
    grouping: 'nature',
  })
    .walls(['left', 118 * inch, 90], ['back', 130 * inch, 90], ['right', 118 * inch, 90], ['front', 130 * inch, 90])
    .run({
      type: 'addOpening',
      opening: {
        id: 'door',
        wallId: 'wall-front',
        kind: 'door',
        left: 12 * inch,
        width: 32 * inch,
        sill: 0,
        head: 79 * inch,
        hinge: 'right',
        swing: 'in',
        ...BY_TAPE,
      },
    })
    .person('maker', 'Sorrel', 67 * inch, { mobility: 'stool' })
    .unit('table', 'worktable', 'Table', 60 * inch, 104 * inch, 180, {
      width: 48 * inch,
      depth: 28 * inch,
      height: 29 * inch,
    })
    .unit('cupboard', 'cupboard', 'Cupboard', 10 * inch, 60 * inch, 90, {
      width: 32 * inch,
      depth: 16 * inch,
      height: 72 * inch,
      rows: 5,
    })
    .activity('cards', 'Folded cards', 6, 60, YEAR)
    .station('seat', 'Table seat', 'cards', 'maker', { unitId: 'table', x: 60 * inch, y: 80 * inch, heading: 0 });
  for (const row of SUPPLIES) b.supply(row);
  return b.plan;
}

const C = (fetches: number) => ({ cards: fetches });
// one row a line, as in the list it is
// prettier-ignore
const SUPPLIES: SupplyRow[] = [
  ['Card stock, 8.5 × 11', 'Paper', 'sheet', [216, 279, null], 13, [100, 250], C(6), 'cupboard.0.0', { grammage: 216, usedUp: 6 }],
  ['Envelopes', 'Paper', 'block', [165, 125, 60], 260, [2, 3], C(3), 'cupboard.4.0', { usedUp: 3 }],
  ['Stamps, wooden', 'Printing', 'block', [70, 50, 30], 40, [24, 0], C(5), 'cupboard.2.0'],
  ['Ink pads', 'Printing', 'block', [100, 70, 22], 60, [9, 0], C(5), 'cupboard.0.0'],
  ['Glue pen', 'Gluing', 'stick', [150, 20, 20], 25, [2, 4], C(6), 'cupboard.3.0'],
  ['Scissors', 'Cutting', 'stick', [180, 70, 15], 110, [1, 0], C(6), null, { hazards: ['blade'] }],
  ['Ribbon box', 'Trim', 'block', [280, 200, 100], 500, [1, 0], C(2), 'cupboard.1.0'],
  ['Colour pencils', 'Colour', 'block', [220, 180, 30], 350, [1, 0], C(4), null],
];
