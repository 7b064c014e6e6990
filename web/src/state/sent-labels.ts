/** Labels sent to the printer that are not out yet, as this browser keeps them: by the mark of their job the place they are for. */
type Sent = Record<string, { placeId: string; at: number }>;

/** What the printer does not know is forgotten after so long, ms: it may not have heard of it yet, or been switched off with it (own assumption). */
const A_DAY = 24 * 3600 * 1000;

const key = (planId: string) => `heronstone.labels.${planId}`;

function read(planId: string): Sent {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(planId)) ?? '{}');
    return kept !== null && typeof kept === 'object' ? (kept as Sent) : {};
  } catch {
    return {};
  }
}

function write(planId: string, sent: Sent): void {
  try {
    if (Object.keys(sent).length === 0) localStorage.removeItem(key(planId));
    else localStorage.setItem(key(planId), JSON.stringify(sent));
  } catch {
    // a browser that keeps nothing knows them as long as the window is open at the least
  }
  inThisWindow.set(planId, sent);
}

/** What this window knows where the browser keeps nothing. */
const inThisWindow = new Map<string, Sent>();
const sentOf = (planId: string): Sent => ({ ...inThisWindow.get(planId), ...read(planId) });

/** Remembers labels that go to the printer, however soon the window is closed. */
export const labelsSent = (
  planId: string,
  jobs: readonly { ref: string; placeId: string }[],
  at: number = Date.now(),
): void =>
  write(planId, { ...sentOf(planId), ...Object.fromEntries(jobs.map((j) => [j.ref, { placeId: j.placeId, at }])) });

/** Forgets labels that did not get to the printer. */
export function labelsForgotten(planId: string, refs: readonly string[]): void {
  write(planId, Object.fromEntries(Object.entries(sentOf(planId)).filter(([ref]) => !refs.includes(ref))));
}

/**
 * Places whose labels have come out since they were last asked for; each is told once. What the printer has spoilt is forgotten, and after a day what it
 * does not know.
 * @param jobs the printer’s queue as it stands
 */
export function labelsOut(
  planId: string,
  jobs: readonly { ref: string; state: string }[],
  now: number = Date.now(),
): string[] {
  const sent = sentOf(planId);
  const state = new Map(jobs.map((j) => [j.ref, j.state]));
  const over = Object.keys(sent).filter((ref) => {
    const is = state.get(ref);
    return is === undefined ? now - sent[ref]!.at > A_DAY : is === 'printed' || is === 'spoilt';
  });
  if (over.length > 0) labelsForgotten(planId, over);
  return over.flatMap((ref) => (state.get(ref) === 'printed' ? [sent[ref]!.placeId] : []));
}
