import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { listen } from './listen.ts';

const streams: FakeStream[] = [];
class FakeStream {
  static readonly CLOSED = 2;
  readyState = 0;
  closed = false;
  private readonly listeners = new Map<string, (e: { data: string }) => void>();
  constructor(readonly url: string) {
    streams.push(this);
  }
  addEventListener(kind: string, listener: (e: { data: string }) => void) {
    this.listeners.set(kind, listener);
  }
  happens(kind: string, readyState = this.readyState, data = '') {
    this.readyState = readyState;
    this.listeners.get(kind)?.({ data });
  }
  close() {
    this.closed = true;
  }
}

describe('listening to the server', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    streams.length = 0;
    (globalThis as Record<string, unknown>).EventSource = FakeStream;
  });
  afterEach(() => void jest.useRealTimers());

  test('a stream that is refused (401, 503) is asked for again, later and later, until it is there; what breaks off is left to the browser', () => {
    const told: [boolean, boolean][] = [];
    const heard: string[] = [];
    const end = listen(
      '/stream',
      { change: (data) => heard.push(data) },
      (deaf, refused) => told.push([deaf, refused]),
      [10, 100],
    );
    streams[0]!.happens('open', 1);
    // the connection breaks off: the browser connects again by itself
    streams[0]!.happens('error', 0);
    jest.advanceTimersByTime(10_000);
    expect(streams).toHaveLength(1);
    // and is refused: it would never ask again
    streams[0]!.happens('error', 2);
    jest.advanceTimersByTime(9);
    expect(streams).toHaveLength(1);
    jest.advanceTimersByTime(1);
    expect(streams).toHaveLength(2);
    streams[1]!.happens('error', 2);
    jest.advanceTimersByTime(99);
    expect(streams).toHaveLength(2);
    jest.advanceTimersByTime(1);
    streams[2]!.happens('open', 1);
    streams[2]!.happens('change', 1, 'news');
    expect(heard).toEqual(['news']);
    expect(told).toEqual([
      [false, false],
      [true, false],
      [true, true],
      [true, true],
      [false, false],
    ]);
    end();
    expect(streams[2]!.closed).toBe(true);
  });

  test('ended while it waits it asks no more', () => {
    const end = listen('/stream', {}, () => undefined, [10]);
    streams[0]!.happens('error', 2);
    end();
    jest.advanceTimersByTime(1000);
    expect(streams).toHaveLength(1);
  });
});
