import { distance } from '../../../measures/geometry/index.ts';
import { frameOf, onWall } from '../../../space/room/index.ts';
import { type At, type Need, row } from './need.ts';
import { sameTime } from './surface.ts';

const AIR_CARE =
  'Solvent, spray, resin, solder and kiln want moving air, and nobody else near. The safety sheet, local codes and the maker’s manual come first (common practice).';

export function air({ plan, look, activity, station, work }: At): Need[] {
  if (!activity.traits.includes('fumes') && !activity.traits.includes('hot')) return [];
  const windows = Object.values(plan.openings).filter((o) => o.kind === 'window');
  const far = windows.flatMap((w) => {
    const frame = frameOf(plan, w.wallId);
    return frame ? [distance(onWall(frame, w.left + w.width / 2), work)] : [];
  });
  const near = far.length > 0 ? Math.min(...far) : null;
  const fumes = activity.traits.includes('fumes');
  const company = fumes ? sameTime(plan, station) : [];
  const lacks = [
    near === null
      ? 'No window to open is noted.'
      : near > 2500
        ? `The nearest window is ${look.len(near)} away.`
        : null,
    company.length > 0 ? `${company.map((s) => s.name).join(', ')} is worked at in the same air.` : null,
  ].filter((w) => w !== null);
  return row(
    'air',
    fumes ? 'a window within 2.5 m, and nobody else in that air' : 'a window within 2.5 m',
    near === null ? 'no window' : `${look.len(near)} to a window`,
    {
      want: [0, 2500],
      have: near,
      lacks: lacks.length > 0 ? lacks.join(' ') : null,
      care: AIR_CARE,
    },
  );
}
