import { randomUUID } from 'node:crypto';
import { existsSync, linkSync, readdirSync, readFileSync, readlinkSync, rmSync, statSync, utimesSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { makeFolder, makePrivate, writeSynced } from './files.ts';

export type Owner = {
  pid: number;
  /** when the process began, in kernel ticks */
  started: string;
  /** the machine since it was switched on, and the space its process numbers belong to: elsewhere the pid means nothing */
  space: string;
  port?: number;
  released?: boolean;
};

export class FolderInUse extends Error {
  constructor(folder: string, owner: Owner | null, file: string) {
    super(
      owner
        ? `The data folder ${folder} is in use by process ${owner.pid}. Stop that one first, or use its window.`
        : `The data folder ${folder} is in use, or was left in the middle: ${file} cannot be read. If no Heronstone is running, remove that file.`,
    );
  }
}

/** The folder was taken over by another process while this one did not answer (it was stopped, or asleep). */
export class FolderLost extends Error {
  constructor(folder: string) {
    super(
      `The data folder ${folder} was taken over by another Heronstone while this one was asleep. This one saves nothing more: close it.`,
    );
  }
}

/** How often an owner shows that it lives, and how long another looks for that before it takes the folder over, ms (own assumption). */
const TIMES = { beat: 2000, patience: 20_000 };

function read(path: string): string {
  try {
    return readFileSync(path, 'utf8').trim();
  } catch {
    return '';
  }
}

function ownSpace(): string {
  let pids = '';
  try {
    pids = readlinkSync('/proc/self/ns/pid');
  } catch {
    // no such thing on this system
  }
  return `${read('/proc/sys/kernel/random/boot_id') || hostname()} ${pids}`.trim();
}

const bootOf = (space: string): string => space.split(' ')[0]!;

/** When a process began, so that a reused pid is not taken for it; “dead” for one not yet collected by its parent, empty where the system does not tell. */
function startOf(pid: number): string {
  const stat = read(`/proc/${pid}/stat`);
  const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
  return fields[0] === 'Z' || fields[0] === 'X' ? 'dead' : (fields[19] ?? '');
}

/** Whether a process lives; null where only its heartbeat can tell. */
function isAlive({ pid, started, space }: Owner): boolean | null {
  if (space !== ownSpace()) return null;
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  const now = startOf(pid);
  return now === '' && started === '' ? null : now === started;
}

type Claim = { n: number; file: string };

const claimFile = (folder: string, n: number) => join(folder, `owner.${n}.json`);

/** The newest claim on a folder. Claims are numbered; the highest one counts, and it is never removed but by a higher one. */
function newest(folder: string): Claim | null {
  let n = 0;
  for (const name of readdirSync(folder)) n = Math.max(n, Number(/^owner\.(\d{1,15})\.json$/.exec(name)?.[1] ?? 0));
  return n === 0 ? null : { n, file: claimFile(folder, n) };
}

/** Who made a claim; null when that cannot be read. */
function ownerIn(file: string): Owner | null {
  try {
    const owner = JSON.parse(readFileSync(file, 'utf8')) as Partial<Owner>;
    return typeof owner.pid === 'number' && typeof owner.started === 'string'
      ? { ...owner, pid: owner.pid, started: owner.started, space: owner.space ?? ownSpace() }
      : null;
  } catch {
    return null;
  }
}

const modified = (file: string): number => (existsSync(file) ? statSync(file).mtimeMs : 0);

/** Who owns a data folder now, if that process lives as far as one can see at once. */
export function ownerOf(folder: string): Owner | null {
  if (!existsSync(folder)) return null;
  const claim = newest(folder);
  const owner = claim && ownerIn(claim.file);
  if (!owner || owner.released) return null;
  return (isAlive(owner) ?? Date.now() - modified(claim!.file) < TIMES.patience) ? owner : null;
}

/** Whether a claim is over: let go, or its process dead, or, where that cannot be seen, without a heartbeat for long enough. */
async function isOver(folder: string, file: string, patience: number): Promise<boolean> {
  const owner = ownerIn(file);
  if (!owner) {
    // a higher claim may just have removed it
    if (!existsSync(file)) return true;
    throw new FolderInUse(folder, null, file);
  }
  if (owner.released) return true;
  const alive = isAlive(owner);
  if (alive !== null) return !alive;
  const before = modified(file);
  for (let waited = 0; waited < patience; waited += 250) {
    await new Promise((resolve) => setTimeout(resolve, 250));
    if (modified(file) !== before) return false;
  }
  return true;
}

/** This process’s hold on a data folder. */
export class Ownership {
  private readonly beat: ReturnType<typeof setInterval>;
  private readonly file: string;

  constructor(
    private readonly folder: string,
    private readonly n: number,
    private mine: Owner,
    beat: number,
    /** whether this machine has run without a break since the owner before wrote into the folder: what that wrote is there then, synced or not */
    readonly sinceThen: boolean,
  ) {
    this.file = claimFile(folder, n);
    this.beat = setInterval(() => this.show(), beat).unref();
  }

  private show(): void {
    try {
      const now = new Date();
      if (this.isMine()) utimesSync(this.file, now, now);
    } catch {
      // a full disk or a folder gone: whoever looks sees no heartbeat, which is true
    }
  }

  private isMine(): boolean {
    return newest(this.folder)?.n === this.n;
  }

  /** @throws FolderLost when another process has taken the folder over; to be asked before anything is written */
  check(): void {
    if (!this.isMine()) throw new FolderLost(this.folder);
  }

  /** Says under which port this process answers. */
  setPort(port: number): void {
    this.mine = { ...this.mine, port };
    if (this.isMine()) writeSynced(this.file, JSON.stringify(this.mine));
  }

  release(): void {
    clearInterval(this.beat);
    if (this.isMine()) writeSynced(this.file, JSON.stringify({ ...this.mine, released: true }));
  }
}

/**
 * Takes a data folder for this process. A claim is a filled file linked into place under the next number, so that only one of many can
 * have it; the claim of a dead process is followed by a higher one.
 * @throws FolderInUse when a living process owns it
 */
export async function takeFolder(folder: string, { beat, patience } = TIMES): Promise<Ownership> {
  makeFolder(folder);
  makePrivate(folder);
  const before = join(folder, 'owner.json');
  if (existsSync(before)) {
    // how versions before 4 claimed a folder
    if (!(await isOver(folder, before, patience))) throw new FolderInUse(folder, ownerIn(before), before);
    rmSync(before, { force: true });
  }
  for (;;) {
    const top = newest(folder);
    if (top && !(await isOver(folder, top.file, patience))) throw new FolderInUse(folder, ownerIn(top.file), top.file);
    const n = (top?.n ?? 0) + 1;
    const earlier = top && ownerIn(top.file);
    const mine: Owner = { pid: process.pid, started: startOf(process.pid), space: ownSpace() };
    const filled = join(folder, `owner.${randomUUID()}.filled`);
    writeSynced(filled, JSON.stringify(mine));
    try {
      linkSync(filled, claimFile(folder, n));
    } catch (error) {
      // EEXIST: another was quicker; ENOENT: the quicker one has tidied up already
      if (!['EEXIST', 'ENOENT'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
      continue;
    } finally {
      rmSync(filled, { force: true });
    }
    // a list read while claims come and go may miss one; a claim that is there before ours is seen now
    if (newest(folder)!.n !== n) continue;
    for (const name of readdirSync(folder)) {
      const older = Number(/^owner\.(\d{1,15})\.json$/.exec(name)?.[1] ?? n);
      if (older < n || name.endsWith('.filled')) rmSync(join(folder, name), { force: true });
    }
    return new Ownership(folder, n, mine, beat, earlier !== null && bootOf(earlier.space) === bootOf(mine.space));
  }
}
