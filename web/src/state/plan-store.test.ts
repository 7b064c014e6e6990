import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { apply, type Command, type Plan, type RowChange } from '@heronstone/core/plan';
import { block, tinyRoom } from '@heronstone/core/testing';

/** A server in the page: the real `apply` behind a faked fetch, and a stream that can be spoken into. */
class FakeServer {
  plan: Plan = tinyRoom();
  revision = 0;
  /** what the next requests meet: an answer, a lost answer (written all the same), no server at all, or one that never answers */
  weather: 'fine' | 'answer lost' | 'down' | 'hangs' = 'fine';
  /** what happens to the commands of this supply instead of being done */
  failing: { id: string; status: number } | null = null;
  seen = new Set<string>();
  stream: FakeStream | null = null;

  run(commandId: string, command: Command): { status: number; body: object } {
    const event = (changes: RowChange[]) => ({
      planId: 'tiny',
      commandId,
      changes,
      revision: this.revision,
      undo: 'it',
      redo: null,
    });
    if (this.seen.has(commandId)) return { status: 200, body: event([]) };
    if (this.failing && JSON.stringify(command).includes(this.failing.id))
      return { status: this.failing.status, body: { detail: 'It cannot be stored.' } };
    const done = apply(this.plan, command);
    if (!done.ok) return { status: 409, body: { detail: done.reason } };
    this.plan = done.plan;
    this.revision++;
    this.seen.add(commandId);
    const out = event(done.changes);
    this.stream?.say('change', out);
    return { status: 200, body: out };
  }

  /** Takes the last thing that came back out. */
  takeBack(): object {
    const id = Object.keys(this.plan.supplies).at(-1)!;
    const { [id]: gone, ...supplies } = this.plan.supplies;
    expect(gone).toBeDefined();
    this.plan = { ...this.plan, supplies };
    this.revision++;
    const changes = [{ table: 'supplies', id, row: null }];
    return { ...{ planId: 'tiny', commandId: 'undo', changes, revision: this.revision }, undo: null, redo: null };
  }

  fetch = async (url: string, init?: { body?: string }) => {
    await Promise.resolve();
    if (this.weather === 'down') throw new TypeError('fetch failed');
    if (this.weather === 'hangs') return new Promise(() => undefined);
    if (url.endsWith('/undo')) return { ok: true, status: 200, json: async () => this.takeBack(), url };
    const answer = init?.body
      ? this.run(JSON.parse(init.body).commandId, JSON.parse(init.body).command)
      : { status: 200, body: { plan: this.plan, revision: this.revision, undo: null, redo: null } };
    if (this.weather === 'answer lost' && init?.body) throw new TypeError('connection reset');
    return {
      ok: answer.status < 400,
      status: answer.status,
      json: async () => JSON.parse(JSON.stringify(answer.body)),
      url,
    };
  };
}

class FakeStream {
  static readonly CLOSED = 2;
  readyState = 1;
  private readonly listeners = new Map<string, (e: { data: string }) => void>();
  constructor() {
    server.stream = this;
  }
  addEventListener(kind: string, listener: (e: { data: string }) => void) {
    this.listeners.set(kind, listener);
  }
  say(kind: string, data: object) {
    this.listeners.get(kind)?.({ data: JSON.stringify(data) });
  }
  /** The server answers with 401, 503 or the like: browsers give up for good then. */
  refuse() {
    this.readyState = FakeStream.CLOSED;
    this.listeners.get('error')?.({ data: '' });
  }
  close() {}
}

let server: FakeServer;
let stored: Map<string, string>;
const realFactory = globalThis.indexedDB;
const g = globalThis as Record<string, unknown>;
const { usePlan } = await import('./plan-store.ts');
const { dropPending, keepPending, pendingOf, readPending, setAsideOf } = await import('./pending.ts');
const { toast } = await import('sonner');

// the browser’s database answers on the real clock, everything else on the faked one
const settle = async () => {
  for (let i = 0; i < 60; i++) await new Promise<void>((go) => setImmediate(go));
};
/** What the browser keeps, as a new tab would find it. */
const kept = async () => [
  (await readPending('tiny')).map((p) => p.id),
  (await setAsideOf('tiny')).map((a) => a.reason),
];
const add = (id: string): Command => ({ type: 'addSupplies', supplies: [block({ id, name: `Thing ${id}` })] });
const names = () => Object.keys(usePlan.getState().plan.supplies).sort();
let close: () => void;

