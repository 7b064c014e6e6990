import { type Command, type Plan, type RowChange } from '@heronstone/core/plan';

export type PlanSummary = {
  id: string;
  name: string;
  supplies: number;
  places: number;
  units: number;
  forkedFrom: string | null;
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

async function ask<T>(path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(
      `/api${path}`,
      body === undefined
        ? {}
        : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
    );
  } catch {
    throw new Unreachable('The server does not answer.');
  }
  if (response.ok) return (await response.json()) as T;
  const detail = await response.json().then(
    (p: { detail?: string }) => p.detail,
    () => undefined,
  );
  if (response.status >= 500) throw new Unreachable(detail ?? 'The server has trouble.');
  throw new Refused(response.status, detail ?? `The server said ${response.status}.`);
}

export const listPlans = () => ask<PlanSummary[]>('/plans');
export const addPlan = (source: { head: Partial<Plan['head']> & { name: string } } | { file: string }) =>
  ask<{ id: string }>('/plans', source);
export const getPlan = (id: string) => ask<Standing & { plan: Plan }>(`/plans/${id}`);
export const sendCommand = (id: string, commandId: string, command: Command) =>
  ask<PlanEvent>(`/plans/${id}/commands`, { commandId, command });
export const undoLast = (id: string) => ask<PlanEvent>(`/plans/${id}/undo`, {});
export const redoNext = (id: string) => ask<PlanEvent>(`/plans/${id}/redo`, {});
export const forkPlan = (id: string, name: string) => ask<{ id: string }>(`/plans/${id}/fork`, { name });
/** What the stand-in for a laser measure shows when pointed at something so far away, mm. */
export const readLaser = (distance: number) => ask<{ mm: number }>('/devices/laser/readings', { distance });
