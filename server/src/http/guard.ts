import { type RequestHandler } from 'express';
import { problem } from './problem.ts';

/** Lets through what comes from this machine's own page only: no DNS rebinding (Host), no cross-site writes (Origin, content type). */
export function guard(): RequestHandler {
  return (req, res, next) => {
    const port = req.socket.localPort;
    const hosts = ['127.0.0.1', 'localhost', '[::1]'].map((h) => `${h}:${port}`);
    if (!hosts.includes(req.headers.host ?? ''))
      return problem(res, 403, 'Wrong host', 'This server answers only under its own address.');
    const { origin } = req.headers;
    if (origin !== undefined && !hosts.includes(origin.replace(/^http:\/\//, '')))
      return problem(res, 403, 'Wrong origin', 'Another site may not use this server.');
    const site = req.headers['sec-fetch-site'];
    const writes = req.method !== 'GET' && req.method !== 'HEAD';
    if (writes && site !== undefined && site !== 'same-origin' && site !== 'none')
      return problem(res, 403, 'Wrong origin', 'Another site may not use this server.');
    if (writes && !req.is('application/json')) return problem(res, 415, 'Not JSON', 'Send application/json.');
    next();
  };
}
