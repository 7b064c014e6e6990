import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyOfVersion, openDatabase, TABLES_VERSION } from '../store/database.ts';
import { type Carried, carriedFrom, carryInto, isOfGuild } from './carry.ts';

/**
 * Rows that a program of an earlier version wrote, as this one has them: they pass through a database of that version, which is brought up to date as a
 * house's is. What only a guild has (acts, receipts) goes on as it came: its tables only ever gained columns.
 * @param version of the tables they are of
 */
export async function* broughtUp(version: number, rows: AsyncIterable<Carried>): AsyncGenerator<Carried> {
  if (version === TABLES_VERSION) return yield* rows;
  const aside = mkdtempSync(join(tmpdir(), 'heronstone-carry-'));
  const folder = join(aside, 'database');
  const ofGuild: Carried[] = [];
  async function* ofPlans() {
    for await (const one of rows)
      if (isOfGuild(one)) ofGuild.push(one);
      else yield one;
  }
  try {
    const before = await emptyOfVersion(folder, version);
    try {
      await before.transaction((tx) => carryInto(tx, ofPlans()));
    } finally {
      await before.close();
    }
    const db = await openDatabase(folder, async () => undefined);
    try {
      yield* carriedFrom(db);
    } finally {
      await db.close();
    }
    yield* ofGuild;
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}
