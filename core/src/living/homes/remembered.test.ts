import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { findingsOf, type Finding } from '../../better/findings/index.ts';
import { stowagesOf } from '../../things/fit/index.ts';
import { importPlan } from '../../paper/formats/index.ts';
import {
  apply,
  Command,
  compartmentsOf,
  type Plan,
  type TableName,
  TABLES,
  TABLE_NAMES,
} from '../../record/plan/index.ts';
import { Random } from '../slotting/index.ts';
import { assessHomes } from './index.ts';

/** All that is remembered while a plan is changed, as it is shown. */
function saysOf(plan: Plan) {
  const { seconds, bringing, fetchesByBand, homeless } = assessHomes(plan);
  const full = Object.values(plan.places).map((p) => stowagesOf(plan, p).map((s) => [s.used, s.faults.length]));
  const found = findingsOf(plan).map((f: Finding) => f.words);
  return { seconds, bringing, fetchesByBand, homeless: homeless.length, full, found };
}

function read(path: string): Plan {
  const file = readFileSync(new URL(path, import.meta.url));
  const plan = importPlan((path.endsWith('.gz') ? gunzipSync(file) : file).toString(), 'read');
  if (!plan.ok) throw new Error(plan.reason);
  return plan.plan;
}
/** Every table has rows in one of them, but for those of {@link OWN}. */
const spring = read('../../../../demo/plans/spring.heron.json');
const kept = read('../../paper/formats/kept/plan-19.heron.json.gz');

type Row = Record<string, unknown> & { id: string };
const rowsOf = (plan: Plan, table: TableName) => Object.values(plan[table]) as unknown as Row[];

const OWN: Partial<Record<TableName, (plan: Plan) => object>> = {
  diagonals: (plan) => {
    const [a, , c] = Object.keys(plan.walls);
    return { id: 'own', fromWallId: a, toWallId: c, length: 6000 };
  },
  bans: (plan) => ({ id: 'own', supplyId: Object.keys(plan.supplies)[1], unitId: null, above: 1500, below: null }),
  ownKinds: () => ({
    id: 'own',
    name: 'Own',
    kind: 'lowChest',
    width: 800,
    depth: 450,
    height: 700,
    rows: 3,
    columns: 1,
    rowSizes: [],
    columnSizes: [],
    inserts: [],
  }),
};

/** A row that could be added: one there is already, or of another plan with its references turned to this one, under a name of its own. */
function another(plan: Plan, table: TableName, n: number): Row {
  const there = rowsOf(plan, table)[n];
  const own = OWN[table]?.(plan) as Row | undefined;
  const from = there ?? own ?? rowsOf(kept, table)[n];
  if (!from) throw new Error(`there is no row of ${table} to begin with`);
  const row: Row = { ...from, id: `new-${table}-${n}` };
  for (const [field, { to }] of Object.entries(TABLES[table].references)) {
    const named = row[field];
    if (typeof named === 'string' && !(named in plan[to as TableName]))
      row[field] = Object.keys(plan[to as TableName])[n];
  }
  return row;
}

/** The row with one of its fields a little otherwise. */
function otherwise(plan: Plan, table: TableName, row: Row, random: Random): Record<string, unknown> {
  const fields = Object.entries(row).filter(([k]) => k !== 'id' && k !== 'seq');
  const [field, value] = fields[random.below(fields.length)]!;
  const { to } = TABLES[table].references[field] ?? {};
  const ids = to ? Object.keys(plan[to as TableName]) : [];
  if (ids.length > 0) return { [field]: ids[random.below(ids.length)] };
  if (typeof value === 'number') return { [field]: Math.round(value * (0.7 + 0.6 * random.next())) };
  if (typeof value === 'string') return { [field]: /^\d{4}-/.test(value) ? '2026-01-02' : `${value} 2` };
  return { [field]: value === false };
}

const since = '2026-11-30';
const share = 'working' as const;

