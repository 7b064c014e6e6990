import { type Response } from 'express';
import { type AwayEvent, type PlanEvent, type Store } from '../store/store.ts';
import { noPlan } from './answers.ts';
import { problem } from './problem.ts';

/** More open windows than a household has; each holds a connection. So many more are kept free for the machine itself (own assumptions). */
const MOST_STREAMS = 100;
const KEPT_FREE = 20;
/** The machine’s own windows. */
const OWN = 'own';
/** What a listener may leave unread before it is dropped, bytes; it comes back by itself and reads the plan anew. */
const MOST_UNREAD = 1_000_000;

/** A window that listens: until it is told where its plan stands, what happens waits for it. */
type Window = {
  who: string;
  /** is no longer told of its plan */
  leave: () => void;
  waits: string[] | null;
  beat: ReturnType<typeof setInterval>;
};

type Heard = { windows: Set<Response>; stop: Promise<() => void> };

/** Server-sent events of plans: every tab is told the revision at the start, then every change. */
export class Streams {
  private readonly open = new Map<Response, Window>();
  /** windows by where their plan’s events come from: each plan is listened to once */
  private readonly heard = new WeakMap<object, Map<string, Heard>>();

  constructor(private readonly most = MOST_STREAMS) {}

  /**
   * Begins to tell somebody what happens to a plan.
   * @param now where the plan stands; asked again when changes are heard already, so that none falls between; null: there is no such plan
   */
  async add(
    res: Response,
    store: Store,
    planId: string,
    who: string,
    now: () => Promise<{ revision: number; keptUntil: string | null } | null>,
  ): Promise<void> {
    // nobody listens to a plan that is not theirs, not even for a moment: whoever listens first is the one it is followed for
    if (!(await now())) return noPlan(res);
    // gone while it was looked
    if (res.destroyed) return;
    if (this.open.size >= this.most + (who === OWN ? KEPT_FREE : 0))
      return problem(res, 503, 'Too many', 'Too many windows are open on this server. Close some of them.');
    const beat = setInterval(() => this.write(res, ': still here\n\n'), 20_000).unref();
    const window: Window = { who, leave: () => undefined, waits: [], beat };
    this.open.set(res, window);
    res.on('close', () => this.drop(res));
    try {
      await this.hear(res, window, store, planId);
      const plan = await now();
      if (!this.open.has(res)) return;
      if (!plan) {
        this.drop(res, false);
        return noPlan(res);
      }
      res.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store',
        connection: 'keep-alive',
        // a proxy before this server passes it on line by line
        'x-accel-buffering': 'no',
      });
      // who hears of another store than before reads its plan anew, whatever the revision
      res.write(`event: hello\ndata: ${JSON.stringify({ ...plan, store: store.id })}\n\n`);
      const waited = window.waits ?? [];
      window.waits = null;
      for (const text of waited) this.write(res, text);
    } catch (error) {
      this.drop(res, false);
      throw error;
    }
  }

  private async hear(res: Response, window: Window, store: Store, planId: string): Promise<void> {
    const plans = this.heard.get(store.source) ?? new Map<string, Heard>();
    this.heard.set(store.source, plans);
    let heard = plans.get(planId);
    if (!heard) {
      const windows = new Set<Response>();
      heard = { windows, stop: store.onEvent(planId, (event) => this.tell(windows, event)) };
      plans.set(planId, heard);
    }
    const { windows, stop } = heard;
    windows.add(res);
    window.leave = () => {
      windows.delete(res);
      if (windows.size > 0) return;
      if (plans.get(planId)?.windows === windows) plans.delete(planId);
      void stop.then((end) => end()).catch(() => undefined);
    };
    await stop;
  }

  private tell(windows: ReadonlySet<Response>, event: PlanEvent | AwayEvent): void {
    const text = `event: ${'gone' in event ? 'away' : 'change'}\ndata: ${JSON.stringify(event)}\n\n`;
    for (const res of [...windows]) this.write(res, text);
  }

  private write(res: Response, text: string): void {
    const window = this.open.get(res);
    if (!window) return;
    if (window.waits) return void (text.startsWith(':') || window.waits.push(text));
    // one change larger than the limit goes out once to those who have read everything before it
    if (res.writableLength > MOST_UNREAD) this.drop(res);
    else res.write(text);
  }

  private drop(res: Response, end = true): void {
    const known = this.open.get(res);
    if (!known) return;
    this.open.delete(res);
    clearInterval(known.beat);
    known.leave();
    if (end) res.destroy();
  }

  /** Lets the windows of one session go; those that come back are asked who they are. */
  dropOf(who: string): void {
    for (const [res, one] of [...this.open]) if (one.who === who) this.drop(res);
  }

  /** Lets everybody go: they come back by themselves and read their plan anew. */
  dropAll(): void {
    for (const res of [...this.open.keys()]) this.drop(res);
  }
}
