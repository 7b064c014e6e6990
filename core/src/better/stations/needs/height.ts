import { heightOff, type WorkHeight, worktopWanted } from '../../../space/body/index.ts';
import { TOP } from '../../../record/catalogue/index.ts';
import { type At, type Need, row } from './need.ts';

const WORK_WORDS: Record<WorkHeight, string> = {
  fine: 'fine work',
  light: 'light work',
  heavy: 'pressing and cutting',
};

export function height({ look, activity, person, maker, table }: At): Need[] {
  const { len } = look;
  const seat = maker.seat.standing ? null : maker.body.hip;
  const want = worktopWanted(person, activity.work, seat, TOP);
  const words = want.lap ? `as low as it goes: ${len(want.low)}` : `${len(want.low)} to ${len(want.high)}`;
  if (!table) return [];
  const top = table.bottom + table.height;
  const off = heightOff(top, want);
  const wrong =
    Math.abs(off) < 1
      ? null
      : `${table.name} is ${len(Math.abs(off))} too ${off < 0 ? 'low' : 'high'} for ${WORK_WORDS[activity.work]}, ${person.name} ${maker.seat.standing ? 'standing' : 'sitting'}.`;
  const lap = want.lap
    ? `Sitting, the lap keeps the top higher than ${WORK_WORDS[activity.work]} wants: better standing, or on a lower seat.`
    : null;
  const posture =
    activity.posture === 'either' || (activity.posture === 'standing') === maker.seat.standing
      ? null
      : person.mobility === 'wheelchair'
        ? `It is done standing, and ${person.name} works from a wheelchair.`
        : `It is done ${activity.posture}, and this seat is for ${maker.seat.standing ? 'standing' : 'sitting'}.`;
  return [
    ...row('height', words, len(top), {
      want: [want.low, want.high],
      have: top,
      lacks: [wrong, lap].filter(Boolean).join(' ') || null,
    }),
    ...(posture
      ? row('posture', activity.posture, maker.seat.standing ? 'standing' : 'sitting', { lacks: posture })
      : []),
  ];
}
