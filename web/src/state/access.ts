import { create } from 'zustand';
import { isHelping, type Sent } from '@heronstone/core/plan';
import { Refused } from './api.ts';
import { forgetLastKnown } from './last-known.ts';

export type Role = 'keeper' | 'helper' | 'guest';

/** How this window is let in: from the machine itself, from the house with a passphrase, or (`guild`) as somebody of a household. */
export type Told = {
  fromHouse: boolean;
  known: boolean;
  addresses: readonly string[];
  secure: boolean;
  guild?: true;
  household?: { id: string; name: string };
  /** null: whoever came by a link */
  member?: { id: string; name: string } | null;
  role?: Role;
  /** the one plan a link shows */
  onlyPlan?: string | null;
};

type AccessState = {
  told: Told | null;
  /** asks the server anew */
  look: () => Promise<void>;
  /** says the passphrase; null when it was right, else why not, in plain words */
  enter: (passphrase: string) => Promise<string | null>;
  leave: () => Promise<void>;
};

/** What somebody in a household may do; on the machine itself and in a house everything. */
export const roleOf = (told: Told | null): Role => told?.role ?? 'keeper';

const LOOKS = 'You are a guest here: guests look. Ask a keeper of this household for it.';
const HELPS =
  'You help here: helpers tick, count, log, take out and put back. Ask a keeper of this household for anything else.';

/** Why a change is not this person’s to make; null when it is. The server holds to the same. */
export function notTheirs(told: Told | null, command: Sent): string | null {
  const role = roleOf(told);
  if (role === 'keeper') return null;
  if (role === 'guest') return LOOKS;
  return isHelping(command) ? null : HELPS;
}

async function send(path: string, body: unknown): Promise<Response> {
  return fetch(`/api/access/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
}

/** Who asks, as the server sees it. */
export const useAccess = create<AccessState>()((set, get) => ({
  told: null,
  look: async () => {
    try {
      const answer = await fetch('/api/access');
      if (answer.ok) set({ told: (await answer.json()) as Told });
    } catch {
      // out of reach of the house: what is on screen stays, and changes wait
    }
  },
  enter: async (passphrase) => {
    try {
      const answer = await send('enter', { passphrase });
      if (answer.ok) {
        await get().look();
        return null;
      }
      return ((await answer.json()) as { detail?: string }).detail ?? 'That is not the passphrase.';
    } catch {
      return 'The server does not answer. Is this phone in the house’s network?';
    }
  },
  leave: async () => {
    await send('leave', {}).catch(() => undefined);
    await forgetLastKnown();
    await get().look();
  },
}));

/** Whether an answer was that the server does not know who asks. */
export const isStranger = (error: unknown): boolean => error instanceof Refused && error.status === 401;
