import { type Request } from 'express';

/** What a request may do: go on (`who` tells one window's session from another's, `known` what else is known of it), be asked who it is, or nothing, with the reason. */
export type Admission<K = unknown> =
  { ok: true; who: string; known?: K } | { ok: false; kind: 'unknown'; reason: string };

/**
 * Who may ask, and from where. One per listener: the machine’s own page needs no passphrase, the house one, a guild a member. Routes know nothing of
 * how that is found out.
 */
export interface Access {
  /** addresses (scheme, name, port) of the pages this listener answers: anything else in `Host` or `Origin` is refused (no DNS rebinding, no cross-site writes) */
  origins: (localPort: number) => readonly string[];
  /** whether who asks is known */
  admits: (req: Request) => Admission | Promise<Admission>;
  /** null: this machine alone; else whether what travels is hidden from others */
  readonly house: { secure: boolean } | null;
}

/** The machine’s own browser, at 127.0.0.1 alone. */
export const ownMachine: Access = {
  origins: (port) => ['127.0.0.1', 'localhost', '[::1]'].map((host) => `http://${host}:${port}`),
  admits: () => ({ ok: true, who: 'own' }),
  house: null,
};
