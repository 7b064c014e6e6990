import { EventEmitter } from 'node:events';
import { describe, expect, test } from '@jest/globals';
import { type Response } from 'express';
import { type AwayEvent, type PlanEvent, type Store } from '../store/store.ts';
import { Streams } from './stream.ts';

/** A window’s connection: what was written to it, and how much of that it has not read. */
class Window extends EventEmitter {
  said: string[] = [];
  code = 200;
  writableLength = 0;
  destroyed = false;
  reads = true;
  writeHead() {
    return this;
  }
  status(code: number) {
    this.code = code;
    return this;
  }
  type() {
    return this;
  }
  send(text: string) {
    this.said.push(text);
    return this;
  }
  write(text: string) {
    this.said.push(text);
    if (!this.reads) this.writableLength += text.length;
    return true;
  }
  destroy() {
    this.destroyed = true;
    this.emit('close');
  }
}

describe('streams of changes', () => {
  const listening = new Map<string, (event: PlanEvent | AwayEvent) => void>();
  const tell = (event: PlanEvent | AwayEvent) => listening.get(event.planId)?.(event);
  const store = {
    source: {},
    onEvent: async (planId: string, listener: typeof tell) => {
      listening.set(planId, listener);
      return () => listening.delete(planId);
    },
  } as unknown as Store;
  const open = async (streams: Streams, planId = 'p', who = 'phone') => {
    const window = new Window();
    await streams.add(window as unknown as Response, store, planId, who, async () => ({
      revision: 3,
      keptUntil: null,
    }));
    return window;
  };
  const event = (planId: string) => ({ planId, changes: [{ id: 'x'.repeat(400_000) }] }) as unknown as PlanEvent;

  test('every window of a plan hears of its changes; one that does not read is dropped before it holds much', async () => {
    const streams = new Streams();
    const [reads, sleeps, other] = [await open(streams), await open(streams), await open(streams, 'q')];
    sleeps.reads = false;
    for (let i = 0; i < 20; i++) tell(event('p'));
    expect(reads.said).toHaveLength(21);
    expect(reads.said[0]).toContain('"revision":3');
    expect(sleeps.destroyed).toBe(true);
    expect(sleeps.writableLength).toBeLessThan(2_000_000);
    expect(sleeps.said.length).toBeLessThan(6);
    expect(other.said).toHaveLength(1);
    for (const window of [reads, other]) window.destroy();
  });

  test('only so many are held; when one goes there is room again', async () => {
    const streams = new Streams();
    const windows = await Promise.all(Array.from({ length: 100 }, () => open(streams)));
    const more = await open(streams);
    expect([more.code, more.said[0]]).toEqual([503, expect.stringMatching(/Too many windows/)]);
    // the machine's own page is not kept out by the house
    expect((await open(streams, 'p', 'own')).said[0]).toContain('hello');
    windows[0]!.destroy();
    windows[1]!.destroy();
    expect((await open(streams)).said[0]).toContain('hello');
  });

  test('who leaves loses its own windows and nobody else’s; that a plan was thrown away is told to its windows', async () => {
    const streams = new Streams();
    const [mine, other, own] = [
      await open(streams, 'p', 'a'),
      await open(streams, 'p', 'b'),
      await open(streams, 'q', 'own'),
    ];
    streams.dropOf('a');
    expect([mine, other, own].map((w) => w.destroyed)).toEqual([true, false, false]);
    tell({ planId: 'p', keptUntil: '2026-12-29T00:00:00.000Z', gone: false });
    expect(other.said.at(-1)).toMatch(/^event: away\ndata: .*2026-12-29/);
    expect(own.said).toHaveLength(1);
  });

  test('what happens while a window is still being told where its plan stands reaches it after that; no plan, no stream', async () => {
    const streams = new Streams();
    const window = new Window();
    await streams.add(window as unknown as Response, store, 'p', 'phone', async () => {
      tell(event('p'));
      return { revision: 3, keptUntil: null };
    });
    expect(window.said.map((s) => s.slice(0, 13))).toEqual(['event: hello\n', 'event: change']);
    const none = new Window();
    await streams.add(none as unknown as Response, store, 'gone', 'phone', async () => null);
    expect(listening.has('gone')).toBe(false);
    expect([none.code, none.said[0]]).toEqual([404, expect.stringMatching(/no such plan/)]);
    tell(event('gone'));
    expect(none.said).toHaveLength(1);
  });
});
