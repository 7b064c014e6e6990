import { newId } from '@heronstone/core/plan';
import { type Queries } from '../store/queries.ts';
import { mayKeepBytes } from './limits.ts';
import { act, become, type Known, scopeOf } from './members.ts';
import { type Pool } from './pool.ts';
import { digestOf, newSecret } from './secrets.ts';

/** A copy waits so long to be taken, days (own assumption). */
const WAITS_DAYS = 30;

const receipt = (tx: Queries, words: string) =>
  tx.query('INSERT INTO receipts (id, words) VALUES ($1, $2)', [newId('receipt'), words]);

/** Makes a copy of a plan ready for another household. @param file the plan with its pictures @returns the secret for the link */
export function give(pool: Pool, known: Known, planName: string, file: string): Promise<string> {
  const secret = newSecret();
  const by = known.member!.name;
  return pool.transaction(scopeOf(known), async (tx) => {
    await mayKeepBytes(tx, known.household, file.length);
    await tx.query(
      `INSERT INTO gifts (digest, plan_name, file, by_whom, from_name, ends_at) VALUES ($1, $2, $3, $4, $5, now() + $6 * interval '1 day')`,
      [digestOf(secret), planName, file, by, known.householdName, WAITS_DAYS],
    );
    await act(tx, `make a copy of ${planName} ready for another household`);
    return secret;
  });
}

export type Gift = { planName: string; fromName: string; byWhom: string; ownHousehold: boolean };

/** What a link gives; null when it was taken or is over. */
export function giftOf(pool: Pool, known: Known, secret: string): Promise<Gift | null> {
  const digest = digestOf(secret);
  return pool.transaction({ ...scopeOf(known), key: digest }, async (tx) => {
    const [row] = await tx.query(
      `SELECT plan_name AS "planName", from_name AS "fromName", by_whom AS "byWhom", household_id = $2 AS "ownHousehold"
       FROM gifts WHERE digest = $1 AND taken_at IS NULL AND ends_at > now()`,
      [digest, known.household],
    );
    return (row as Gift | undefined) ?? null;
  });
}

/**
 * Takes what was given: claimed for this household, added, and only then marked as taken with a receipt on both sides. Where that breaks off, the same
 * household takes it again and gets one plan, not two.
 * @param add adds the plan file under an id unless it is there already
 */
export async function takeGift(
  pool: Pool,
  known: Known,
  secret: string,
  add: (file: string, id: string) => Promise<{ ok: true; id: string } | { ok: false; reason: string }>,
): Promise<{ ok: true; id: string } | { ok: false; reason: string } | null> {
  const digest = digestOf(secret);
  const scope = { ...scopeOf(known), key: digest };
  const claimed = await pool.transaction(scope, async (tx) => {
    const [gift] = await tx.query('SELECT household_id AS giver FROM gifts WHERE digest = $1', [digest]);
    if (!gift) return null;
    await become(tx, gift.giver as string);
    const [row] = await tx.query(
      `UPDATE gifts SET taken_by = $2 WHERE digest = $1 AND taken_at IS NULL AND ends_at > now() AND (taken_by IS NULL OR taken_by = $2)
       RETURNING file, plan_name AS name, from_name AS "from", by_whom AS by`,
      [digest, known.household],
    );
    return row
      ? { giver: gift.giver as string, ...(row as { file: string; name: string; from: string; by: string }) }
      : null;
  });
  if (!claimed) return null;
  const added = await add(claimed.file, `plan-${digest.slice(0, 24)}`);
  if (!added.ok) return added;
  await pool.transaction(scope, async (tx) => {
    await become(tx, claimed.giver);
    const marked = await tx.query(
      `UPDATE gifts SET taken_at = now(), file = '' WHERE digest = $1 AND taken_at IS NULL RETURNING 1`,
      [digest],
    );
    if (marked.length === 0) return;
    await receipt(
      tx,
      `${claimed.name} was given by ${claimed.by} and taken by ${known.member!.name} of ${known.householdName}.`,
    );
    await become(tx, known.household);
    await receipt(
      tx,
      `${claimed.name} was taken by ${known.member!.name}; it was given by ${claimed.by} of ${claimed.from}.`,
    );
    await act(tx, `take ${claimed.name}, given by ${claimed.from}`);
  });
  return added;
}
