/** Something to be carried from where it lies (null: it has no place) to where it is to live. */
export type Job = { from: string | null; to: string; /** what it takes of the tray */ size: number };

/** One step: a job carried to its place, from its old one or out of the tray; or lifted into the tray. */
export type Step = { job: number; into: 'place' | 'tray'; outOf: 'place' | 'tray' };

export type Room = {
  /** whether a job goes into its place when some others have left it and some have come */
  takes: (place: string, gone: ReadonlySet<number>, come: ReadonlySet<number>, job: number) => boolean;
  /** what the tray holds, in the measure of the jobs’ sizes */
  tray: number;
  /** how far it is from the end of one step to the beginning of another job; for the order among those that may be done */
  way?: (after: number | null, job: number) => number;
};

/** Up to so many jobs that wait for each other are ordered exactly. */
const EXACT = 9;

/**
 * An order in which jobs can be done so that no place ever holds more than it can, with as few things lifted into the tray as possible: none where places
 * do not wait for each other in a ring. Jobs that wait for each other are looked at by themselves; nine of them exactly, more by lifting each time
 * what lets most others go on. Among those that may be done the nearest comes first.
 * @returns the steps, and jobs that cannot be done because the tray is too small
 */
export function orderJobs(jobs: readonly Job[], room: Room): { steps: Step[]; stuck: number[] } {
  const safe = safePlaces(jobs, room);
  const rings = together(jobs, safe);
  const queues: Step[][] = [];
  const stuck: number[] = [];
  for (const ring of rings) {
    const found = ring.length <= EXACT ? exactly(ring, jobs, room) : null;
    const { steps, left } = found ?? roughly(ring, jobs, room);
    queues.push(steps);
    stuck.push(...left);
  }
  const steps: Step[] = [];
  let last: number | null = null;
  for (;;) {
    let next: Step[] | null = null;
    let least = Infinity;
    for (const queue of queues) {
      if (queue.length === 0) continue;
      const way = room.way?.(last, queue[0]!.job) ?? 0;
      if (way < least) {
        least = way;
        next = queue;
      }
    }
    if (!next) break;
    const step = next.shift()!;
    steps.push(step);
    last = step.job;
  }
  return { steps, stuck };
}

/** Places that hold all that comes beside all that is there: whoever goes there waits for nobody. */
function safePlaces(jobs: readonly Job[], room: Room): Set<string> {
  const into = new Map<string, number[]>();
  for (const [i, { to }] of jobs.entries()) into.set(to, [...(into.get(to) ?? []), i]);
  const nobody = new Set<number>();
  const safe = new Set<string>();
  for (const [place, coming] of into) {
    const come = new Set<number>();
    if (
      coming.every((job) => {
        const ok = room.takes(place, nobody, come, job);
        come.add(job);
        return ok;
      })
    )
      safe.add(place);
  }
  return safe;
}

/** Jobs in groups that wait for each other: those into a place that is not safe, with all that leave it. */
function together(jobs: readonly Job[], safe: ReadonlySet<string>): number[][] {
  const head = jobs.map((_, i) => i);
  const find = (i: number): number => (head[i] === i ? i : (head[i] = find(head[i]!)));
  const first = new Map<string, number>();
  for (const [i, { from, to }] of jobs.entries())
    for (const place of [from, to]) {
      if (place === null || safe.has(place)) continue;
      const other = first.get(place);
      if (other === undefined) first.set(place, i);
      else head[find(i)] = find(other);
    }
  const groups = new Map<number, number[]>();
  for (let i = 0; i < jobs.length; i++) groups.set(find(i), [...(groups.get(find(i)) ?? []), i]);
  return [...groups.values()];
}

/** The fewest things lifted into the tray, by trying every order (0-1 breadth-first search over who has come and who is in the tray). */
function exactly(ring: readonly number[], jobs: readonly Job[], room: Room): { steps: Step[]; left: number[] } | null {
  type State = { come: number; tray: number; before: State | null; step: Step | null };
  const all = (1 << ring.length) - 1;
  const seen = new Set<number>();
  const members = (mask: number) => new Set(ring.filter((_, k) => (mask >> k) & 1));
  let now: State[] = [{ come: 0, tray: 0, before: null, step: null }];
  while (now.length > 0) {
    const lifted: State[] = [];
    // a stack: what needs no tray is followed first
    while (now.length > 0) {
      const state = now.pop()!;
      const key = state.come * (all + 1) + state.tray;
      if (seen.has(key)) continue;
      seen.add(key);
      if (state.come === all) {
        const steps: Step[] = [];
        for (let s: State | null = state; s?.step; s = s.before) steps.unshift(s.step);
        return { steps, left: [] };
      }
      const gone = members(state.come | state.tray);
      const come = members(state.come);
      const held = ring.reduce((sum, job, k) => sum + ((state.tray >> k) & 1 ? jobs[job]!.size : 0), 0);
      for (const [k, job] of ring.entries()) {
        if ((state.come >> k) & 1) continue;
        const inTray = ((state.tray >> k) & 1) === 1;
        if (room.takes(jobs[job]!.to, gone, come, job))
          now.push({
            come: state.come | (1 << k),
            tray: state.tray & ~(1 << k),
            before: state,
            step: { job, into: 'place', outOf: inTray ? 'tray' : 'place' },
          });
        else if (!inTray && jobs[job]!.from !== null && held + jobs[job]!.size <= room.tray)
          lifted.push({
            come: state.come,
            tray: state.tray | (1 << k),
            before: state,
            step: { job, into: 'tray', outOf: 'place' },
          });
      }
    }
    now = lifted;
  }
  return null;
}

/** What can be done is done, first what others wait for; when nothing can, what lets most others go on is lifted into the tray. */
function roughly(ring: readonly number[], jobs: readonly Job[], room: Room): { steps: Step[]; left: number[] } {
  const gone = new Set<number>();
  const come = new Set<number>();
  const tray = new Set<number>();
  const steps: Step[] = [];
  const waiting = new Set(ring);
  const can = (job: number) => room.takes(jobs[job]!.to, gone, come, job);
  const wanted = (place: string | null) =>
    place === null ? 0 : ring.filter((j) => waiting.has(j) && jobs[j]!.to === place).length;
  while (waiting.size > 0) {
    const free = [...waiting].filter(can);
    if (free.length > 0) {
      const job = free.reduce((a, b) => (wanted(jobs[b]!.from) > wanted(jobs[a]!.from) ? b : a));
      steps.push({ job, into: 'place', outOf: tray.has(job) ? 'tray' : 'place' });
      waiting.delete(job);
      tray.delete(job);
      gone.add(job);
      come.add(job);
      continue;
    }
    const held = [...tray].reduce((sum, j) => sum + jobs[j]!.size, 0);
    let best = -1;
    let most = -1;
    for (const job of waiting) {
      if (tray.has(job) || jobs[job]!.from === null || held + jobs[job]!.size > room.tray) continue;
      gone.add(job);
      const freed = [...waiting].filter((j) => j !== job && can(j)).length;
      gone.delete(job);
      if (freed > most) {
        most = freed;
        best = job;
      }
    }
    if (best < 0) return { steps, left: [...waiting] };
    steps.push({ job: best, into: 'tray', outOf: 'place' });
    tray.add(best);
    gone.add(best);
  }
  return { steps, left: [] };
}
