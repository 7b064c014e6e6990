import { describe, expect, test } from '@jest/globals';
import { comeAndGone } from '@heronstone/core/homes';
import { blankOrganiser } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { cameWords, cardsOf } from './front-cards.ts';

const things = ['Awls', 'Braid', 'Clips', 'Dies', 'Eyelets'].map((name) =>
  block({ id: name, name, width: 40, depth: 40, height: 30 }),
);
const room = applied(
  withUnits(
    tinyRoom(),
    unit('lowChest', { id: 'chest', name: 'Chest', x: 3900, y: 3300, facing: 270, rows: 2, height: 400 }),
    unit('cubeUnit', { id: 'cubes', name: 'Cubes', x: 900, y: 5650, facing: 180 }),
    unit('bookcase', { id: 'case', name: 'Case', x: 900, y: 2000, facing: 90 }),
  ),
  { type: 'addSupplies', supplies: things },
  { type: 'addOrganiser', organiser: blankOrganiser('o', 'Box', 200, 250, 120) },
  {
    type: 'standIn',
    id: 'box',
    organiserId: 'o',
    name: 'Box',
    inId: 'cubes.0.0',
    left: 0,
    front: 0,
    bottom: 0,
    turned: false,
  },
  home('Awls', 'chest.0.0'),
  home('Braid', 'chest.0.0'),
  home('Clips', 'chest.1.0'),
  home('Dies', 'case.0.0'),
);

describe('the wall of fronts', () => {
  test('units in which most changed first; a box’s newcomers are seen on the place it stands in; moving within a unit is no coming and going', () => {
    const after = applied(room, home('Awls', 'box'), home('Clips', 'chest.0.0'));
    const cards = cardsOf(after, comeAndGone(room, after));
    expect(cards.map((c) => c.unit.name)).toEqual(['Chest', 'Cubes', 'Case']);
    const [chest, cubes, case_] = cards as [(typeof cards)[0], (typeof cards)[0], (typeof cards)[0]];
    expect([...chest.marks]).toEqual([
      ['chest.0.0', 'came'],
      ['chest.1.0', 'went'],
    ]);
    expect(cameWords(chest.came, chest.went)).toBe('went: Awls');
    expect(new Map(cubes.marks)).toEqual(
      new Map([
        ['box', 'came'],
        ['cubes.0.0', 'came'],
      ]),
    );
    expect(cameWords(cubes.came, cubes.went)).toBe('came: Awls');
    expect(case_.marks.size).toBe(0);
    expect(cameWords(case_.came, case_.went)).toBe('the same things as before');
  });

  test('more than three are counted', () => {
    expect(cameWords(things, things.slice(0, 1))).toBe('came: Awls, Braid, Clips and 2 more · went: Awls');
    expect(cameWords(things, [], Infinity)).toBe('came: Awls, Braid, Clips, Dies, Eyelets');
  });
});
