import { type Database, type Queries, TABLES_VERSION } from './database.ts';
import { catchUp, setPosition, writeEntry } from './entries.ts';
import { type Entry } from './entry.ts';
import { type Journal } from './journal.ts';
import { sealAfter, sealsIn } from './seal.ts';

/** What is to be written for a request, if anything, and the answer to it once that is durable. */
export type Prepared<A, H> = {
  answer: A;
  write?: {
    entry: Omit<Entry, 'n' | 'at' | 'seal'>;
    /** the plan as it is afterwards */
    held: H;
    /** asked inside the transaction, when the entry is in the tables */
    then?: () => Promise<void>;
  };
};
/** What a request has done in its turn. */
export type Work<A, H> = (tx: Queries, tips: ReadonlyMap<string, H>) => Promise<Prepared<A, H>>;

type Job<H> = {
  work: Work<unknown, H>;
  /** done by itself, outside any transaction, instead of `work` */
  alone?: () => Promise<unknown>;
  unstorable: ((why: string) => unknown) | undefined;
  resolve: (answer: unknown) => void;
  reject: (error: unknown) => void;
};

/** At most so many requests share one transaction and one sync. */
const BATCH = 64;

/** SQLSTATE classes that say the data itself is at fault: data exception, integrity violation, cardinality, program limit. */
const DATA_FAULT = /^(22|23|21|54)/;
/** Whether the database refused the data itself. */
export const isDataFault = (error: unknown): boolean =>
  DATA_FAULT.test(String((error as { code?: unknown }).code ?? ''));

/**
 * Writes one request after the other: what waits together shares a transaction and one synced write of the journal. The journal is on the disk
 * before the transaction is committed and before anybody is answered; where the tables then fall behind, they catch up from it.
 */
export class Writer<H> {
  private readonly queue: Job<H>[] = [];
  private working = false;
  /** whether the tables may be behind the journal */
  private behind = false;

  constructor(
    private readonly db: Database,
    private readonly journal: Journal,
    /** throws when nothing may be written now (disk nearly full, folder lost) */
    private readonly mayWrite: () => void,
    private readonly kept: { written: (planId: string, held: H) => void; forget: () => void },
  ) {}

  /**
   * Has something done in its turn.
   * @param unstorable the answer when the database refuses the data; without it that is an error
   */
  run<A>(work: Work<A, H>, unstorable?: (why: string) => A): Promise<A> {
    return new Promise<A>((resolve, reject) => {
      this.queue.push({ work, unstorable, resolve: resolve as Job<H>['resolve'], reject });
      if (!this.working) void this.drain();
    });
  }

  /** Does something in its turn while nothing is written. */
  alone<A>(alone: () => Promise<A>): Promise<A> {
    return new Promise<A>((resolve, reject) => {
      const work = async () => ({ answer: null });
      this.queue.push({ work, alone, unstorable: undefined, resolve: resolve as Job<H>['resolve'], reject });
      if (!this.working) void this.drain();
    });
  }

  private async drain(): Promise<void> {
    this.working = true;
    while (this.queue.length > 0) {
      if (this.queue[0]!.alone) {
        const { alone, resolve, reject } = this.queue.shift()!;
        await alone!().then(resolve, reject);
        continue;
      }
      const until = this.queue.findIndex((job) => job.alone);
      await this.together(this.queue.splice(0, until < 0 ? BATCH : Math.min(BATCH, until)));
    }
    this.working = false;
  }

  private async together(jobs: readonly Job<H>[]): Promise<void> {
    const { last } = this.journal;
    try {
      if (this.behind) await this.recover();
      for (const [job, answer] of await this.batch(jobs)) job.resolve(answer);
    } catch (error) {
      this.behind = true;
      // one that cannot be done must not take the others with it; what is in the journal is done and is not done twice
      if (jobs.length > 1 && this.journal.last === last) for (const job of jobs) await this.together([job]);
      else for (const job of jobs) job.reject(error);
    }
  }

  private async batch(jobs: readonly Job<H>[]): Promise<Map<Job<H>, unknown>> {
    const answers = new Map<Job<H>, unknown>();
    const tips = new Map<string, H>();
    const entries: Entry[] = [];
    await this.db.transaction(async (tx) => {
      for (const job of jobs) {
        const { answer, write } = await job.work(tx, tips);
        if (!write) {
          answers.set(job, answer);
          continue;
        }
        this.mayWrite();
        const { planId } = write.entry;
        // before the change is in the tables: what they have is asked only where the journal does not know it
        const before =
          entries.findLast((e) => e.planId === planId)?.seal ??
          this.journal.seals.of.get(planId) ??
          (await sealsIn(tx, TABLES_VERSION, planId)).get(planId) ??
          null;
        const entry: Entry = {
          ...write.entry,
          n: this.journal.last + entries.length + 1,
          at: new Date().toISOString(),
        };
        entry.seal = sealAfter(before, entry, TABLES_VERSION);
        const why = await inSavepoint(tx, () => writeEntry(tx, entry));
        if (why !== null && !job.unstorable) throw new Error(why);
        if (why !== null) {
          answers.set(job, job.unstorable!(why));
          continue;
        }
        await write.then?.();
        entries.push(entry);
        tips.set(entry.planId, write.held);
        answers.set(job, answer);
      }
      if (entries.length === 0) return;
      await setPosition(tx, this.journal.lineage, entries.at(-1)!.n);
      await this.journal.append(entries);
    });
    for (const [planId, held] of tips) this.kept.written(planId, held);
    return answers;
  }

  /** After a failure: opens the database again if it does not answer, and brings it up to the journal. */
  private async recover(): Promise<void> {
    this.kept.forget();
    await this.db.query('SELECT 1').catch(() => this.db.reopen());
    await catchUp(this.db, this.journal);
    this.behind = false;
  }
}

/** Does something that can be taken back by itself; why the data was refused, or null. Other errors are thrown. */
async function inSavepoint(tx: Queries, work: () => Promise<void>): Promise<string | null> {
  await tx.exec('SAVEPOINT one');
  try {
    await work();
    await tx.exec('SET CONSTRAINTS ALL IMMEDIATE; SET CONSTRAINTS ALL DEFERRED; RELEASE SAVEPOINT one');
    return null;
  } catch (error) {
    if (!isDataFault(error)) throw error;
    await tx.exec('ROLLBACK TO SAVEPOINT one; RELEASE SAVEPOINT one');
    return (error as Error).message;
  }
}