beforeEach(async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'clearImmediate', 'queueMicrotask', 'nextTick'] });
  server = new FakeServer();
  stored = new Map();
  g.fetch = server.fetch;
  g.EventSource = FakeStream;
  g.localStorage = {
    getItem: (k: string) => stored.get(k) ?? null,
    setItem: (k: string, v: string) => stored.set(k, v),
    removeItem: (k: string) => stored.delete(k),
  };
  close = usePlan.getState().open('tiny');
  await settle();
});
afterEach(async () => {
  close();
  for (const one of await setAsideOf('tiny')) usePlan.getState().forget([one.id]);
  for (const one of await readPending('tiny')) await dropPending(one.id);
  await settle();
  jest.useRealTimers();
});

describe('the plan on screen', () => {
  test('a change is there at once and saved after', async () => {
    expect(usePlan.getState().dispatch(add('a'))).toBe(true);
    expect(names()).toEqual(['a']);
    expect(usePlan.getState().unsaved).toBe(1);
    await settle();
    expect(usePlan.getState().unsaved).toBe(0);
    expect(server.plan.supplies.a).toBeDefined();
    expect(await kept()).toEqual([[], []]);
  });

  test('what the core refuses is never sent and changes nothing', async () => {
    expect(usePlan.getState().dispatch({ type: 'removeUnit', id: 'nowhere' })).toBe(false);
    await settle();
    expect(server.revision).toBe(0);
  });

  test('another tab’s change comes in under what is not yet saved here', async () => {
    server.weather = 'down';
    usePlan.getState().dispatch(add('mine'));
    await settle();
    server.weather = 'fine';
    server.run('other-tab-1', add('theirs'));
    expect(names()).toEqual(['mine', 'theirs']);
    await jest.advanceTimersByTimeAsync(2500);
    await settle();
    expect(Object.keys(server.plan.supplies).sort()).toEqual(['mine', 'theirs']);
  });

  test('the server away: changes queue, are kept in the browser, and are saved in order when it is back', async () => {
    server.weather = 'down';
    usePlan.getState().dispatch(add('a'));
    usePlan.getState().dispatch({ type: 'setSupply', id: 'a', set: { name: 'Renamed' } });
    await settle();
    expect(usePlan.getState()).toMatchObject({ unsaved: 2, trouble: expect.stringMatching(/does not answer/) });
    expect((await kept())[0]).toHaveLength(2);
    server.weather = 'fine';
    await jest.advanceTimersByTimeAsync(2500);
    await settle();
    expect(server.plan.supplies.a!.name).toBe('Renamed');
    expect(usePlan.getState()).toMatchObject({ unsaved: 0, trouble: null });
  });

  test('an answer that got lost does not do the command twice', async () => {
    server.weather = 'answer lost';
    usePlan.getState().dispatch(add('once'));
    await settle();
    expect(server.revision).toBe(1);
    server.weather = 'fine';
    await jest.advanceTimersByTimeAsync(2500);
    await settle();
    expect(server.revision).toBe(1);
    expect(names()).toEqual(['once']);
    expect(usePlan.getState().unsaved).toBe(0);
  });

  test('undo while a change waits to be tried again sends it first, then takes it back; without the server it says so', async () => {
    server.weather = 'down';
    usePlan.getState().dispatch(add('a'));
    await settle();
    await usePlan.getState().undo();
    expect([names(), usePlan.getState().unsaved]).toEqual([['a'], 1]);
    // the server is back, and the next try by itself is two seconds away
    server.weather = 'fine';
    await usePlan.getState().undo();
    await settle();
    expect([names(), usePlan.getState().unsaved, Object.keys(server.plan.supplies)]).toEqual([[], 0, []]);
    expect(server.revision).toBe(2);
  });

  test('a change the server refuses is taken back here, with its reason, and the rest is kept', async () => {
    const said = jest.spyOn(toast, 'error');
    usePlan.getState().dispatch(add('a'));
    await settle();
    server.stream = null;
    server.run('other-tab-2', { type: 'setSupply', id: 'a', set: { name: 'Reel' } });
    usePlan.getState().dispatch({ type: 'setSupply', id: 'a', set: { name: 'Spool' }, was: { name: 'Thing a' } });
    usePlan.getState().dispatch(add('b'));
    await settle();
    expect(said.mock.calls.map((c) => String(c[0]))).toEqual([
      expect.stringMatching(/changed meanwhile in another tab/),
    ]);
    expect(usePlan.getState().plan.supplies.a!.name).toBe('Reel');
    expect(server.plan.supplies.b).toBeDefined();
  });

  test('two windows change one field: what was not seen is not overwritten, though nobody said what was seen; other fields are', async () => {
    const said = jest.spyOn(toast, 'error');
    usePlan.getState().dispatch(add('a'));
    await settle();
    server.stream = null;
    server.run('other-tab-3', { type: 'setSupply', id: 'a', set: { note: 'from the phone' } });
    usePlan.getState().dispatch({ type: 'setSupply', id: 'a', set: { name: 'Spool' } });
    usePlan.getState().dispatch({ type: 'setSupply', id: 'a', set: { note: 'from the desk' } });
    await settle();
    expect(server.plan.supplies.a).toMatchObject({ name: 'Spool', note: 'from the phone' });
    expect(said.mock.calls.map((c) => String(c[0])).at(-1)).toMatch(/changed meanwhile/);
    expect(usePlan.getState().setAside).toHaveLength(1);
  });

  test('two phones take one each: two are gone, also when the first was away', async () => {
    usePlan.getState().dispatch(add('a'));
    usePlan.getState().dispatch({ type: 'setSupply', id: 'a', set: { working: 5 } });
    await settle();
    server.stream = null;
    server.run('other-phone', { type: 'countSupply', id: 'a', by: { working: -1 } });
    usePlan.getState().dispatch({ type: 'countSupply', id: 'a', by: { working: -1 } });
    await settle();
    expect(server.plan.supplies.a!.working).toBe(3);
    expect(usePlan.getState()).toMatchObject({ setAside: [], unsaved: 0 });
  });

  test('what an earlier tab could not save is saved by the next one that opens the plan', async () => {
    server.weather = 'down';
    usePlan.getState().dispatch(add('left-over'));
    await settle();
    close();
    server.weather = 'fine';
    close = usePlan.getState().open('tiny');
    await settle();
    expect(server.plan.supplies['left-over']).toBeDefined();
    expect(await kept()).toEqual([[], []]);
  });

  test('what versions before 4 kept in the local storage is saved too', async () => {
    close();
    const old = [{ id: 'command-old-one', command: add('from-before') }];
    stored.set('heronstone.unsaved.tiny', JSON.stringify(old));
    close = usePlan.getState().open('tiny');
    await settle();
    expect(server.plan.supplies['from-before']).toBeDefined();
    expect(stored.size).toBe(0);
  });

  test('two tabs keep their waiting changes beside each other; none overwrites the other’s', async () => {
    server.weather = 'down';
    usePlan.getState().dispatch(add('mine'));
    await keepPending(pendingOf('tiny', add('of-another-tab')));
    usePlan.getState().dispatch(add('mine-too'));
    await settle();
    expect((await kept())[0]).toHaveLength(3);
    close();
    server.weather = 'fine';
    close = usePlan.getState().open('tiny');
    await settle();
    expect(Object.keys(server.plan.supplies).sort()).toEqual(['mine', 'mine-too', 'of-another-tab']);
  });

  test('a change the server cannot store is set aside with its reason; what comes after it is saved', async () => {
    server.failing = { id: 'bad', status: 422 };
    for (const id of ['a', 'bad', 'b']) usePlan.getState().dispatch(add(id));
    usePlan.getState().dispatch({ type: 'setSupply', id: 'bad', set: { name: 'Leans on the bad one' } });
    usePlan.getState().dispatch(add('c'));
    await settle();
    expect(Object.keys(server.plan.supplies).sort()).toEqual(['a', 'b', 'c']);
    expect(usePlan.getState()).toMatchObject({ unsaved: 0, trouble: null });
    expect(usePlan.getState().setAside.map((one) => one.reason)).toEqual([
      'It cannot be stored.',
      expect.stringMatching(/not in the plan/),
    ]);
    expect((await kept())[1]).toHaveLength(2);
    server.failing = null;
    usePlan.getState().tryAgain(usePlan.getState().setAside[0]!);
    await settle();
    expect(server.plan.supplies.bad).toBeDefined();
    expect((await kept())[1]).toHaveLength(1);
  });

  test('the server’s own failure with one change is tried three times, then the others go on; a full disk waits', async () => {
    server.failing = { id: 'bad', status: 503 };
    for (const id of ['bad', 'b']) usePlan.getState().dispatch(add(id));
    await settle();
    for (let i = 0; i < 5; i++) {
      await jest.advanceTimersByTimeAsync(2500);
      await settle();
    }
    expect(usePlan.getState()).toMatchObject({ unsaved: 2, trouble: 'It cannot be stored.', setAside: [] });
    server.failing.status = 500;
    for (let i = 0; i < 4; i++) {
      await jest.advanceTimersByTimeAsync(2500);
      await settle();
    }
    expect(Object.keys(server.plan.supplies)).toEqual(['b']);
    expect(usePlan.getState()).toMatchObject({ unsaved: 0, trouble: null });
    expect(usePlan.getState().setAside).toHaveLength(1);
  });

  test('a window whose stream was refused says that it hears nothing, asks again, and reads what it missed', async () => {
    server.stream!.refuse();
    expect(usePlan.getState().deaf).toBe(true);
    const { stream } = server;
    server.stream = null;
    server.run('command-elsewhere', add('from-elsewhere'));
    await jest.advanceTimersByTimeAsync(1100);
    expect(server.stream).not.toBe(stream);
    (server.stream as FakeStream | null)!.say('open', {});
    (server.stream as FakeStream | null)!.say('hello', { revision: 1, store: 'same' });
    await settle();
    expect(usePlan.getState().deaf).toBe(false);
    expect(names()).toEqual(['from-elsewhere']);
  });

  test('a plan thrown away in another window is said to be, with its day; brought back it is as before; gone for good it is missing', () => {
    const until = '2026-12-29T10:00:00.000Z';
    server.stream!.say('away', { planId: 'tiny', keptUntil: until, gone: false });
    expect(usePlan.getState()).toMatchObject({ keptUntil: until, status: 'ready' });
    server.stream!.say('away', { planId: 'tiny', keptUntil: null, gone: false });
    expect(usePlan.getState().keptUntil).toBeNull();
    server.stream!.say('hello', { revision: 0, keptUntil: until });
    expect(usePlan.getState().keptUntil).toBe(until);
    server.stream!.say('away', { planId: 'tiny', keptUntil: null, gone: true });
    expect(usePlan.getState().status).toBe('missing');
  });

  test('without the server it opens as it last was, says so, keeps what is changed, and saves that when the server is there', async () => {
    usePlan.getState().dispatch(add('before'));
    await settle();
    await jest.advanceTimersByTimeAsync(2100);
    await settle();
    close();
    server.weather = 'down';
    close = usePlan.getState().open('tiny');
    await settle();
    expect(usePlan.getState()).toMatchObject({
      status: 'ready',
      asOf: expect.any(String),
      trouble: expect.any(String),
    });
    expect(names()).toEqual(['before']);
    usePlan.getState().dispatch(add('meanwhile'));
    await settle();
    expect((await kept())[0]).toHaveLength(1);
    // meanwhile somebody else has changed it too
    server.run('command-elsewhere', add('from-elsewhere'));
    server.weather = 'fine';
    server.stream!.say('hello', { revision: 2, store: 'another' });
    await settle();
    await jest.advanceTimersByTimeAsync(2100);
    await settle();
    expect(names()).toEqual(['before', 'from-elsewhere', 'meanwhile']);
    expect(Object.keys(server.plan.supplies).sort()).toEqual(names());
    expect(usePlan.getState()).toMatchObject({ asOf: null, trouble: null, unsaved: 0 });
  });

  test('a server that hangs is noticed after five seconds, and what was waiting is saved when it answers again', async () => {
    server.weather = 'hangs';
    usePlan.getState().dispatch(add('a'));
    await settle();
    await jest.advanceTimersByTimeAsync(4900);
    expect(usePlan.getState().trouble).toBeNull();
    await jest.advanceTimersByTimeAsync(200);
    expect(usePlan.getState().trouble).toMatch(/not answered for five seconds/);
    expect((await kept())[0]).toHaveLength(1);
  });

  test('a browser that keeps nothing is said to', async () => {
    const broken = new IDBFactory();
    broken.open = () => {
      throw new DOMException('storage is switched off', 'SecurityError');
    };
    jest.resetModules();
    g.indexedDB = broken;
    const fresh = (await import('./plan-store.ts')).usePlan;
    const shut = fresh.getState().open('tiny');
    await settle();
    expect(fresh.getState()).toMatchObject({ status: 'ready', keeps: false });
    fresh.getState().dispatch(add('still-saved'));
    await settle();
    expect(server.plan.supplies['still-saved']).toBeDefined();
    shut();
    g.indexedDB = realFactory;
  });
});
