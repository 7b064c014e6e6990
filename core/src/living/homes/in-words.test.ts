import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { importPlan } from '../../paper/formats/index.ts';
import { type Command, type Plan, SHARES } from '../../record/plan/index.ts';
import { applied } from '../../testing/index.ts';
import { tallyOf, tellFound } from './index.ts';

const read = (name: string): Plan => {
  const file = importPlan(
    readFileSync(new URL(`../../../../demo/plans/${name}.heron.json`, import.meta.url), 'utf8'),
    name,
  );
  if (!file.ok) throw new Error(file.reason);
  return file.plan;
};
const [room, spring] = [read('the-pump-house'), read('spring')];
const counted = (plan: Plan) => ({ plan, tally: tallyOf(plan) });
/** Seconds of a sentence that says hours or minutes. */
const secondsIn = (words: string, pattern: RegExp): number => {
  const [, n, unit] = pattern.exec(words) ?? [];
  return Number(n) * (unit === 'h' ? 3600 : 60);
};

describe('what was found, in at most ten sentences', () => {
  const said = tellFound(counted(room), counted(spring));

  test('how many things moved and what a year takes: counted here by where each lies', () => {
    expect(said.length).toBeGreaterThanOrEqual(5);
    expect(said.length).toBeLessThanOrEqual(10);
    const lies = (plan: Plan) => new Set(Object.values(plan.homes).map((h) => `${h.supplyId} ${h.share} ${h.placeId}`));
    const before = lies(room);
    const moved = Object.keys(spring.supplies).filter((id) =>
      SHARES.some((share) =>
        Object.values(spring.homes).some(
          (h) => h.supplyId === id && h.share === share && !before.has(`${id} ${share} ${h.placeId}`),
        ),
      ),
    );
    expect(said[0]).toMatch(new RegExp(`^${moved.length} of ${Object.keys(spring.supplies).length} things moved`));
    expect(Math.abs(secondsIn(said[0]!, /a year takes (\d+) (h)/) - tallyOf(spring).year)).toBeLessThanOrEqual(1800);
  });

  test('what is said to lie together does: each named drawer or unit is one there is', () => {
    const units = Object.values(spring.units).map((u) => u.name.toLowerCase());
    const places = said.flatMap((s) => /(?:in|on) the ([^(.,;]+?)(?: \(|\.|,|;)/.exec(s.toLowerCase())?.[1] ?? []);
    expect(places.length).toBeGreaterThanOrEqual(2);
    for (const place of places) expect(units).toContain(place);
  });

  test('until labels are written looking takes more: said while it is half an hour a year, gone once every place says what it holds', () => {
    const labels = (words: readonly string[]) => words.filter((s) => s.startsWith('Names count as written on'));
    const all = (label: 'none' | 'permanent') =>
      applied(
        spring,
        ...Object.values(spring.places).map((p): Command => ({
          type: 'setPlace',
          id: p.id,
          set: { label, labelSince: label === 'none' ? null : '2026-01-01' },
        })),
      );
    const [bare, written] = [all('none'), all('permanent')];
    const more = tallyOf(bare).unlabelled;
    expect(more).toBeGreaterThan(1800);
    const [sentence] = labels(tellFound(counted(room), counted(bare)));
    expect(Math.abs(secondsIn(sentence!, /takes (\d+) (h|min) more/) - more)).toBeLessThanOrEqual(30);
    // the names themselves are worth what they were: only looking takes more
    expect(tallyOf(bare).total).toBeCloseTo(tallyOf(written).total, 3);
    expect(tallyOf(written).unlabelled).toBeLessThan(1800);
    expect(labels(tellFound(counted(room), counted(written)))).toEqual([]);
  });

  test('what has no home is said, however much else there is to say', () => {
    const [first, second] = Object.keys(spring.supplies);
    const homeless = applied(
      spring,
      ...[first!, second!].flatMap((supplyId) =>
        SHARES.flatMap((share) =>
          Object.values(spring.homes)
            .filter((h) => h.supplyId === supplyId && h.share === share)
            .map((h): Command => ({ type: 'leaveHome', supplyId, share, homeId: h.id })),
        ),
      ),
    );
    const told = tellFound(counted(room), counted(homeless));
    expect(told.length).toBeLessThanOrEqual(10);
    for (const id of [first!, second!]) expect(told.at(-1)).toContain(spring.supplies[id]!.name);
    expect(told.at(-1)).toMatch(/no home that works\.$/);
  });

  test('nothing found: nothing moved, and no two figures for one year', () => {
    const [first] = tellFound(counted(spring), counted(spring));
    expect(first).toMatch(/^Nothing moved: a year takes [\d.]+ h\.$/);
  });
});
