import { type Job, type Unit } from '../../record/plan/index.ts';

/**
 * Adds a job, with what was not said of it as it usually is.
 * @param seconds what its motions take; @param named what so much of it is called, where it can be parted
 */
export type Add = (
  job: Pick<Job, 'id' | 'kind' | 'name'> & Partial<Job>,
  seconds: number,
  named?: (about: readonly string[]) => string,
) => Job;

/** What was made ready by which job: units and containers by their ids. */
export type Made = Map<string, string>;

export const some = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;
export const idOf = (kind: string, ...parts: string[]): string => [kind, ...parts].join('-').slice(0, 80);
/** The job of buying what is in the wanted plan alone. */
export const BUY_THINGS = 'buy-things';
/** Whether it is things that are bought, and there once it is ticked; furniture is brought in by a job of its own. */
export const buysThings = ({ id, kind }: Pick<Job, 'id' | 'kind'>): boolean =>
  kind === 'buy' && id.startsWith(BUY_THINGS);
/** The floor a unit covers, m². */
export const footprint = (unit: Unit): number => Math.round((unit.width * unit.depth) / 1e4) / 100;
