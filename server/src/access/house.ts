import { createHash, randomBytes } from 'node:crypto';
import { hostname, networkInterfaces } from 'node:os';
import { type CookieOptions, type Request, type Response } from 'express';
import { type Access } from './access.ts';
import { isPassphrase, type KeptPassphrase } from './passphrase.ts';

const COOKIE = 'heronstone';
/** A phone that was let in stays so for thirty days, or until the server ends. */
const STAYS = 30 * 86_400_000;
/** More phones than a household has. */
const MOST_SESSIONS = 200;

/** This machine’s own addresses (IPv4, on which the house’s listener listens) in its networks, and its names there. */
export function ownAddresses(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .flatMap((net) => (net && !net.internal && net.family === 'IPv4' ? [net.address] : []));
  const name = hostname().toLowerCase();
  return [...addresses, name, ...(name.includes('.') ? [] : [`${name}.local`])];
}

const digest = (token: string) => createHash('sha256').update(token).digest('base64');

/** The house: whoever knows the passphrase, under this machine’s own addresses. */
export class House implements Access {
  /** digests of the tokens given out, with when each ends */
  private readonly sessions = new Map<string, number>();
  readonly house: { secure: boolean };

  constructor(
    private readonly passphrase: KeptPassphrase,
    secure: boolean,
    readonly hosts: () => readonly string[] = ownAddresses,
  ) {
    this.house = { secure };
  }

  admits(req: Request) {
    const ends = this.sessions.get(digest(tokenOf(req) ?? ''));
    if (ends !== undefined && ends > Date.now()) return { ok: true } as const;
    return { ok: false, kind: 'unknown', reason: 'Say the passphrase first.' } as const;
  }

  /** Lets somebody in who says the passphrase; false otherwise. */
  async enter(res: Response, said: string): Promise<boolean> {
    if (!(await isPassphrase(said, this.passphrase))) return false;
    const token = randomBytes(32).toString('base64url');
    for (const [known, ends] of this.sessions) if (ends <= Date.now()) this.sessions.delete(known);
    // the oldest one goes: who was let in first asks again
    if (this.sessions.size >= MOST_SESSIONS) this.sessions.delete(this.sessions.keys().next().value!);
    this.sessions.set(digest(token), Date.now() + STAYS);
    res.cookie(COOKIE, token, { ...this.cookie, maxAge: STAYS });
    return true;
  }

  /** Forgets who asks. */
  leave(req: Request, res: Response): void {
    this.sessions.delete(digest(tokenOf(req) ?? ''));
    res.clearCookie(COOKIE, this.cookie);
  }

  private get cookie(): CookieOptions {
    return { httpOnly: true, sameSite: 'strict', secure: this.house.secure, path: '/' };
  }
}

function tokenOf(req: Request): string | null {
  for (const part of (req.headers.cookie ?? '').split(';')) {
    const [name, value] = part.trim().split('=');
    if (name === COOKIE && value) return value;
  }
  return null;
}
