import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { hostname, networkInterfaces } from 'node:os';
import { type CookieOptions, type Request, type Response } from 'express';
import { type Access } from './access.ts';
import { cookiesOf } from './cookies.ts';
import { isPassphrase, type KeptPassphrase } from './passphrase.ts';

/** A phone that was let in stays so for thirty days, or until the server ends. */
const STAYS = 30 * 86_400_000;
/** It is known as one that was let in before for so long, ms: half a year (own assumption). */
const REMEMBERED = 180 * 86_400_000;
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
    private readonly hosts: () => readonly string[] = ownAddresses,
  ) {
    this.house = { secure };
  }

  origins(port: number): string[] {
    return this.hosts().map((host) => `${this.house.secure ? 'https' : 'http'}://${host}:${port}`);
  }

  admits(req: Request) {
    const who = this.sessionOf(req);
    if (who !== null) return { ok: true, who } as const;
    return { ok: false, kind: 'unknown', reason: 'Say the passphrase first.' } as const;
  }

  /** The digest of the token of who asks, where that still counts. */
  private sessionOf(req: Request): string | null {
    for (const token of cookiesOf(req, nameFor(req, 'in'))) {
      const who = digest(token);
      if ((this.sessions.get(who) ?? 0) > Date.now()) return who;
    }
    return null;
  }

  /** Lets somebody in who says the passphrase; false otherwise. */
  async enter(req: Request, res: Response, said: string): Promise<boolean> {
    if (!(await isPassphrase(said, this.passphrase))) return false;
    const token = randomBytes(32).toString('base64url');
    for (const [known, ends] of this.sessions) if (ends <= Date.now()) this.sessions.delete(known);
    // the oldest one goes: who was let in first asks again
    if (this.sessions.size >= MOST_SESSIONS) this.sessions.delete(this.sessions.keys().next().value!);
    this.sessions.set(digest(token), Date.now() + STAYS);
    res.cookie(nameFor(req, 'in'), token, { ...this.cookie, maxAge: STAYS });
    res.cookie(nameFor(req, 'before'), this.letter(), { ...this.cookie, maxAge: REMEMBERED });
    return true;
  }

  /** Forgets who asks. */
  leave(req: Request, res: Response): void {
    const who = this.sessionOf(req);
    if (who !== null) this.sessions.delete(who);
    res.clearCookie(nameFor(req, 'in'), this.cookie);
  }

  /**
   * Which of those let in before asks, so that strangers who guess do not keep it out; null for a stranger. It opens nothing by itself, and it
   * ends with the passphrase.
   */
  before(req: Request): string | null {
    for (const letter of cookiesOf(req, nameFor(req, 'before'))) {
      const [ends = '', id = '', seal = ''] = letter.split('.');
      const right = this.seal(`${ends}.${id}`);
      if (
        seal.length === right.length &&
        timingSafeEqual(Buffer.from(seal), Buffer.from(right)) &&
        Number(ends) > Date.now()
      )
        return id;
    }
    return null;
  }

  private letter(): string {
    const words = `${Date.now() + REMEMBERED}.${randomBytes(12).toString('base64url')}`;
    return `${words}.${this.seal(words)}`;
  }

  private seal(words: string): string {
    return createHmac('sha256', Buffer.from(this.passphrase.hash, 'base64'))
      .update(`let in before ${words}`)
      .digest('base64url');
  }

  private get cookie(): CookieOptions {
    return { httpOnly: true, sameSite: 'strict', secure: this.house.secure, path: '/' };
  }
}

/** Cookies belong to a host whatever the port: the name says which of its servers this one is for. */
function nameFor(req: Request, what: 'in' | 'before'): string {
  return `heronstone-${what === 'in' ? '' : `${what}-`}${req.socket.localPort}`;
}
