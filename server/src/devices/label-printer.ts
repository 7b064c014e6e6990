import { randomUUID } from 'node:crypto';

/** What is to be printed: the lines of one label, and what its code says, if it has one. */
export type LabelJob = { ref: string; lines: string[]; code: string | null };
export type JobState = 'waiting' | 'printing' | 'printed' | 'spoilt';
export type PrinterJob = LabelJob & { id: string; state: JobState; mm: number };
export type PrinterTrouble = 'off' | 'outOfTape' | 'jam';
export type PrinterStatus = { trouble: PrinterTrouble | null; tape: number; jobs: PrinterJob[] };
export type PrinterAct = 'off' | 'on' | 'tape' | 'jam' | 'clear';

/** A reel of tape is so long, mm; a label has so much before and behind it; a letter and a code take so much (common practice: 12 mm tape, 8 m reel). */
export const REEL = 8000;
const ENDS = 12;
const LETTER = 2.1;
const CODE = 14;
/** It prints so fast, mm a second, and takes so long for the cut (own assumption). */
const SPEED = 20;
const CUT_SECONDS = 0.6;
/** So many finished ones are remembered. */
const REMEMBERED = 200;

export const labelLength = ({ lines, code }: LabelJob): number =>
  Math.round(ENDS + LETTER * Math.max(0, ...lines.map((l) => l.length)) + (code === null ? 0 : CODE));

/**
 * A stand-in for a small label printer with tape on a reel: jobs wait in a queue and come out one after the other, as long as it is on, has tape and nothing is jammed. A
 * label that was being printed when it jammed is spoilt; it is printed again once the jam is cleared.
 * @param now milliseconds from anywhere; what time has passed is caught up with when it is next asked
 */
export class LabelPrinter {
  private jobs: PrinterJob[] = [];
  private tape = REEL;
  private trouble: PrinterTrouble | null = null;
  /** when the one being printed is done */
  private doneAt = 0;

  constructor(private readonly now: () => number = Date.now) {}

  status(): PrinterStatus {
    this.catchUp();
    return { trouble: this.trouble, tape: this.tape, jobs: this.jobs.map((j) => ({ ...j, lines: [...j.lines] })) };
  }

  send(jobs: readonly LabelJob[]): PrinterStatus {
    this.catchUp();
    for (const job of jobs) this.jobs.push({ ...job, id: randomUUID(), state: 'waiting', mm: labelLength(job) });
    const finished = this.jobs.filter((j) => j.state === 'printed' || j.state === 'spoilt');
    const old = new Set(finished.slice(0, Math.max(0, finished.length - REMEMBERED)));
    this.jobs = this.jobs.filter((j) => !old.has(j));
    return this.status();
  }

  /** Takes what waits out of the queue: one job, or all. */
  cancel(id: string | null): PrinterStatus {
    this.catchUp();
    this.jobs = this.jobs.filter((j) => j.state !== 'waiting' || (id !== null && j.id !== id));
    return this.status();
  }

  act(act: PrinterAct): PrinterStatus {
    this.catchUp();
    if (act === 'off') {
      this.spoil();
      this.trouble = 'off';
    } else if (act === 'jam') {
      if (this.trouble !== 'off') {
        this.spoil();
        this.trouble = 'jam';
      }
    } else if (act === 'tape') {
      this.tape = REEL;
      if (this.trouble === 'outOfTape') this.trouble = null;
    } else if ((act === 'on' && this.trouble === 'off') || (act === 'clear' && this.trouble === 'jam'))
      this.trouble = null;
    return this.status();
  }

  /** What is being printed is lost, with its tape; the same label waits again in its stead. */
  private spoil(): void {
    const at = this.jobs.findIndex((j) => j.state === 'printing');
    const job = this.jobs[at];
    if (!job) return;
    job.state = 'spoilt';
    this.jobs.splice(at + 1, 0, { ...job, lines: [...job.lines], id: randomUUID(), state: 'waiting' });
  }

  private catchUp(): void {
    // the next one begins when the one before is done; the first, and the first after a pause, when it is looked at
    let free = this.now();
    while (this.trouble === null) {
      const printing = this.jobs.find((j) => j.state === 'printing');
      if (printing) {
        if (this.doneAt > this.now()) return;
        printing.state = 'printed';
        free = this.doneAt;
        continue;
      }
      const next = this.jobs.find((j) => j.state === 'waiting');
      if (!next) return;
      if (next.mm > this.tape) {
        this.trouble = 'outOfTape';
        return;
      }
      this.tape -= next.mm;
      next.state = 'printing';
      this.doneAt = free + (next.mm / SPEED + CUT_SECONDS) * 1000;
    }
  }
}
