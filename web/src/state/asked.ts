import { useState } from 'react';

/** What was asked, of what, and what came of it. */
export type Asked<T> = { of: readonly unknown[]; answer: T | 'working' } | null;

/** The answer as far as it is one to what is shown now: null while nothing of that was asked. */
export const answerOf = <T>(asked: Asked<T>, of: readonly unknown[]): T | 'working' | null =>
  asked && asked.of.length === of.length && asked.of.every((x, i) => Object.is(x, of[i])) ? asked.answer : null;

/** An answer takes its place only where nothing else was asked since. */
export const answered =
  <T>(of: readonly unknown[], answer: T) =>
  (now: Asked<T>): Asked<T> =>
    now?.of === of ? { of, answer } : now;

/**
 * Something asked of a worker about what is shown now: an answer that comes late, when something else is shown or was asked, is dropped.
 * @param of what the answer depends on: the plan, the supply …
 */
export function useAsked<T>(of: readonly unknown[]): {
  answer: T | 'working' | null;
  /** rejects when the work does; nothing is shown then */
  ask: (work: () => Promise<T>) => Promise<void>;
} {
  const [asked, setAsked] = useState<Asked<T>>(null);
  const ask = async (work: () => Promise<T>) => {
    setAsked({ of, answer: 'working' });
    try {
      const answer = await work();
      setAsked(answered<T>(of, answer));
    } catch (e) {
      setAsked((now) => (now?.of === of ? null : now));
      throw e;
    }
  };
  return { answer: answerOf(asked, of), ask };
}
