import { create } from 'zustand';
import { Refused } from './api.ts';
import { forgetLastKnown } from './last-known.ts';

/** How this window is let in: from the machine itself, or from the house with a passphrase. */
export type InTheHouse = { fromHouse: boolean; known: boolean; addresses: readonly string[]; secure: boolean };

type AccessState = {
  told: InTheHouse | null;
  /** asks the server anew */
  look: () => Promise<void>;
  /** says the passphrase; null when it was right, else why not, in plain words */
  enter: (passphrase: string) => Promise<string | null>;
  leave: () => Promise<void>;
};

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
      if (answer.ok) set({ told: (await answer.json()) as InTheHouse });
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
