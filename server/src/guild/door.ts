import { type CookieOptions, type Request, type Response } from 'express';
import { LRUCache } from 'lru-cache';
import { type Access, type Admission, cookiesOf } from '../access/index.ts';
import { type Hub } from './hub.ts';
import { type Known, knownBy } from './members.ts';
import { digestOf } from './secrets.ts';

/** How long what a session says is believed without asking the database again, ms; word that it has ended comes at once. */
const BELIEVED = 10_000;
/** Cookies live so long in the browser, ms; the session in the database says whether it still counts. */
const KEPT = 30 * 86_400_000;

/** Lets in whoever has a session: a member, or somebody with a link. */
export class GuildDoor implements Access {
  readonly house: { secure: boolean };
  private readonly known = new LRUCache<string, Known>({ max: 5_000, ttl: BELIEVED });
  /** what has ended or changed a moment ago: what was read before that is not believed after it */
  private readonly changed = new LRUCache<string, true>({ max: 5_000, ttl: BELIEVED });

  constructor(
    private readonly hub: Hub,
    /** the address people come in by (scheme, name, port); null: this machine’s own */
    readonly origin: string | null,
  ) {
    this.house = { secure: origin?.startsWith('https://') === true };
    hub.onSessionEnd((digest) => this.forget(digest));
  }

  origins(port: number): string[] {
    return this.origin === null ? [`http://127.0.0.1:${port}`, `http://localhost:${port}`] : [this.origin];
  }

  /** The address a link is to begin with. */
  originOf(req: Request): string {
    return this.origin ?? `http://${req.headers.host ?? ''}`;
  }

  async admits(req: Request): Promise<Admission<Known>> {
    for (const secret of cookiesOf(req, this.cookieName)) {
      const known = await this.sessionOf(secret);
      if (known) return { ok: true, who: known.session, known };
    }
    return { ok: false, kind: 'unknown', reason: 'Say who you are first.' };
  }

  private async sessionOf(secret: string): Promise<Known | null> {
    const digest = digestOf(secret);
    const believed = this.hub.hears ? this.known.get(digest) : undefined;
    if (believed) return believed;
    const known = await knownBy(this.hub.pool, secret);
    if (known && !this.changed.has(digest)) this.known.set(digest, known);
    return known;
  }

  /** A session is asked for anew. */
  forget(digest: string): void {
    this.changed.set(digest, true);
    this.known.delete(digest);
  }

  /** Gives the secret of a new session to the browser; one it had before is not gone on with. */
  letIn(res: Response, secret: string): void {
    res.cookie(this.cookieName, secret, { ...this.cookie, maxAge: KEPT });
  }

  letGo(res: Response): void {
    res.clearCookie(this.cookieName, this.cookie);
  }

  /** A browser takes a cookie of this name only from its own host, over TLS. */
  private get cookieName(): string {
    return this.house.secure ? '__Host-heronstone-guild' : 'heronstone-guild';
  }

  get cookie(): CookieOptions {
    return { httpOnly: true, sameSite: 'strict', secure: this.house.secure, path: '/' };
  }
}
