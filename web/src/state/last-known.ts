import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type Plan } from '@heronstone/core/plan';
import { type PlanSummary } from './api.ts';

/** A plan as the server last had it, and when that was (ISO). */
export type LastPlan = { id: string; plan: Plan; revision: number; at: string };
export type LastList = { plans: PlanSummary[]; at: string };

interface Last extends DBSchema {
  plans: { key: string; value: LastPlan };
  list: { key: 'list'; value: LastList };
}

let opened: Promise<IDBPDatabase<Last>> | undefined;

function last(): Promise<IDBPDatabase<Last>> {
  opened ??= openDB<Last>('heronstone-last-known', 1, {
    upgrade(db) {
      db.createObjectStore('plans', { keyPath: 'id' });
      db.createObjectStore('list');
    },
    terminated: () => (opened = undefined),
  });
  opened.catch(() => (opened = undefined));
  return opened;
}

/** What cannot be kept or read is done without: it is only there for when the server is away. */
const without = () => undefined;

export async function keepLastPlan(one: LastPlan): Promise<void> {
  await last()
    .then((db) => db.put('plans', one))
    .catch(without);
}

export async function lastPlan(id: string): Promise<LastPlan | undefined> {
  return last()
    .then((db) => db.get('plans', id))
    .catch(without);
}

export async function keepLastList(plans: PlanSummary[], at: string): Promise<void> {
  await last()
    .then(async (db) => {
      await db.put('list', { plans, at }, 'list');
      // plans that are gone are not kept either
      const there = new Set(plans.map((p) => p.id));
      for (const id of await db.getAllKeys('plans')) if (!there.has(id)) await db.delete('plans', id);
    })
    .catch(without);
}

export async function lastList(): Promise<LastList | undefined> {
  return last()
    .then((db) => db.get('list', 'list'))
    .catch(without);
}

/** Forgets everything: who is let in no more must not find plans in this browser. */
export async function forgetLastKnown(): Promise<void> {
  await last()
    .then(async (db) => {
      await db.clear('plans');
      await db.clear('list');
    })
    .catch(without);
}
