import { newId } from '@heronstone/core/plan';
import { hashed, isPassphrase } from '../access/index.ts';
import { type Queries } from '../store/queries.ts';
import { Refusal } from '../store/store.ts';
import { CHANNEL } from './hub.ts';
import { type Pool, type Scope } from './pool.ts';
import { digestOf, newSecret } from './secrets.ts';

export type Role = 'keeper' | 'helper' | 'guest';
/** Who asks, as a session says. `onlyPlan`: somebody with a link to one plan, and no member. */
export type Known = {
  household: string;
  householdName: string;
  member: { id: string; name: string } | null;
  role: Role;
  onlyPlan: string | null;
  /** when that ends, ms; null: it does not end by itself */
  ends: number | null;
  /** digest of the session’s secret */
  session: string;
};

/** A session lasts so long after it was last used, days; an invitation a week (engineering page). */
const SESSION_DAYS = 30;
const INVITATION_DAYS = 7;
/** How seldom it is written down that a session is still used, minutes. */
const SEEN_EVERY = 10;

/** Goes on as a household inside a transaction: what it is allowed to be was found out there. */
export async function become(tx: Queries, household: string): Promise<void> {
  await tx.query(`SELECT set_config('heronstone.household', $1, true)`, [household]);
}

/** What the log says of the household itself. */
export async function act(tx: Queries, words: string): Promise<void> {
  await tx.query(`INSERT INTO acts (id, about, plan_name, words) VALUES ($1, '', '', $2)`, [newId('act'), words]);
}

/** Who has this session’s secret; null when it does not count any more. */
export function knownBy(pool: Pool, secret: string): Promise<Known | null> {
  const digest = digestOf(secret);
  return pool.transaction({ household: null, key: digest }, async (tx) => {
    const [session] = await tx.query(
      `SELECT household_id AS household, member_id AS member, link_digest AS link,
              seen_at < now() - $2 * interval '1 minute' AS stale FROM sessions WHERE digest = $1 AND ends_at > now()`,
      [digest, SEEN_EVERY],
    );
    if (!session) return null;
    const household = session.household as string;
    await become(tx, household);
    if (session.stale)
      await tx.query(
        `UPDATE sessions SET seen_at = now(), ends_at = CASE WHEN link_digest IS NULL THEN now() + $2 * interval '1 day' ELSE ends_at END WHERE digest = $1`,
        [digest, SESSION_DAYS],
      );
    const [who] = session.link
      ? await tx.query(
          `SELECT h.name AS household, l.plan_id AS plan, l.ends_at AS ends FROM links l, households h WHERE l.digest = $1 AND l.ends_at > now()`,
          [session.link],
        )
      : await tx.query(
          `SELECT h.name AS household, m.id, m.name, m.role FROM members m, households h WHERE m.id = $1 AND m.left_at IS NULL`,
          [session.member],
        );
    if (!who) return null;
    const householdName = who.household as string;
    if (session.link)
      return {
        household,
        householdName,
        member: null,
        role: 'guest',
        onlyPlan: who.plan as string,
        ends: (who.ends as Date).getTime(),
        session: digest,
      };
    const member = { id: who.id as string, name: who.name as string };
    return { household, householdName, member, role: who.role as Role, onlyPlan: null, ends: null, session: digest };
  });
}

/** Begins a session. @returns its secret, which is kept nowhere */
export async function beginSession(
  tx: Queries,
  by: { member: string } | { link: string; ends: Date },
  device: string,
): Promise<string> {
  const secret = newSecret();
  await tx.query(
    `INSERT INTO sessions (digest, member_id, link_digest, device, ends_at)
     VALUES ($1, $2, $3, $4, coalesce($5::timestamptz, now() + $6 * interval '1 day'))`,
    [
      digestOf(secret),
      'member' in by ? by.member : null,
      'link' in by ? by.link : null,
      device.slice(0, 120),
      'ends' in by ? by.ends : null,
      SESSION_DAYS,
    ],
  );
  return secret;
}

/** Ends sessions, here and on every other server. */
export async function endSessions(
  tx: Queries,
  where: 'digest' | 'member_id' | 'link_digest',
  is: string,
): Promise<void> {
  const ended = await tx.query(`DELETE FROM sessions WHERE ${where} = $1 RETURNING digest`, [is]);
  for (const { digest } of ended) await tellSession(tx, digest as string);
}

/** Every server forgets what it believes of a session, and lets its windows go. */
async function tellSession(tx: Queries, digest: string): Promise<void> {
  await tx.query('SELECT pg_notify($1, $2)', [CHANNEL, `session ${digest}`]);
}

