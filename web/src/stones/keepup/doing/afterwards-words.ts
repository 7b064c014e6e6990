import { type Afterwards } from '@heronstone/core/doing';
import { countWords, dayWords, longWords } from '../../../ui/words.ts';

const AFTER = { 4: 'After four weeks', 12: 'After twelve weeks' } as const;

/** What has come true since all was done, a line each: after four weeks, after twelve, looks asked for, and when it is looked at next. */
export function afterwardsWords({ cameTrue, next, sessions, days, looks }: Afterwards): string[] {
  const out = cameTrue.map(
    (c) =>
      `${AFTER[c.weeks]} the log had ${countWords(c.sessions, 'session', 'sessions')} where ${Math.round(c.expected)} were reckoned with${
        c.saved === null ? '' : `: ${longWords(c.saved)} saved by then`
      }.`,
  );
  if (next !== null)
    out.push(
      `${AFTER[cameTrue.length === 0 ? 4 : 12]}, on ${dayWords(`${next}T12:00:00`)}, the log says how much of it has come true; so far ${countWords(sessions, 'session', 'sessions')} in ${countWords(days, 'day', 'days')}.`,
    );
  const share = `${Math.round(100 * looks.reckoned)} % of what is not remembered`;
  out.push(
    looks.asked === 0
      ? `At the first look ${share} is reckoned to be found; a look test would tell.`
      : `At the first look ${share} is reckoned to be found; of ${countWords(looks.asked, 'thing', 'things')} asked for since then ${looks.atFirst} ${looks.atFirst === 1 ? 'was' : 'were'}.`,
  );
  return out;
}
