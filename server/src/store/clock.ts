import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TOLERANCE } from './backup.ts';
import { writeSynced } from './files.ts';

const HOUR = 3600_000;
const DAY = 24 * HOUR;
/** A plan that was thrown away is kept so long, ms: thirty days. */
export const KEPT = 30 * DAY;

/** `looks`: moments at which the clock was looked at, oldest first; `anew`: since when time is taken as going on, after a leap. All ms. */
type Seen = { last: number; looks: number[]; anew: number };

/**
 * What the clock of this machine has shown, kept with the data. Clocks stand wrong: for an hour after a battery died, for a day after somebody set
 * them. Nothing goes for good because of that.
 */
export class Clock {
  private readonly file: string;
  private seen: Seen;
  /** what it showed at the last look of this process, and how long that had been running then, ms */
  private before: { wall: number; running: number } | null = null;

  constructor(dataFolder: string) {
    this.file = join(dataFolder, 'clock.json');
    this.seen = readSeen(this.file);
  }

  /**
   * Looks at the clock.
   * @param now ms since 1970
   * @param running ms since this process began, which no clock can change
   * @returns in words that time has leapt; null when it goes on as it should
   */
  look(now = Date.now(), running = performance.now()): string | null {
    const words = this.leap(now, running);
    const { looks, anew } = this.seen;
    const kept = words === null ? looks : [];
    const due = kept.length === 0 || now - kept.at(-1)! >= SURE;
    this.seen = { last: now, looks: (due ? [...kept, now] : kept).slice(-3), anew: words === null ? anew : now };
    this.before = { wall: now, running };
    writeSynced(this.file, `${JSON.stringify(this.seen)}\n`);
    return words;
  }

  private leap(now: number, running: number): string | null {
    const { last } = this.seen;
    if (last === 0) return null;
    const gone = this.before ? now - this.before.wall - (running - this.before.running) : now - last;
    if (gone < -TOLERANCE)
      return `The clock of this computer has gone back from ${said(last)} to ${said(now)}. Nothing is removed because of it; look whether it is right.`;
    // while nothing ran a month may well have passed; more than that is looked at twice
    if (gone > (this.before ? DAY : KEPT))
      return `The clock of this computer has leapt from ${said(last)} to ${said(now)}. Nothing is removed because of it; look whether it is right.`;
    return null;
  }

  /** Whether something kept until a moment has truly had its time: by two looks nearly a day apart, and thirty days after the last leap. */
  isOver(until: number, now = Date.now()): boolean {
    const { looks, anew } = this.seen;
    const from = Math.max(until, anew === 0 ? 0 : anew + KEPT);
    return now >= from && looks.some((look) => look >= from && now - look >= SURE);
  }
}

/** Two looks so far apart are looks of two days, ms: who comes every evening comes a little earlier now and then (own assumption). */
const SURE = 20 * HOUR;

const said = (ms: number) => new Date(ms).toISOString().slice(0, 16).replace('T', ' ');

function readSeen(file: string): Seen {
  const nothing = { last: 0, looks: [], anew: 0 };
  if (!existsSync(file)) return nothing;
  try {
    const { last, looks, anew } = JSON.parse(readFileSync(file, 'utf8')) as Partial<Seen>;
    const numbers = Array.isArray(looks) && looks.every((n) => typeof n === 'number');
    return typeof last === 'number' && typeof anew === 'number' && numbers ? { last, looks, anew } : nothing;
  } catch {
    return nothing; // what is damaged tells nothing: the next look begins anew
  }
}
