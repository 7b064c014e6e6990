import { expectedOf, type Run, sessionOf, simulate } from '@heronstone/core/tryout';

/** So many sessions are played to say how they differ. */
export const SESSIONS = 400;

/** A run worked out: one session of it moment by moment, the mean, and how many sessions differ. */
export type Worked = ReturnType<typeof worked>;
export function worked(run: Run, session: number, month: number | null) {
  return {
    moments: sessionOf(run, { seed: 1, session, month }),
    expected: expectedOf(run, month),
    played: simulate(run, { sessions: SESSIONS, seed: 1, month }),
  };
}
