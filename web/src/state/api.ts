import { type Sent, type Plan, type RowChange } from '@heronstone/core/plan';

export type PlanSummary = {
  id: string;
  name: string;
  supplies: number;
  places: number;
  units: number;
  forkedFrom: string | null;
  /** until when it can be brought back, ISO; null while it is not thrown away */
  keptUntil: string | null;
};
export type Standing = { revision: number; undo: string | null; redo: string | null };
export type PlanEvent = Standing & { planId: string; commandId: string; changes: RowChange[] };

/** What the server answered with instead of what was asked for, in its own words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail);
  }
}
/** The server did not answer. */
export class Unreachable extends Error {}
/** The server answered that it has trouble of its own, in its own words. */
export class ServerTrouble extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail);
  }
}

/** After so long without an answer the maker is told; after so long the question is given up and may be asked again, ms. */
const SLOW = 5_000;
const GIVEN_UP = 60_000;

export async function ask<T>(path: string, body?: unknown, onSlow?: () => void): Promise<T> {
  const giveUp = new AbortController();
  const slow = onSlow && setTimeout(onSlow, SLOW);
  const end = setTimeout(() => giveUp.abort(), GIVEN_UP);
  try {
    return await answered<T>(
      await fetch(`/api${path}`, {
        signal: giveUp.signal,
        ...(body !== undefined && {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }),
      }),
    );
  } catch (error) {
    if (error instanceof Refused || error instanceof ServerTrouble) throw error;
    throw new Unreachable('The server does not answer.', { cause: error });
  } finally {
    clearTimeout(slow);
    clearTimeout(end);
  }
}

async function answered<T>(response: Response): Promise<T> {
  if (response.ok) return (await response.json()) as T;
  const detail = await response.json().then(
    (p: { detail?: string }) => p.detail,
    () => undefined,
  );
  if (response.status >= 500) throw new ServerTrouble(response.status, detail ?? 'The server has trouble.');
  throw new Refused(response.status, detail ?? `The server said ${response.status}.`);
}

export const listPlans = () => ask<PlanSummary[]>('/plans');
export const addPlan = (source: { head: Partial<Plan['head']> & { name: string } } | { file: string }) =>
  ask<{ id: string }>('/plans', source);
export const getPlan = (id: string, onSlow?: () => void) =>
  ask<Standing & { plan: Plan }>(`/plans/${id}`, undefined, onSlow);
export const sendCommand = (id: string, commandId: string, command: Sent, onSlow?: () => void) =>
  ask<PlanEvent>(`/plans/${id}/commands`, { commandId, command }, onSlow);
/** Throws a plan away, or brings it back. */
export const throwAway = (id: string, away: boolean) => ask<object>(`/plans/${id}/${away ? 'away' : 'back'}`, {});
/** Makes a plan stand as another one does; undo in it takes that back. */
export const takeOver = (id: string, from: string) => ask<PlanEvent>(`/plans/${id}/take-over`, { from });
export const undoLast = (id: string) => ask<PlanEvent>(`/plans/${id}/undo`, {});
export const redoNext = (id: string) => ask<PlanEvent>(`/plans/${id}/redo`, {});
export const forkPlan = (id: string, name: string) => ask<{ id: string }>(`/plans/${id}/fork`, { name });
/** What the stand-in for a laser measure shows when pointed at something so far away, mm. */
export const readLaser = (distance: number) => ask<{ mm: number }>('/devices/laser/readings', { distance });

export type Backup = {
  file: string;
  at: string;
  why: 'daily' | 'before-migration' | 'by-hand' | 'restored';
  change: number | null;
  bytes: number;
};
/** How it stands with the data folder: why its plans cannot be opened (null: all is well), and what can be put back. */
export type Safety = {
  broken: string | null;
  backups: Backup[];
  canMend: boolean;
  /** what happened to the folder since the server was started that the maker should know */
  notices: { at: string; words: string }[];
};
export const getSafety = () => ask<Safety>('/backups');
export const backUpNow = () => ask<{ file: string }>('/backups', {});
/** Puts a backup back as it is, or (`mend`) the newest one and every change since; what was there is kept. */
export const putBack = (what: { file: string } | { mend: true }) =>
  ask<Safety & { kept: string }>('/backups/restore', what);

/** How many pictures there are and what they take, bytes; of these the ones no plan shows. */
export type Pictures = { count: number; bytes: number; unused: number; unusedBytes: number };
export const getPictures = () => ask<Pictures>('/photos');
/** Deletes the pictures no plan shows, for good. */
export const deleteUnusedPictures = () => ask<Pictures>('/photos/delete-unused', {});

/** Keeps a picture (JPEG in base64) by its hash. */
export const sendPhoto = (jpeg: string) => ask<{ hash: string }>('/photos', { jpeg });

export type PrinterJob = {
  id: string;
  ref: string;
  lines: string[];
  code: string | null;
  state: 'waiting' | 'printing' | 'printed' | 'spoilt';
  mm: number;
};
/** The stand-in for a label printer: what ails it (null: nothing), how much tape is on the reel, mm, and its queue. */
export type PrinterStatus = { trouble: 'off' | 'outOfTape' | 'jam' | null; tape: number; jobs: PrinterJob[] };
export const printerStatus = () => ask<PrinterStatus>('/devices/printer');
export const sendLabels = (jobs: readonly Pick<PrinterJob, 'ref' | 'lines' | 'code'>[]) =>
  ask<PrinterStatus>('/devices/printer/jobs', { jobs });
export const actOnPrinter = (act: 'off' | 'on' | 'tape' | 'jam' | 'clear') =>
  ask<PrinterStatus>('/devices/printer/act', { act });
export const cancelLabels = (id: string | null) => ask<PrinterStatus>('/devices/printer/cancel', { id });
