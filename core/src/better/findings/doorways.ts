import { clipByConvex, prismFootprint } from '../../measures/geometry/index.ts';
import { onWall, frameOf, fromWall } from '../../space/room/index.ts';
import { type Found, found, type Look, strip } from './finding.ts';

/** Something stands in a doorway. */
export function doorways({ plan, units, solids, len }: Look): Found[] {
  const out: Found[] = [];
  for (const door of Object.values(plan.openings)) {
    const frame = frameOf(plan, door.wallId);
    if (!frame || door.kind !== 'door') continue;
    const middle = onWall(frame, door.left + door.width / 2);
    const area = strip(middle, frame.inward, door.width - 20, 600);
    for (const unit of units) {
      if (unit.doorId === door.id) continue;
      const covered = coveredWidth(area, frame, door, solids.get(unit.id)!);
      if (covered > 10)
        out.push(
          found('exit', [door.id, unit.id], `${unit.name} stands ${len(covered)} into the way out of the door.`, {
            unitIds: [unit.id],
            area,
          }),
        );
    }
  }
  return out;
}

function coveredWidth(
  area: { x: number; y: number }[],
  frame: NonNullable<ReturnType<typeof frameOf>>,
  door: { left: number; width: number; head: number },
  solids: readonly Parameters<typeof prismFootprint>[0][],
): number {
  let most = 0;
  for (const s of solids) {
    if (s.bottom >= door.head || s.top < 30) continue;
    const inside = clipByConvex(prismFootprint(s), area);
    if (inside.length < 3) continue;
    const along = inside.map((p) => fromWall(frame, p).left);
    most = Math.max(most, Math.max(...along) - Math.min(...along));
  }
  return most;
}
