import { type RequestHandler } from 'express';
import { isHelping, Sent } from '@heronstone/core/plan';
import { problem } from '../http/problem.ts';
import { type Hub } from './hub.ts';
import { type Known, scopeOf } from './members.ts';

const LOOKS = 'Guests look. Ask a keeper of this household for it.';
const HELPS = 'Helpers tick, count, log, take out and put back. Ask a keeper of this household for anything else.';
const THEIRS = 'The last change was not yours. Ask a keeper of this household to take it back.';

/** What each role may ask for: keepers everything, helpers to tick, log, put back and look, guests to look, whoever has a link one plan. */
export function permit(hub: Hub): RequestHandler {
  return async (req, res, next) => {
    const known = res.locals.known as Known;
    const [, kind, planId, what] = req.path.split('/');
    const no = (words: string) => problem(res, 403, 'Not yours to do', words);
    if (known.onlyPlan !== null) {
      const its = (kind === 'plans' && planId === known.onlyPlan) || (kind === 'photos' && planId !== undefined);
      const list = kind === 'plans' && !planId;
      if (req.method !== 'GET' || !(its || list)) return no('This link shows one plan, and no more.');
    }
    if (known.role === 'keeper' || req.method === 'GET' || req.method === 'HEAD') return next();
    // one’s own things: leaving, a passphrase, a passkey
    if (kind === 'household' && planId === 'mine' && known.member) return next();
    if (known.role === 'guest') return no(LOOKS);
    if (kind === 'devices' || (kind === 'photos' && planId === undefined)) return next();
    if (kind !== 'plans') return no(HELPS);
    if (what === 'commands') {
      const sent = Sent.safeParse((req.body as { command?: unknown }).command);
      // what is no command is refused with its reason further on
      return !sent.success || isHelping(sent.data) ? next() : no(HELPS);
    }
    if (what !== 'undo' && what !== 'redo') return no(HELPS);
    const [last] = await hub.pool
      .as(scopeOf(known))
      .query(
        `SELECT member_id AS member FROM command_log WHERE plan_id = $1 AND state = $2 ORDER BY seq ${what === 'undo' ? 'DESC' : 'ASC'} LIMIT 1`,
        [planId, what === 'undo' ? 'done' : 'undone'],
      );
    return last && last.member !== known.member!.id ? no(THEIRS) : next();
  };
}
