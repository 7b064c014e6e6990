import { type ErrorRequestHandler, type Response } from 'express';
import { type Logger } from 'pino';
import { FolderLost } from '../store/owner.ts';
import { Refusal, Unstorable } from '../store/store.ts';
import { FolderNewer, diskTrouble } from '../store/trouble.ts';

/** Answers with problem details (RFC 9457): a title that names the kind of trouble, a detail in plain words. */
export function problem(res: Response, status: number, title: string, detail: string): void {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail }));
}

/**
 * Last resort: trouble reading the request is the sender’s; a full disk, a folder lost may pass (503: try again); everything else is ours and
 * logged.
 */
export function onError(log: Logger, folder: string): ErrorRequestHandler {
  return (error: { status?: number; type?: string; message?: string }, _req, res, next) => {
    if (res.headersSent) return next(error);
    // nested so deep that whoever reads it runs out of stack
    if (error instanceof RangeError)
      return problem(res, 400, 'Bad input', 'That is nested too deep to be anything of ours.');
    if (error.type === 'entity.parse.failed') return problem(res, 400, 'Not JSON', 'The request is not whole JSON.');
    if (error.type === 'entity.too.large')
      return problem(res, 413, 'Too large', 'That is more than this server takes at once (24 MB).');
    if (error.status && error.status >= 400 && error.status < 500)
      return problem(res, error.status, 'Bad request', 'The request could not be read.');
    if (error instanceof Refusal) return problem(res, 409, 'Refused', error.message);
    if (error instanceof Unstorable) return problem(res, 422, 'Cannot be kept', error.message);
    const passing = error instanceof FolderLost || error instanceof FolderNewer ? error : diskTrouble(error, folder);
    if (passing) {
      log.warn(passing.message);
      return problem(res, 503, 'Not now', passing.message);
    }
    log.error(error);
    problem(
      res,
      500,
      'Trouble on our side',
      'Something went wrong here. What was saved before is kept; try once more.',
    );
  };
}
