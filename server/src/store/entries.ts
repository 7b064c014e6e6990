import { changesUpToDate, type Find, inverseOf, type PlanHead, type RowChange } from '@heronstone/core/plan';
import { type Queries } from './database.ts';
import { type Entry, isStep } from './entry.ts';
import { type Journal, JournalTrouble } from './journal.ts';
import { insertHead, readPlan, writeChanges } from './rows.ts';

/** Writes one change of the journal into the tables; to be called inside a transaction. */
export async function writeEntry(tx: Queries, { planId, revision, at, changes, what }: Entry): Promise<void> {
  if (what.kind === 'added') {
    const head = changes.find((c) => c.table === 'head')!.after as PlanHead;
    await insertHead(tx, planId, head);
    await writeChanges(
      tx,
      planId,
      changes.filter((c) => c.table !== 'head'),
    );
    return;
  }
  if (what.kind === 'away') {
    await tx.query('UPDATE plans SET away_since = $2 WHERE id = $1', [planId, what.since]);
    return;
  }
  if (what.kind === 'removed') {
    await tx.query('DELETE FROM plans WHERE id = $1', [planId]);
    return;
  }
  await writeChanges(tx, planId, changes);
  if (what.kind === 'step') {
    await tx.query(
      `WITH step AS (UPDATE command_log SET state = $3 WHERE plan_id = $1 AND seq = $2)
       UPDATE plans SET revision = $4 WHERE id = $1`,
      [planId, what.seq, what.to, revision],
    );
    return;
  }
  if (what.drops)
    await tx.query(`UPDATE command_log SET state = 'dropped' WHERE plan_id = $1 AND state = 'undone'`, [planId]);
  const { commandId, words, command } = what;
  await tx.query(
    `WITH logged AS (
       INSERT INTO command_log (plan_id, seq, command_id, words, command, inverse, state, at)
       SELECT $1, coalesce(max(seq), 0) + 1, $2, $3, $4, $5, $8, $6 FROM command_log WHERE plan_id = $1)
     UPDATE plans SET revision = $7 WHERE id = $1`,
    [
      planId,
      commandId,
      words,
      JSON.stringify(command),
      JSON.stringify(inverseOf(words, changes)),
      at,
      revision,
      isStep(what) ? 'done' : 'kept',
    ],
  );
}

/** Which journal the database goes with, and the last change that is in it. */
export async function positionOf(db: Queries): Promise<{ lineage: string; applied: number }> {
  const [row] = await db.query('SELECT lineage, applied FROM journal_state');
  return { lineage: String(row?.lineage ?? ''), applied: Number(row?.applied ?? 0) };
}

export async function setPosition(tx: Queries, lineage: string, applied: number): Promise<void> {
  await tx.query('UPDATE journal_state SET lineage = $1, applied = $2', [lineage, applied]);
}

/** Changes of an earlier version as today’s; what they lean on is looked up in the tables. */
async function upToDate(tx: Queries, planId: string, changes: RowChange[]): Promise<RowChange[]> {
  const known = new Map<string, Record<string, unknown>>();
  const needed = changes.filter((c) => (c.table as string) === 'organiserSets' || needsUnit(c));
  if (needed.length > 0) {
    const plan = await readPlan(tx, planId);
    for (const table of ['organisers', 'places', 'units'] as const)
      for (const row of Object.values(plan?.plan[table] ?? {})) known.set(`${table}/${row.id}`, row);
  }
  const find: Find = (table, id) => known.get(`${table}/${id}`);
  return changesUpToDate(changes, find);
}

/** A drawer written before there were drawers for sheets. */
const needsUnit = ({ table, before, after }: RowChange) =>
  table === 'places' && [before, after].some((row) => row !== null && !('zoneId' in row));

/**
 * Writes into the tables what the journal has and they have not.
 * @returns how many changes those were
 * @throws JournalTrouble when the journal is of another database, or lacks or contradicts something; nothing is changed then
 */
export async function catchUp(
  db: { transaction: <T>(work: (tx: Queries) => Promise<T>) => Promise<T> } & Queries,
  journal: Journal,
  onChange: (n: number) => void = () => undefined,
): Promise<number> {
  const { lineage, applied } = await positionOf(db);
  if (lineage !== '' && lineage !== journal.lineage)
    throw new JournalTrouble('The journal belongs to another database than the one that is here.');
  if (journal.last <= applied) return 0;
  await db.transaction(async (tx) => {
    for await (const entry of journal.after(applied)) {
      if (entry.what.kind !== 'added') {
        const [plan] = await tx.query('SELECT revision FROM plans WHERE id = $1', [entry.planId]);
        const stays = entry.what.kind === 'away' || entry.what.kind === 'removed';
        if (plan?.revision !== entry.revision - (stays ? 0 : 1))
          throw new JournalTrouble(`Change ${entry.n} of the journal does not follow on what is in the database.`);
      }
      await writeEntry(tx, { ...entry, changes: await upToDate(tx, entry.planId, entry.changes) });
      onChange(entry.n);
    }
    await setPosition(tx, journal.lineage, journal.last);
  });
  return journal.last - applied;
}
