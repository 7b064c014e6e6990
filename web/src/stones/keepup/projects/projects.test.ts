import { describe, expect, test } from '@jest/globals';
import { type Command, type Out, type Project } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';
import { backFrom, takenFor } from './jottings.ts';
import { missing, packFrom, packOptions } from './pack-from.ts';
import { outsOf, stateWords } from './states.ts';

const project = (over: Partial<Project> = {}): Project => ({
  ...{ id: 'comet', name: 'Comet', kind: 'project', state: 'going', activityId: 'work', since: '2026-05-01' },
  ...{ forDay: null, trayId: null, note: '', ...over },
});
const out = (supplyId: string, over: Partial<Out> = {}): Out => ({
  ...{ id: `out-${supplyId}`, supplyId, projectId: 'comet', count: 1, state: 'out', double: false },
  ...{ placeId: null, since: '2026-05-01', ...over },
});
const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
  {
    type: 'addSupplies',
    supplies: ['reel', 'Line', 'knife'].map((name) =>
      block({ id: name.toLowerCase(), name, kit: name === 'knife' ? 'First knives' : '' }),
    ),
  },
  ...['reel', 'line'].map((id): Command => ({ type: 'addUse', use: { ...use(id, 1), id: `use-${id}` } })),
  home('reel', 'chest.0.0'),
  { type: 'addProject', project: project() },
  { type: 'addProject', project: project({ id: 'fair', name: 'Fair', kind: 'trip', state: 'planned' }) },
);

describe('what is out for a project', () => {
  test('stands by name, whatever the letters, and other projects’ things do not', () => {
    const more = applied(
      plan,
      { type: 'addOut', out: out('reel') },
      { type: 'addOut', out: out('line') },
      { type: 'addOut', out: out('knife', { projectId: 'fair', state: 'wanted' }) },
    );
    expect(outsOf(more, 'comet').map((o) => o.supplyId)).toEqual(['line', 'reel']);
    expect(outsOf(more, 'fair').map((o) => o.supplyId)).toEqual(['knife']);
  });

  test('a trip’s states have words of their own', () => {
    expect(stateWords(project())).toBe('going on');
    expect(stateWords(project({ kind: 'trip' }))).toBe('out with it');
    // a state that such a thing cannot be in is said as it is
    expect(stateWords(project({ kind: 'trip', state: 'idea' }))).toBe('idea');
  });
});

describe('what the log says', () => {
  test('of things taken: for which project and activity; a second one is none of it', () => {
    expect(takenFor(project(), [out('reel', { count: 3 }), out('line', { double: true })])).toEqual([
      { what: 'fetched', supplyId: 'reel', activityId: 'work', count: 3, words: 'Comet' },
    ]);
  });

  test('of one that came back: where it lives, or nowhere', () => {
    expect(backFrom(plan, out('reel'))).toEqual([
      { what: 'putBack', supplyId: 'reel', placeId: 'chest.0.0', count: 1 },
    ]);
    expect(backFrom(plan, out('line'))).toMatchObject([{ placeId: null }]);
    expect(backFrom(plan, out('reel', { double: true }))).toEqual([]);
  });
});

describe('filling a trip’s list', () => {
  test('from activities, sets and other trips, never from itself', () => {
    const values = packOptions(plan, 'fair').map(([value]) => value);
    expect(values).toContain('activity work');
    expect(values).toContain('kit First knives');
    expect(values).not.toContain('trip fair');
    expect(packOptions(plan, 'another').map(([value]) => value)).toContain('trip fair');
  });

  test('a set’s name may have blanks in it', () =>
    expect(packFrom('kit First knives')).toEqual({ what: 'kit', id: 'First knives' }));

  test('what is on the list already is not put on it again; when nothing is left it says why', () => {
    const activity = packFrom('activity work');
    expect(
      missing(plan, activity, 1, [])
        .more.map((m) => m.supplyId)
        .sort(),
    ).toEqual(['line', 'reel']);
    expect(missing(plan, activity, 1, [out('reel')]).more.map((m) => m.supplyId)).toEqual(['line']);
    expect(missing(plan, activity, 1, [out('reel'), out('line')])).toEqual({
      more: [],
      reason: 'All of it is on the list already.',
    });
    expect(missing(plan, packFrom('kit nothing such'), 1, [])).toEqual({
      more: [],
      reason: 'There is nothing of it to pack.',
    });
  });
});
