import {
  type AuthenticationResponseJSON,
  type AuthenticatorTransportFuture,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import { type Queries } from '../store/queries.ts';
import { Refusal } from '../store/store.ts';
import { act, become, beginSession, hasPassphrase, type Known, scopeOf } from './members.ts';
import { NOBODY, type Pool } from './pool.ts';
import { digestOf, newSecret } from './secrets.ts';

/** Where passkeys count: the page’s address, and its name alone. */
export type Site = { origin: string; name: string };
export const siteOf = (origin: string): Site => ({ origin, name: new URL(origin).hostname });

/** A question is answered within so many minutes, once. */
const MINUTES = 5;

async function keep(pool: Pool, challenge: string): Promise<string> {
  const secret = newSecret();
  await pool
    .as(NOBODY)
    .query(`INSERT INTO challenges (digest, challenge, ends_at) VALUES ($1, $2, now() + $3 * interval '1 minute')`, [
      digestOf(secret),
      challenge,
      MINUTES,
    ]);
  return secret;
}

/** The question that was kept, which is gone with that. */
async function take(pool: Pool, secret: string): Promise<string | null> {
  const [row] = await pool
    .as(NOBODY)
    .query('DELETE FROM challenges WHERE digest = $1 AND ends_at > now() RETURNING challenge', [digestOf(secret)]);
  return (row?.challenge as string | undefined) ?? null;
}

/** What a browser is asked so that it makes a passkey for a member; `secret` names the question. */
export async function passkeyOptions(pool: Pool, known: Known, site: Site) {
  const has = await pool.as(scopeOf(known)).query('SELECT id FROM passkeys WHERE member_id = $1', [known.member!.id]);
  const options = await generateRegistrationOptions({
    rpName: 'Heronstone',
    rpID: site.name,
    userID: new TextEncoder().encode(`${known.household}/${known.member!.id}`.slice(0, 64)),
    userName: `${known.member!.name}, ${known.householdName}`,
    attestationType: 'none',
    excludeCredentials: has.map(({ id }) => ({ id: id as string })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  });
  return { options, secret: await keep(pool, options.challenge) };
}

/** Keeps a passkey that a browser has made. @returns whether it is one */
export async function addPasskey(
  pool: Pool,
  known: Known,
  site: Site,
  secret: string,
  response: RegistrationResponseJSON,
): Promise<boolean> {
  const challenge = await take(pool, secret);
  if (challenge === null) return false;
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response,
    expectedChallenge: challenge,
    expectedOrigin: site.origin,
    expectedRPID: site.name,
    requireUserVerification: false,
  }).catch(() => ({ verified: false, registrationInfo: undefined }));
  if (!verified || !registrationInfo) return false;
  const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
  await pool.transaction(scopeOf(known), async (tx) => {
    await tx.query(
      'INSERT INTO passkeys (id, member_id, public_key, counter, transports) VALUES ($1, $2, $3, $4, $5)',
      [id, known.member!.id, Buffer.from(publicKey), counter, transports],
    );
    await act(tx, 'add a passkey');
  });
  return true;
}

/** The passkeys of a member, the newest first. */
export const passkeysOf = (tx: Queries, member: string) =>
  tx.query('SELECT id, added_at AS "addedAt" FROM passkeys WHERE member_id = $1 ORDER BY added_at DESC, id', [member]);

/**
 * One passkey opens nothing any more: of a device that was sold or lost. Where one is in by it that goes on until it is ended.
 * @returns whether there was one of that name
 * @throws Refusal for the only way in there is
 */
export async function removePasskey(tx: Queries, member: string, id: string): Promise<boolean> {
  // two taken away at once must not both count on the other
  await tx.query('SELECT 1 FROM members WHERE id = $1 FOR UPDATE', [member]);
  const all = await passkeysOf(tx, member);
  if (!all.some((key) => key.id === id)) return false;
  if (all.length === 1 && !(await hasPassphrase(tx, member)))
    throw new Refusal('It is your only way in. Take a passphrase first, or add another passkey.');
  await tx.query('DELETE FROM passkeys WHERE id = $1 AND member_id = $2', [id, member]);
  await act(tx, 'take a passkey away');
  return true;
}

/** What a browser is asked so that somebody comes in by a passkey. */
export async function enterOptions(pool: Pool, site: Site) {
  const options = await generateAuthenticationOptions({ rpID: site.name, userVerification: 'preferred' });
  return { options, secret: await keep(pool, options.challenge) };
}

/** The secret of a new session for whoever has answered with a passkey of a member; null otherwise. */
export async function enterByPasskey(
  pool: Pool,
  site: Site,
  secret: string,
  response: AuthenticationResponseJSON,
  device: string,
): Promise<string | null> {
  const challenge = await take(pool, secret);
  if (challenge === null) return null;
  return pool.transaction({ household: null, key: response.id }, async (tx) => {
    const [key] = await tx.query(
      'SELECT household_id AS household, member_id AS member, public_key AS "publicKey", counter, transports FROM passkeys WHERE id = $1',
      [response.id],
    );
    if (!key) return null;
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response,
      expectedChallenge: challenge,
      expectedOrigin: site.origin,
      expectedRPID: site.name,
      requireUserVerification: false,
      credential: {
        id: response.id,
        publicKey: new Uint8Array(key.publicKey as Buffer),
        counter: Number(key.counter),
        transports: key.transports as AuthenticatorTransportFuture[],
      },
    }).catch(() => ({ verified: false, authenticationInfo: { newCounter: 0 } }));
    if (!verified) return null;
    await become(tx, key.household as string);
    const [member] = await tx.query('SELECT id FROM members WHERE id = $1 AND left_at IS NULL', [key.member]);
    if (!member) return null;
    await tx.query('UPDATE passkeys SET counter = $2 WHERE id = $1', [response.id, authenticationInfo.newCounter]);
    return beginSession(tx, { member: member.id as string }, device);
  });
}
