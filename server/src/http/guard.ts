import { type RequestHandler } from 'express';
import { type Access } from '../access/index.ts';
import { problem } from './problem.ts';

/** Lets through what comes from this listener’s own page only: no DNS rebinding (Host), no cross-site writes (Origin, content type). */
export function guard(access: Access): RequestHandler {
  return (req, res, next) => {
    const origins = access.origins(req.socket.localPort ?? 0);
    const host = (req.headers.host ?? '').toLowerCase();
    if (!origins.some((o) => o.slice(o.indexOf('//') + 2) === host))
      return problem(res, 403, 'Wrong host', 'This server answers only under its own address.');
    const { origin } = req.headers;
    if (origin !== undefined && !origins.includes(origin))
      return problem(res, 403, 'Wrong origin', 'Another site may not use this server.');
    const site = req.headers['sec-fetch-site'];
    const writes = req.method !== 'GET' && req.method !== 'HEAD';
    if (writes && site !== undefined && site !== 'same-origin' && site !== 'none')
      return problem(res, 403, 'Wrong origin', 'Another site may not use this server.');
    if (writes && !req.is('application/json')) return problem(res, 415, 'Not JSON', 'Send application/json.');
    next();
  };
}

/** Nobody unknown gets anything; who is known stands in `res.locals.who`. */
export function knownOnly(access: Access): RequestHandler {
  return async (req, res, next) => {
    const admission = await access.admits(req);
    if (admission.ok) {
      res.locals.who = admission.who;
      res.locals.known = admission.known;
      next();
    } else problem(res, 401, 'Who asks?', admission.reason);
  };
}
