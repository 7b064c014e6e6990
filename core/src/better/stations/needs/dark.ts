import { type At, type Need, row } from './need.ts';

export function dark({ plan, activity }: At): Need[] {
  if (!activity.traits.includes('dark')) return [];
  const windows = Object.values(plan.openings).filter((o) => o.kind === 'window').length;
  return row(
    'dark',
    'no daylight',
    windows === 0 ? 'no window' : `${windows} ${windows === 1 ? 'window' : 'windows'}`,
    {
      lacks:
        windows > 0
          ? `${windows === 1 ? 'The window wants' : `The ${windows} windows want`} a blind that closes.`
          : null,
    },
  );
}
