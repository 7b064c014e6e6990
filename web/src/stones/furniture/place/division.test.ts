import { describe, expect, test } from '@jest/globals';
import { applied, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { type Command } from '@heronstone/core/plan';
import { divisionOf } from './division.ts';

const chest = withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }));
const divided = (into: string, ...before: Command[]) => {
  const plan = applied(chest, ...before, { type: 'divide', id: 'chest.0.0', into });
  return divisionOf(plan, plan.places['chest.0.0']!);
};

describe('how a drawer is divided, as one would type it', () => {
  test('whole: nothing', () =>
    expect(divisionOf(chest, chest.places['chest.0.0']!)).toEqual({ kind: 'lanes', sizes: '' }));

  test('lanes and rows by their sizes, the rest worked out', () => {
    const lanes = divided('lanes 70,70,rest');
    expect(lanes.kind).toBe('lanes');
    expect(lanes.sizes).toMatch(/^7, 7, \d/);
    const rows = divided('rows 100,rest');
    expect(rows.kind).toBe('rows');
    expect(rows.sizes).toMatch(/^10, \d/);
  });

  test('slots by how many', () => expect(divided('slots 4')).toEqual({ kind: 'slots', sizes: '4' }));

  test('in a plan in inches in inches', () =>
    expect(divided('lanes 101.6,rest', { type: 'setPlan', set: { measure: 'imperial' } }).sizes).toMatch(/^4, /));
});
