import { describe, expect, test } from '@jest/globals';
import { REFERENCES, TABLE_NAMES, TABLES } from '@heronstone/core/plan';
import { throwAwayFolders } from '../testing.ts';
import { openDatabase } from './database.ts';

const newFolder = throwAwayFolders();
const snake = (key: string) => key.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);

describe('the tables of the database are those that describe themselves', () => {
  test('every field is a column, every column a field; every reference is a foreign key checked at the end', async () => {
    const db = await openDatabase(newFolder(), () => Promise.resolve());
    const columns = await db.query(
      `SELECT table_name AS table, column_name AS column FROM information_schema.columns WHERE table_schema = 'public'`,
    );
    for (const table of TABLE_NAMES) {
      const there = columns.filter((c) => c.table === snake(table)).map((c) => c.column as string);
      expect([table, there.sort()]).toEqual([
        table,
        ['plan_id', ...Object.keys(TABLES[table].row.shape).map(snake)].sort(),
      ]);
    }
    const keys = await db.query(`
      SELECT c.conrelid::regclass::text AS "from", a.attname AS field, c.confrelid::regclass::text AS "to", c.condeferred AS deferred
      FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[2]
      WHERE c.contype = 'f' AND cardinality(c.conkey) = 2`);
    const described = REFERENCES.map(({ from, field, to }) => `${snake(from)}.${snake(field)} → ${snake(to)}`).sort();
    expect(keys.map((k) => `${k.from as string}.${k.field as string} → ${k.to as string}`).sort()).toEqual(described);
    expect(keys.filter((k) => k.deferred !== true)).toEqual([]);
    await db.close();
  });

  test('a new folder has this one database and none of the patterns PostgreSQL copies new ones from', async () => {
    const db = await openDatabase(newFolder(), () => Promise.resolve());
    expect(await db.query('SELECT datname FROM pg_database')).toEqual([{ datname: 'postgres' }]);
    await db.close();
  });
});