export type Invitation = {
  household: string;
  householdName: string;
  role: Role;
  forWhom: string;
  member: string | null;
};

/** Invites somebody. @returns the secret for the link */
export async function invite(
  tx: Queries,
  { role, forWhom, by, member = null }: { role: Role; forWhom: string; by: string; member?: string | null },
): Promise<string> {
  const secret = newSecret();
  await tx.query(
    `INSERT INTO invitations (digest, role, member_id, for_whom, by_whom, ends_at) VALUES ($1, $2, $3, $4, $5, now() + $6 * interval '1 day')`,
    [digestOf(secret), role, member, forWhom, by, INVITATION_DAYS],
  );
  await act(tx, `invite ${forWhom} as ${role}`);
  return secret;
}

/** What an invitation is for; null when it was used, is over or was withdrawn. */
export function invitationOf(pool: Pool, secret: string): Promise<Invitation | null> {
  return pool.transaction({ household: null, key: digestOf(secret) }, (tx) => openInvitation(tx, digestOf(secret)));
}

async function openInvitation(tx: Queries, digest: string): Promise<Invitation | null> {
  const [row] = await tx.query(
    `SELECT household_id AS household, role, for_whom AS "forWhom", member_id AS member FROM invitations
     WHERE digest = $1 AND used_at IS NULL AND ends_at > now()`,
    [digest],
  );
  if (!row) return null;
  await become(tx, row.household as string);
  const [household] = await tx.query('SELECT name FROM households');
  return { ...(row as Omit<Invitation, 'householdName'>), householdName: household!.name as string };
}

export type CameIn = { ok: true; secret: string; member: string } | { ok: false; reason: string };

/**
 * Takes an invitation: a member is made (or comes in again), and a session begun.
 * @param passphrase null where a passkey is to be made at once
 * @throws Trouble when the passphrase is too short
 */
export async function comeIn(
  pool: Pool,
  secret: string,
  { name, passphrase, device }: { name: string; passphrase: string | null; device: string },
): Promise<CameIn> {
  const kept = passphrase === null ? null : await hashed(passphrase);
  const digest = digestOf(secret);
  return pool.transaction({ household: null, key: digest }, async (tx): Promise<CameIn> => {
    const invitation = await openInvitation(tx, digest);
    const over = {
      ok: false,
      reason: 'This invitation was used, withdrawn, or is over. Ask for another one.',
    } as const;
    if (!invitation) return over;
    await tx.query(`SELECT set_config('heronstone.who', $1, true)`, [name]);
    // one use: of two at once the second finds it used
    const used = await tx.query(
      'UPDATE invitations SET used_at = now() WHERE digest = $1 AND used_at IS NULL RETURNING 1',
      [digest],
    );
    if (used.length === 0) return over;
    const member = invitation.member ?? newId('member');
    const taken = await tx.query(
      'SELECT 1 FROM members WHERE lower(name) = lower($1) AND left_at IS NULL AND id <> $2',
      [name, member],
    );
    if (taken.length > 0) {
      await tx.query('UPDATE invitations SET used_at = NULL WHERE digest = $1', [digest]);
      return { ok: false, reason: `Somebody called ${name} is in this household already. Say another name.` };
    }
    await tx.query(
      `INSERT INTO members (id, name, role, salt, hash) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (household_id, id) DO UPDATE SET name = excluded.name, salt = coalesce(excluded.salt, members.salt),
         hash = coalesce(excluded.hash, members.hash), left_at = NULL`,
      [member, name, invitation.role, kept?.salt ?? null, kept?.hash ?? null],
    );
    // whoever comes in anew, having lost what they had, leaves nobody in with it
    await endSessions(tx, 'member_id', member);
    await act(tx, `come in as ${invitation.role}`);
    return { ok: true, secret: await beginSession(tx, { member }, device), member };
  });
}

/** A passphrase that nobody has: an unknown name takes as long as a wrong passphrase. */
const nobody = hashed('nobody has this passphrase');

/** The secret of a new session for whoever says a member’s passphrase; null otherwise. */
export async function enter(
  pool: Pool,
  said: { household: string; name: string; passphrase: string; device: string },
): Promise<string | null> {
  const scope: Scope = { household: said.household };
  const [row] = await pool
    .as(scope)
    .query(
      'SELECT id, name, salt, hash FROM members WHERE lower(name) = lower($1) AND left_at IS NULL AND hash IS NOT NULL',
      [said.name.trim()],
    );
  const kept = row ? { salt: row.salt as string, hash: row.hash as string } : await nobody;
  if (!(await isPassphrase(said.passphrase, kept)) || !row) return null;
  const member = { id: row.id as string, name: row.name as string };
  return pool.transaction({ ...scope, member }, (tx) => beginSession(tx, { member: member.id }, said.device));
}

