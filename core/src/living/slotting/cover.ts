/**
 * The fewest concepts that together cover some things: each thing is given by the numbers of its concepts, one without any is one by itself. Exact, by branching on
 * the thing that has least choice; what cannot be better than the best so far is not looked at.
 */
export function fewestNames(things: readonly (readonly number[])[]): number {
  const alone = things.filter((t) => t.length === 0).length;
  let open = things.filter((t) => t.length > 0);
  if (open.length <= 1) return alone + open.length;
  // what has no choice is covered first, and all that lies under it
  const forced = new Set(open.flatMap((t) => (t.length === 1 ? [t[0]!] : [])));
  open = open.filter((t) => !t.some((c) => forced.has(c)));
  return alone + forced.size + (open.length === 0 ? 0 : branching(open, greedy(open)));
}

/** As many as it takes when each time that concept is taken that covers most. */
function greedy(things: readonly (readonly number[])[]): number {
  let left = things;
  let n = 0;
  while (left.length > 0) {
    const count = new Map<number, number>();
    let best = -1;
    for (const t of left)
      for (const c of t) {
        const k = (count.get(c) ?? 0) + 1;
        count.set(c, k);
        if (best < 0 || k > count.get(best)!) best = c;
      }
    left = left.filter((t) => !t.includes(best));
    n++;
  }
  return n;
}

/** @param most a number that is enough */
function branching(things: readonly (readonly number[])[], most: number): number {
  let best = most;
  const look = (left: readonly (readonly number[])[], taken: number) => {
    if (left.length === 0) {
      best = Math.min(best, taken);
      return;
    }
    if (taken + apartAmong(left) >= best) return;
    const [first] = [...left].sort((a, b) => a.length - b.length);
    for (const c of first!)
      look(
        left.filter((t) => !t.includes(c)),
        taken + 1,
      );
  };
  look(things, 0);
  return best;
}

/** So many of some things have no concept in common with each other: at least so many names are needed. */
function apartAmong(things: readonly (readonly number[])[]): number {
  const used = new Set<number>();
  let n = 0;
  for (const t of things) {
    if (t.some((c) => used.has(c))) continue;
    for (const c of t) used.add(c);
    n++;
  }
  return n;
}
