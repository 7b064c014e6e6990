import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { findingsOf, type Finding } from '../../better/findings/index.ts';
import { stowagesOf } from '../../things/fit/index.ts';
import { importPlan } from '../../paper/formats/index.ts';
import { apply, type Command, type Plan, type TableName, TABLES, TABLE_NAMES } from '../../record/plan/index.ts';
import { Random } from '../slotting/index.ts';
import { assessHomes } from './index.ts';

/** All that is remembered while a plan is changed, as it is shown. */
function saysOf(plan: Plan) {
  const { seconds, bringing, fetchesByBand, homeless } = assessHomes(plan);
  const full = Object.values(plan.places).map((p) => stowagesOf(plan, p).map((s) => [s.used, s.faults.length]));
  const found = findingsOf(plan).map((f: Finding) => f.words);
  return { seconds, bringing, fetchesByBand, homeless: homeless.length, full, found };
}

/** A command that changes one field of a row a little, or takes the row out. */
function someChange(plan: Plan, table: TableName, random: Random): Command | null {
  const rows = Object.values(plan[table]) as Record<string, unknown>[];
  if (rows.length === 0) return null;
  const row = rows[random.below(rows.length)]!;
  const named = { walls: 'wall', units: 'unit', places: 'place', supplies: 'supply' }[table as string];
  const word = TABLES[table].plain ?? named;
  if (!word) return null;
  const verb = (v: string) => `${v}${word[0]!.toUpperCase()}${word.slice(1)}`;
  if (table !== 'places' && random.below(6) === 0) return { type: verb('remove'), id: row.id } as Command;
  const fields = Object.entries(row).filter(
    ([k, v]) => k !== 'id' && (typeof v === 'number' || typeof v === 'boolean'),
  );
  if (fields.length === 0) return null;
  const [field, value] = fields[random.below(fields.length)]!;
  const to = typeof value === 'boolean' ? !value : Math.round((value as number) * (0.7 + 0.6 * random.next()));
  return { type: verb('set'), id: row.id, set: { [field]: to } } as unknown as Command;
}

describe('what is remembered', () => {
  test('is what a copy of the plan says, after changes of every table', () => {
    const text = readFileSync(new URL('../../../../demo/plans/spring.heron.json', import.meta.url), 'utf8');
    const read = importPlan(text, 'pump');
    if (!read.ok) throw new Error(read.reason);
    let { plan } = read;
    const first = read.plan;
    const random = new Random(7);
    const changed = new Map<string, number>();
    saysOf(plan);
    for (let i = 0; i < 2 * TABLE_NAMES.length; i++) {
      const table = TABLE_NAMES[i % TABLE_NAMES.length]!;
      const command = someChange(plan, table, random);
      const done = command && apply(plan, command);
      if (!done?.ok || done.changes.length === 0) continue;
      plan = done.plan;
      changed.set(table, (changed.get(table) ?? 0) + 1);
      expect([i, command, saysOf(plan)]).toEqual([i, command, saysOf(structuredClone(plan))]);
    }
    expect(changed.size).toBeGreaterThan(15);
    // what once was forgotten: where a cart is parked, and how low the eaves are
    let felt = 0;
    const before = saysOf(first).seconds;
    const { parkings, slopes } = first;
    for (const command of [
      ...Object.values(parkings).map((p) => ({ type: 'setParking', id: p.id, set: { x: p.x + 700, y: p.y - 400 } })),
      ...Object.values(slopes).map((s) => ({ type: 'setSlope', id: s.id, set: { knee: Math.round(s.knee * 0.6) } })),
    ]) {
      const done = apply(first, command as Command);
      if (!done.ok) throw new Error(done.reason);
      const says = saysOf(done.plan);
      if (Math.abs(says.seconds - before) > 1) felt++;
      expect([command, says]).toEqual([command, saysOf(structuredClone(done.plan))]);
    }
    expect(felt).toBeGreaterThan(0);
    for (const table of ['slopes', 'parkings', 'units', 'stations', 'walls', 'people'])
      expect(changed.get(table) ?? 0).toBeGreaterThan(0);
  });
});
