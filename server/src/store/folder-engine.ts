import { newId } from '@heronstone/core/plan';
import { type Database, type Queries } from './database.ts';
import { type Engine, type Held, type Listener, Listeners, readHeld, type Tips } from './engine.ts';
import { type Journal } from './journal.ts';
import { type AwayEvent, type PlanEvent } from './store.ts';
import { type Work, Writer } from './writer.ts';

/** Plans in the embedded database of a folder, which one process owns: what was answered is in the journal and on the disk. */
export class FolderEngine implements Engine {
  /** another one after every start and every restore */
  readonly id = newId('store');
  readonly source = this;
  /** plans as the database has them */
  private readonly held = new Map<string, Held>();
  private readonly listeners = new Listeners();
  private readonly writer: Writer<Held>;

  constructor(
    readonly db: Database,
    journal: Journal,
    /** throws when nothing may be written now */
    mayWrite: () => void = () => undefined,
  ) {
    this.writer = new Writer(db, journal, mayWrite, {
      written: (planId, held) => void this.held.set(planId, held),
      forget: () => this.held.clear(),
    });
  }

  run<A>(_planId: string, work: Work<A, Held>, unstorable?: (why: string) => A): Promise<A> {
    return this.writer.run(work, unstorable);
  }

  /** Does something in its turn while nothing is written. */
  alone<T>(work: () => Promise<T>): Promise<T> {
    return this.writer.alone(work);
  }

  async now(tx: Queries, tips: Tips, planId: string): Promise<Held | null> {
    const known = tips.get(planId) ?? this.held.get(planId);
    if (known) return known;
    const read = await readHeld(tx, planId);
    if (read) this.held.set(planId, read);
    return read;
  }

  async read(planId: string): Promise<Held | null> {
    return (
      this.held.get(planId) ??
      (await this.writer.run<Held | null>(async (tx, tips) => ({ answer: await this.now(tx, tips, planId) })))
    );
  }

  forget(planId: string): void {
    this.held.delete(planId);
  }

  async onEvent(planId: string, listener: Listener): Promise<() => void> {
    return this.listeners.add(planId, listener);
  }

  tell(event: PlanEvent | AwayEvent): void {
    this.listeners.tell(event);
  }
}