/** Commands with a name of their own; those of plain tables follow from their rows. */
function ofItsOwn(type: Command['type'], plan: Plan, n: number): unknown {
  const walls = Object.keys(plan.walls);
  const [unit] = Object.values(plan.units).slice(n);
  const [supply, other] = Object.values(plan.supplies).slice(3 * n);
  const places = Object.values(plan.units)
    .filter((u) => u.mount === 'floor')
    .flatMap((u) => compartmentsOf(plan, u.id));
  const place = places[n];
  const [organiser] = Object.values(plan.organisers).slice(n);
  const container = Object.values(plan.places).filter((p) => p.organiserId !== null)[n];
  const home = Object.values(plan.homes).filter((h) => !h.pinned)[n];
  const seat = (inId: string | undefined) => ({ inId, left: 0, front: 0, bottom: 0, turned: false });
  const ids = { supplyId: home?.supplyId, share: home?.share };
  switch (type) {
    case 'setPlan':
      return { type, set: { ceiling: plan.head.ceiling - 120 } };
    case 'addWall':
      return { type, wall: { id: 'new-wall', name: 'New wall', length: 400, turn: 90 } };
    case 'setWall':
      return { type, id: walls[n], set: { length: Object.values(plan.walls)[n]!.length + 70 } };
    case 'removeWall':
      return { type, id: 'new-wall' };
    case 'spreadMisclosure':
      return { type };
    case 'shapeWall':
      return { type, id: walls[n], ids: [1, 2, 3, 4].map((i) => `piece-${i}`), left: 300, width: 500, depth: 200 };
    case 'cutCorner':
      return { type, id: walls[n], newId: 'corner', along: 200, next: 200 };
    case 'placeUnit':
      return { type, unit: { ...unit, id: 'new-unit', name: 'New unit', keptInId: null, hostId: null } };
    case 'setUnit':
      return { type, id: unit?.id, set: { x: (unit?.x ?? 0) + 150 } };
    case 'removeUnit':
      return { type, id: 'new-unit' };
    case 'setPlace':
      return { type, id: place?.id, set: { label: 'permanent' } };
    case 'standIn':
      return { type, id: 'new-box', organiserId: organiser?.id, name: 'New box', ...seat(place?.id) };
    case 'moveContainer':
      return { type, id: container?.id, ...seat(place?.id) };
    case 'takeOut':
      return { type, id: container?.id };
    case 'divide':
      return { type, id: place?.id, into: n % 2 === 0 ? 'lanes 80,rest' : '' };
    case 'putOff':
      return { type, putOff: { ...rowsOf(kept, 'putOffs')[0], id: 'new-off' } };
    case 'acknowledge':
      return { type, acknowledgement: { id: findingsOf(plan)[n]?.key, reason: 'Known', since } };
    case 'reopen':
      return { type, id: Object.keys(plan.acknowledgements)[n] };
    case 'addSupplies':
      return { type, supplies: [{ ...supply, id: 'new-supply', name: 'New supply' }] };
    case 'setSupply':
      return { type, id: supply?.id, set: { depth: Math.round((supply?.depth ?? 50) * 1.3) } };
    case 'countSupply':
      return { type, id: supply?.id, by: { working: 3 } };
    case 'removeSupply':
      return { type, id: supply?.id };
    case 'mergeSupplies':
      return { type, id: supply?.id, others: [other?.id] };
    case 'assignHome':
      return { type, supplyId: supply?.id, share, placeId: place?.id, since };
    case 'leaveHome':
      return { type, ...ids };
    case 'pinHome':
      return { type, ...ids, pinned: true };
    case 'planMoves':
      return {
        type,
        moves: [
          {
            id: 'new-move',
            seq: 0,
            ...ids,
            count: null,
            fromId: home?.placeId,
            toId: places[n + 1]?.id,
            seconds: 30,
            doneOn: null,
          },
        ],
      };
    case 'makeMove':
      return { type, id: Object.keys(plan.moves)[n], since };
    case 'settle':
      return { type, since, homes: [{ ...ids, placeId: place?.id ?? null }] };
    case 'several':
      return {
        type,
        words: 'two at once',
        commands: [
          { type: 'setUnit', id: unit?.id, set: { y: (unit?.y ?? 0) - 90 } },
          { type: 'countSupply', id: supply?.id, by: { working: 1 } },
        ],
      };
    default:
      return null;
  }
}

