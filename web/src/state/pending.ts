import { Command } from '@heronstone/core/plan';

export type Pending = { id: string; command: Command };

const key = (planId: string) => `heronstone.unsaved.${planId}`;

/** Keeps what the server has not acknowledged where a reload or a crash does not lose it. */
export function keepPending(planId: string, pending: readonly Pending[]): void {
  if (!planId) return;
  try {
    if (pending.length === 0) localStorage.removeItem(key(planId));
    else localStorage.setItem(key(planId), JSON.stringify(pending));
  } catch {
    // storage full or switched off: what is unsaved still lives in this tab
  }
}

/** What an earlier tab could not save; entries that cannot be read are left out. */
export function readPending(planId: string): Pending[] {
  try {
    const list = JSON.parse(localStorage.getItem(key(planId)) ?? '[]') as Pending[];
    return list.filter((p) => typeof p.id === 'string' && Command.safeParse(p.command).success);
  } catch {
    return [];
  }
}
