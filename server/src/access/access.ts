import { type Request } from 'express';

/** What a request may do: go on (`who` tells one window's session from another's), be sent to the passphrase, or nothing, with the reason. */
export type Admission = { ok: true; who: string } | { ok: false; kind: 'unknown'; reason: string };

/**
 * Who may ask, and from where. One per listener: the machine’s own page needs no passphrase, the house does. Routes know nothing of either.
 */
export interface Access {
  /** names under which this listener answers, without port: anything else in `Host` or `Origin` is refused (no DNS rebinding, no cross-site writes) */
  hosts: () => readonly string[];
  /** whether who asks is known */
  admits: (req: Request) => Admission;
  /** whether it is reached from the house, and whether what travels is hidden from others there */
  readonly house: { secure: boolean } | null;
}

/** The machine’s own browser, at 127.0.0.1 alone. */
export const ownMachine: Access = {
  hosts: () => ['127.0.0.1', 'localhost', '[::1]'],
  admits: () => ({ ok: true, who: 'own' }),
  house: null,
};
