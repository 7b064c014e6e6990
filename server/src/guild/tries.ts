import { type Queries } from '../store/queries.ts';

/**
 * Counts something in a window of time, for all servers together; counted before it is tried, so that many at once are counted too.
 * @param window ms
 * @returns how many there are now, this one included
 */
export async function hit(db: Queries, key: string, window: number): Promise<number> {
  const [row] = await db.query(
    `INSERT INTO tries (key, hits, resets_at) VALUES ($1, 1, now() + $2 * interval '1 millisecond')
     ON CONFLICT (key) DO UPDATE SET
       hits = CASE WHEN tries.resets_at < now() THEN 1 ELSE tries.hits + 1 END,
       resets_at = CASE WHEN tries.resets_at < now() THEN excluded.resets_at ELSE tries.resets_at END
     RETURNING hits`,
    [key, window],
  );
  return row!.hits as number;
}

/** Takes one back: it was no guess. */
export async function unhit(db: Queries, key: string): Promise<void> {
  await db.query('UPDATE tries SET hits = greatest(hits - 1, 0) WHERE key = $1', [key]);
}

/** Removes what no longer counts. */
export async function sweepTries(db: Queries): Promise<void> {
  await db.query('DELETE FROM tries WHERE resets_at < now()');
  await db.query('DELETE FROM challenges WHERE ends_at < now()');
}