/** Another passphrase for a member; all other sessions end. @throws Trouble when it is too short */
export async function setPassphrase(pool: Pool, known: Known, passphrase: string): Promise<void> {
  const { salt, hash } = await hashed(passphrase);
  await pool.transaction(scopeOf(known), async (tx) => {
    await tx.query('UPDATE members SET salt = $2, hash = $3 WHERE id = $1', [known.member!.id, salt, hash]);
    const others = await tx.query('SELECT digest FROM sessions WHERE member_id = $1 AND digest <> $2', [
      known.member!.id,
      known.session,
    ]);
    for (const { digest } of others) await endSessions(tx, 'digest', digest as string);
    await act(tx, 'set another passphrase');
  });
}

/** Whether a member has a passphrase to come in by. */
export async function hasPassphrase(tx: Queries, member: string): Promise<boolean> {
  const [row] = await tx.query('SELECT hash IS NOT NULL AS has FROM members WHERE id = $1', [member]);
  return row?.has === true;
}

/** Somebody leaves: their sessions and passkeys end, what they did stays. @throws Refusal for the last keeper */
export async function leave(tx: Queries, member: string): Promise<void> {
  await mustKeepOne(tx, member);
  const [row] = await tx.query(
    'UPDATE members SET left_at = now(), salt = NULL, hash = NULL WHERE id = $1 AND left_at IS NULL RETURNING name',
    [member],
  );
  if (!row) throw new Refusal('Nobody of that name is in this household.');
  await tx.query('DELETE FROM passkeys WHERE member_id = $1', [member]);
  await tx.query('DELETE FROM invitations WHERE member_id = $1 AND used_at IS NULL', [member]);
  await endSessions(tx, 'member_id', member);
  await act(tx, `${String(row.name)} leaves`);
}

/** @throws Refusal when nobody could decide anything any more */
export async function setRole(tx: Queries, member: string, role: Role): Promise<void> {
  if (role !== 'keeper') await mustKeepOne(tx, member);
  const [row] = await tx.query('UPDATE members SET role = $2 WHERE id = $1 AND left_at IS NULL RETURNING name', [
    member,
    role,
  ]);
  if (!row) throw new Refusal('Nobody of that name is in this household.');
  // what a server believes of their sessions is asked anew; their windows come back as what they are now
  for (const { digest } of await tx.query('SELECT digest FROM sessions WHERE member_id = $1', [member]))
    await tellSession(tx, digest as string);
  await act(tx, `${String(row.name)} is a ${role} now`);
}

async function mustKeepOne(tx: Queries, without: string): Promise<void> {
  // two keepers who leave at once: one of them is the last
  const keepers = await tx.query(
    `SELECT id FROM members WHERE role = 'keeper' AND left_at IS NULL ORDER BY id FOR UPDATE`,
  );
  if (keepers.length > 0 && keepers.every((k) => k.id === without))
    throw new Refusal(
      'The last keeper cannot go: nobody could decide anything any more. Make somebody else a keeper first.',
    );
}

export const scopeOf = (known: Known): Scope & { household: string } => ({
  household: known.household,
  ...(known.member && { member: known.member }),
});

/** A link by which whoever has it looks at one plan until a day. @returns its secret */
export async function makeLink(
  tx: Queries,
  { planId, forWhom, by, days }: { planId: string; forWhom: string; by: string; days: number },
): Promise<string> {
  const secret = newSecret();
  await tx.query(
    `INSERT INTO links (digest, plan_id, for_whom, by_whom, ends_at) VALUES ($1, $2, $3, $4, now() + $5 * interval '1 day')`,
    [digestOf(secret), planId, forWhom, by, days],
  );
  await act(tx, `let ${forWhom} look at a plan for ${days} ${days === 1 ? 'day' : 'days'}`);
  return secret;
}

/** Begins to look by a link. @returns the session’s secret and the plan, or null when the link is over */
export function lookBy(pool: Pool, secret: string, device: string): Promise<{ secret: string; plan: string } | null> {
  const digest = digestOf(secret);
  return pool.transaction({ household: null, key: digest }, async (tx) => {
    const [link] = await tx.query(
      'SELECT household_id AS household, plan_id AS plan, ends_at AS ends FROM links WHERE digest = $1 AND ends_at > now()',
      [digest],
    );
    if (!link) return null;
    await become(tx, link.household as string);
    const session = await beginSession(tx, { link: digest, ends: link.ends as Date }, device);
    return { secret: session, plan: link.plan as string };
  });
}
