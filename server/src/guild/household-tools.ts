import { type Response } from 'express';
import { type Keeping } from '../http/app.ts';
import { problem } from '../http/problem.ts';
import { type Queries } from '../store/queries.ts';
import { type GuildDoor } from './door.ts';
import { type Hub } from './hub.ts';
import { type Known, scopeOf } from './members.ts';

/** What the household’s routes answer with: who asks, one transaction in their name, and the usual answers. */
export function householdTools(door: GuildDoor, hub: Hub, keeping: (res: Response) => Keeping) {
  const { pool } = hub;
  const known = (res: Response) => res.locals.known as Known;
  return {
    ...{ pool, keeping, known },
    whole: <T>(res: Response, work: (tx: Queries) => Promise<T>) => pool.transaction(scopeOf(known(res)), work),
    ok: (res: Response) => void res.json({}),
    missing: (res: Response, words: string) => problem(res, 404, 'Not here', words),
    /** A secret stands behind #: it is sent to no server but by the page itself. */
    link: (res: Response, page: string, secret: string) =>
      void res.status(201).json({ link: `${door.originOf(res.req)}/${page}#${secret}` }),
  };
}
export type HouseholdTools = ReturnType<typeof householdTools>;
