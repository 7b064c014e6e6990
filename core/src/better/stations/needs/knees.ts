import { KNEE, KNEES, kneeSpace } from '../../../space/room/index.ts';
import { type At, type Need, row } from './need.ts';

export function knees({ plan, look, station, person, maker, table }: At): Need[] {
  if (maker.seat.standing || !table) return [];
  const { high, wide } = kneeSpace(plan, station, table);
  if (person.mobility !== 'wheelchair')
    return row('knee space', `${look.len(KNEES)} wide`, high > 0 ? `${look.len(wide)} wide` : 'none', {
      want: [KNEES, Infinity],
      have: wide,
      lacks: wide >= KNEES ? null : `Something stands before the knees under ${table.name} (common practice).`,
    });
  const ok = high >= KNEE.high && wide >= KNEE.wide;
  return row(
    'knee space',
    `${look.len(KNEE.high)} high, ${look.len(KNEE.wide)} wide`,
    high > 0 ? `${look.len(high)} high, ${look.len(wide)} wide` : 'none',
    {
      want: [KNEE.high, Infinity],
      have: high,
      lacks: ok ? null : `A wheelchair does not go under ${table.name} (2010 ADA Standards 306, from memory).`,
    },
  );
}
