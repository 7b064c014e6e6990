import { type ToldUse } from '@heronstone/core/homes';
import { type WhyBack } from '@heronstone/core/sessions';
import { countWords } from '../../ui/words.ts';

const WHY: Record<WhyBack, string> = {
  'no room': 'there is no room for it on the table',
  'no holder': 'nothing at hand holds it between two reaches',
  seldom: 'it is not wanted every time',
  'at once': 'things go back at once there',
};

const number = (n: number) => String(Math.round(n * 10) / 10);
const times = (n: number) =>
  Math.abs(n - 1) < 0.05 ? 'once' : Math.abs(n - 2) < 0.05 ? 'twice' : `${number(n)} times`;

/** “Kite bench, 6 sessions a month: got out once, with 6 other things from this unit; reached for 10 times over the table.” */
export function sessionWords({ station, use, out, elsewhere, aMonth, others }: ToldUse): string {
  const when = `${station.name}, ${countWords(Number(number(aMonth)), 'session', 'sessions')} a month: `;
  if (!out)
    return use.back === 'seldom'
      ? `${when}walked to ${times(use.walks)} a session.`
      : `${when}walked to at every reach, ${times(use.walks)} a session, as ${WHY[use.back!]}.`;
  const together = others > 0 ? `, with ${countWords(others, 'other thing', 'other things')} from this unit` : '';
  if (elsewhere)
    return `${when}taken out of the room ${times(use.walks)}${together}${use.consumed ? '' : ', and put back at the end'}.`;
  const again = use.consumed ? 'taken from' : 'reached for';
  return `${when}got out ${times(use.walks)}${together}; ${again} ${times(use.reaches)} over the table.`;
}
