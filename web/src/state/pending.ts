import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { newId, Sent } from '@heronstone/core/plan';

/** A change that the server has not acknowledged. `at` orders those of all tabs. */
export type Pending = { id: string; planId: string; at: number; command: Sent };
/** A change that could not be kept, with the reason. */
export type SetAside = Pending & { reason: string; when: string };

interface Kept extends DBSchema {
  unsaved: { key: string; value: Pending; indexes: { planId: string } };
  setAside: { key: string; value: SetAside; indexes: { planId: string } };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;

/** The browser’s own database: one entry a change, so that no tab overwrites what another has not saved. */
function kept(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>('heronstone', 1, {
    upgrade(db) {
      for (const name of ['unsaved', 'setAside'] as const)
        db.createObjectStore(name, { keyPath: 'id' }).createIndex('planId', 'planId');
    },
    terminated: () => (opened = undefined),
  });
  opened.catch(() => (opened = undefined));
  return opened;
}

let latest = 0;
/** A change of this moment; later ones have a larger `at`, also within one millisecond. */
export function pendingOf(planId: string, command: Sent): Pending {
  latest = Math.max(latest + 0.001, Date.now());
  return { id: newId('command'), planId, at: latest, command };
}

/**
 * Keeps a change where a reload or a crash does not lose it.
 * @throws when the browser cannot (storage full, or a private window)
 */
export async function keepPending(one: Pending): Promise<void> {
  const tx = (await kept()).transaction('unsaved', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(one), tx.done]);
}

/** Forgets a change that is saved. */
export async function dropPending(id: string): Promise<void> {
  await (await kept()).delete('unsaved', id);
}

/** Lays a change aside with the reason why it could not be kept. */
export async function layAside(one: SetAside): Promise<void> {
  const tx = (await kept()).transaction(['unsaved', 'setAside'], 'readwrite');
  await Promise.all([tx.objectStore('setAside').put(one), tx.objectStore('unsaved').delete(one.id), tx.done]);
}

export async function setAsideOf(planId: string): Promise<SetAside[]> {
  const list = await (await kept()).getAllFromIndex('setAside', 'planId', planId);
  return list.sort((a, b) => a.at - b.at);
}

export async function forgetAside(ids: readonly string[]): Promise<void> {
  const tx = (await kept()).transaction('setAside', 'readwrite');
  await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
}

/** The plans for which something waits, the one that has waited longest first. */
export async function plansWithPending(): Promise<string[]> {
  const all = (await (await kept()).getAll('unsaved')).sort((a, b) => a.at - b.at);
  return [...new Set(all.map((one) => one.planId))];
}

const UNREADABLE = 'It was made by another version of Heronstone and cannot be read by this one.';

/** What tabs before this one, or beside it, could not save yet, in the order it was done. What cannot be read is laid aside, not dropped. */
export async function readPending(planId: string): Promise<Pending[]> {
  await takeOverOld(planId);
  const list = (await (await kept()).getAllFromIndex('unsaved', 'planId', planId)).sort((a, b) => a.at - b.at);
  const good: Pending[] = [];
  for (const one of list)
    if (Sent.safeParse(one.command).success) good.push(one);
    else await layAside({ ...one, reason: UNREADABLE, when: new Date().toISOString() });
  return good;
}

/** Versions before 4 kept all of a plan’s waiting changes under one key of the local storage. */
async function takeOverOld(planId: string): Promise<void> {
  const key = `heronstone.unsaved.${planId}`;
  let text: string | null = null;
  try {
    text = localStorage.getItem(key);
  } catch {
    return; // no local storage: nothing was kept there
  }
  if (!text) return;
  try {
    for (const { id, command } of JSON.parse(text) as Pending[])
      await keepPending({ ...pendingOf(planId, command), id });
  } catch (error) {
    if (!(error instanceof SyntaxError || error instanceof TypeError)) throw error;
  }
  localStorage.removeItem(key);
}
