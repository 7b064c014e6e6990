import { type Response } from 'express';
import { type AwayEvent, type PlanEvent, type Store } from '../store/store.ts';
import { problem } from './problem.ts';

/** More open windows than a household has; each holds a connection. So many more are kept free for the machine itself (own assumptions). */
const MOST_STREAMS = 100;
const KEPT_FREE = 20;
/** The machine’s own windows. */
const OWN = 'own';
/** What a listener may leave unread before it is dropped, bytes; it comes back by itself and reads the plan anew. */
const MOST_UNREAD = 1_000_000;

/** Server-sent events of plans: every tab is told the revision at the start, then every change. */
export class Streams {
  private readonly open = new Map<Response, { planId: string; who: string; beat: ReturnType<typeof setInterval> }>();
  private off: () => void = () => undefined;
  private store: Store | null = null;

  /** Begins to tell somebody what happens to a plan. */
  add(
    res: Response,
    store: Store,
    { planId, ...plan }: { planId: string; revision: number; keptUntil: string | null },
    who = OWN,
  ): void {
    if (this.open.size >= MOST_STREAMS + (who === OWN ? KEPT_FREE : 0))
      return problem(res, 503, 'Too many', 'Too many windows are open on this server. Close some of them.');
    if (this.store !== store) {
      this.off();
      this.store = store;
      this.off = store.onEvent((event) => this.tell(event));
    }
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    // who hears of another store than before reads its plan anew, whatever the revision
    res.write(`event: hello\ndata: ${JSON.stringify({ ...plan, store: store.id })}\n\n`);
    const beat = setInterval(() => this.write(res, ': still here\n\n'), 20_000).unref();
    this.open.set(res, { planId, who, beat });
    res.on('close', () => this.drop(res));
  }

  private tell(event: PlanEvent | AwayEvent): void {
    const kind = 'gone' in event ? 'away' : 'change';
    let text: string | null = null;
    for (const [res, { planId }] of this.open)
      if (planId === event.planId) this.write(res, (text ??= `event: ${kind}\ndata: ${JSON.stringify(event)}\n\n`));
  }

  private write(res: Response, text: string): void {
    // one change larger than the limit goes out once to those who have read everything before it
    if (res.writableLength > MOST_UNREAD) this.drop(res);
    else res.write(text);
  }

  private drop(res: Response): void {
    const known = this.open.get(res);
    if (!known) return;
    this.open.delete(res);
    clearInterval(known.beat);
    res.destroy();
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
