import { type Compiled } from './compile.ts';

/**
 * Orders to begin with: by Smith’s rule (what saves most for its time first; Smith 1956, from memory), by the same counting in what a job is waited for
 * by, and by the longest chain after it.
 */
export function firstOrders(c: Compiled): Int32Array[] {
  const work = (i: number) => c.jobs[i]!.minutes * c.jobs[i]!.people;
  const smith = c.jobs.map((j, i) => j.saves / work(i));
  return [smith, lookingOn(c, work), chains(c, work)].map((worth) => byWorth(c, worth));
}

/** The best of what a job and the jobs it opens the way to save for their time, taken together with all they wait for. */
function lookingOn(c: Compiled, work: (i: number) => number): number[] {
  const needed = c.jobs.map(() => new Set<number>());
  for (const i of c.order) {
    needed[i]!.add(i);
    for (const b of c.jobs[i]!.before) for (const k of needed[b]!) needed[i]!.add(k);
  }
  const worth = c.jobs.map(() => 0);
  for (const list of needed) {
    let [saves, minutes] = [0, 0];
    for (const k of list) {
      saves += c.jobs[k]!.saves;
      minutes += work(k);
    }
    for (const k of list) worth[k] = Math.max(worth[k]!, saves / minutes);
  }
  return worth;
}

function chains(c: Compiled, work: (i: number) => number): number[] {
  const long = c.jobs.map(() => 0);
  for (const i of [...c.order].reverse()) long[i] = work(i) + Math.max(0, ...c.jobs[i]!.after.map((k) => long[k]!));
  return long;
}

/** The worthiest of those whose time has come, one after the other. */
function byWorth(c: Compiled, worth: readonly number[]): Int32Array {
  const waits = c.jobs.map((j) => j.before.length);
  const ready = c.jobs.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  const order = new Int32Array(c.jobs.length);
  for (let n = 0; n < order.length; n++) {
    const i = ready.reduce((a, b) => (worth[b]! > worth[a]! || (worth[b] === worth[a] && b < a) ? b : a));
    ready.splice(ready.indexOf(i), 1);
    order[n] = i;
    for (const k of c.jobs[i]!.after) if (--waits[k]! === 0) ready.push(k);
  }
  return order;
}
