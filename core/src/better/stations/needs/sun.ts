import { topPoints } from '../../findings/index.ts';
import { monthWords } from '../../../record/plan/index.ts';
import { sunHours } from '../../../space/sun/index.ts';
import { type At, type Need, row } from './need.ts';

/** Direct sun a day on a worktop that is nobody’s trouble, h; none where it must be dark (own assumption). */
const SUN_HOURS = 1;

export function sun({ plan, look, activity, table }: At): Need[] {
  if (!table) return [];
  const hours = sunHours(plan, topPoints(look, table));
  const months = hours.byMonth.flatMap((h, m) => (h > 0 && activity.months.includes(m) ? [m] : []));
  const most = Math.max(0, ...months.map((m) => hours.byMonth[m]!));
  const limit = activity.traits.includes('dark') ? 0 : SUN_HOURS;
  if (most === 0 && limit > 0) return [];
  return row('sun', limit === 0 ? 'none' : `at most ${limit} h a day`, `${most.toFixed(1)} h a day`, {
    want: [0, limit],
    have: most,
    lacks: most > limit ? `${most.toFixed(1)} h of direct sun a day on ${table.name} (${monthWords(months)}).` : null,
  });
}
