import { type Response } from 'express';
import { z } from 'zod';
import { type Outcome } from '../store/store.ts';
import { problem } from './problem.ts';

/** A question that brings nothing. */
export const Nothing = z.strictObject({});

/** What was sent, as its schema has it; null when it is not (the answer is given then). */
export function bodyOf<S extends z.ZodType>(schema: S, body: unknown, res: Response): z.output<S> | null {
  const read = schema.safeParse(body);
  if (read.success) return read.data;
  const issue = read.error.issues[0]!;
  const words =
    schema === (Nothing as unknown) ? 'Send an empty object.' : `${issue.path.join('.') || 'body'}: ${issue.message}`;
  problem(res, 400, 'Bad input', words);
  return null;
}

export const noPlan = (res: Response): void => problem(res, 404, 'No such plan', 'There is no such plan.');

/** Tells what became of a change. */
export function answer(res: Response, outcome: Outcome): void {
  if (outcome.ok) res.json(outcome.event);
  else if (outcome.kind === 'no plan') noPlan(res);
  else if (outcome.kind === 'unstorable') problem(res, 422, 'Cannot be kept', outcome.reason);
  else problem(res, 409, outcome.kind === 'nothing' ? 'Nothing to do' : 'Refused', outcome.reason);
}
