import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type Plan } from '@heronstone/core/plan';
import { type PlanSummary } from './api.ts';
import { type Pair } from './pair.ts';

/** A plan as the server last had it, and when that was (ISO). */
export type LastPlan = { id: string; plan: Plan; revision: number; at: string };
export type LastList = { plans: PlanSummary[]; at: string };

interface Last extends DBSchema {
  plans: { key: string; value: LastPlan };
  list: { key: 'list'; value: LastList };
  pairs: { key: string; value: Pair };
}

let opened: Promise<IDBPDatabase<Last>> | undefined;

function last(): Promise<IDBPDatabase<Last>> {
  opened ??= openDB<Last>('heronstone-last-known', 2, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('plans', { keyPath: 'id' });
        db.createObjectStore('list');
      }
      db.createObjectStore('pairs', { keyPath: 'planId' });
    },
    // a newer page wants it otherwise: this one does without
    blocking: (_, __, event) => (event.target as IDBDatabase).close(),
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
      for (const store of ['plans', 'pairs'] as const)
        for (const id of await db.getAllKeys(store)) if (!there.has(id)) await db.delete(store, id);
    })
    .catch(without);
}

export async function lastList(): Promise<LastList | undefined> {
  return last()
    .then((db) => db.get('list', 'list'))
    .catch(without);
}

/** Both sides of *before and after*, as they were last; null: put away. */
export async function keepLastPair(planId: string, pair: Pair | null): Promise<void> {
  await last()
    .then((db) => (pair ? db.put('pairs', pair).then(without) : db.delete('pairs', planId)))
    .catch(without);
}

export async function lastPair(planId: string): Promise<Pair | undefined> {
  return last()
    .then((db) => db.get('pairs', planId))
    .catch(without);
}

/** Forgets everything: who is let in no more must not find plans in this browser. */
export async function forgetLastKnown(): Promise<void> {
  await last()
    .then(async (db) => {
      await db.clear('plans');
      await db.clear('pairs');
      await db.clear('list');
    })
    .catch(without);
}