const capital = (word: string) => `${word[0]!.toUpperCase()}${word.slice(1)}`;
const verbs = new Map<string, { table: TableName; verb: 'add' | 'set' | 'remove' }>(
  TABLE_NAMES.flatMap((table) => {
    const { plain } = TABLES[table];
    return plain
      ? (['add', 'set', 'remove'] as const).map((verb) => [`${verb}${capital(plain)}`, { table, verb }] as const)
      : [];
  }),
);

function example(type: Command['type'], plan: Plan, n: number, random: Random): unknown {
  const of = verbs.get(type);
  if (!of) return ofItsOwn(type, plan, n);
  const { table, verb } = of;
  const rows = rowsOf(plan, table);
  if (verb === 'add') return { type, [TABLES[table].plain!]: another(plan, table, n) };
  const row = rows[random.below(Math.max(1, rows.length))];
  if (!row) return null;
  // what has only been added for it goes again, that there is something left to change
  if (verb === 'remove') return { type, id: n % 2 === 0 ? rows.at(-1)!.id : row.id };
  return { type, id: row.id, set: otherwise(plan, table, row, random) };
}

const TYPES = Command.options.map((o) => o.shape.type.value);

describe('what is remembered', () => {
  test('is what a copy of the plan says, after every command there is', () => {
    // a job that stays when another goes: sittings need one
    let plan: Plan = { ...spring, jobs: { ...kept.jobs } };
    const random = new Random(7);
    const done = new Set<string>();
    const reasons: string[] = [];
    saysOf(plan);
    let since = [] as unknown[];
    for (const type of TYPES) {
      for (let n = 0; n < 25 && !done.has(type); n++) {
        const asked = Command.safeParse(example(type, plan, n, random));
        const ran = asked.success ? apply(plan, asked.data) : null;
        if (!ran?.ok || ran.changes.length === 0) {
          reasons.push(
            `${type}: ${ran && !ran.ok ? ran.reason : asked.error ? z.prettifyError(asked.error) : 'nothing changed'}`,
          );
          continue;
        }
        plan = ran.plan;
        done.add(type);
        since.push(asked.data);
        // asked after each, as the screens do; held against a copy after some
        const says = saysOf(plan);
        if (done.size % 6 === 0 || type === TYPES.at(-1)) {
          expect([since, says]).toEqual([since, saysOf(structuredClone(plan))]);
          since = [];
        }
      }
    }
    expect(TYPES.filter((t) => !done.has(t)).map((t) => reasons.findLast((r) => r.startsWith(`${t}:`)) ?? t)).toEqual(
      [],
    );
  });

  test('where a cart is parked, and how low the eaves are: what once was forgotten', () => {
    let felt = 0;
    const before = saysOf(spring).seconds;
    const { parkings, slopes } = spring;
    for (const command of [
      ...Object.values(parkings).map((p) => ({ type: 'setParking', id: p.id, set: { x: p.x + 700, y: p.y - 400 } })),
      ...Object.values(slopes).map((s) => ({ type: 'setSlope', id: s.id, set: { knee: Math.round(s.knee * 0.6) } })),
    ]) {
      const ran = apply(spring, command as Command);
      if (!ran.ok) throw new Error(ran.reason);
      const says = saysOf(ran.plan);
      if (Math.abs(says.seconds - before) > 1) felt++;
      expect([command, says]).toEqual([command, saysOf(structuredClone(ran.plan))]);
    }
    expect(felt).toBeGreaterThan(0);
  });
});
