import { convexOverlap, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { monthWords, type Unit, seatsHere } from '../../record/plan/index.ts';
import { headShort, makerOf } from '../../space/reach/index.ts';
import { ceilingAt, floorUsePrism, unitPoint } from '../../space/room/index.ts';
import { type Found, found, freeBefore, type Look, sharedHeight, strip } from './finding.ts';

const SLACK = 5;
/** A mat or sheet going through a machine is taken to need so much height, mm (own assumption). */
const FEED_HEIGHT = 60;

/** Machine feed, head height, other uses of the floor. */
export function space(look: Look): Found[] {
  return [...feeds(look), ...headroom(look), ...floorUses(look)];
}

export type Feed = {
  side: 'before' | 'behind';
  wanted: number;
  free: number;
  by: string | null;
  area: Point[];
};

/** The free length before and behind a machine against what it feeds, mm. */
export function machineFeeds(look: Look, unit: Unit): Feed[] {
  const body = look.body.get(unit.id)!;
  const own = new Set([unit.id]);
  if (unit.hostId) own.add(unit.hostId);
  const heights: [number, number] = [unit.bottom + 5, unit.bottom + FEED_HEIGHT];
  return (['before', 'behind'] as const).flatMap((side) => {
    const wanted = side === 'before' ? unit.feedFront : unit.feedBack;
    if (wanted <= 0) return [];
    const way = side === 'before' ? 1 : -1;
    const middle = unitPoint(body, unit.width / 2, side === 'before' ? 0 : unit.depth);
    const out = { x: body.frontX * way, y: body.frontY * way };
    const { free, by } = freeBefore(look, middle, out, unit.width, wanted, heights, own);
    return [{ side, wanted, free, by: by?.name ?? null, area: strip(middle, out, unit.width, wanted) }];
  });
}

function feeds(look: Look): Found[] {
  const { len } = look;
  return look.units.flatMap((unit) =>
    machineFeeds(look, unit).flatMap(({ side, wanted, free, by, area }) =>
      free >= wanted - SLACK
        ? []
        : [
            found(
              'feed',
              [unit.id, side],
              `${unit.name} has ${len(free)} free ${side} it and feeds ${len(wanted)}: ${by ?? 'something'} is in the way.`,
              { unitIds: [unit.id], area },
            ),
          ],
    ),
  );
}

function headroom(look: Look): Found[] {
  const { plan, len } = look;
  if (look.outline.length === 0) return [];
  const out: Found[] = [];
  for (const unit of look.units) {
    const top = unit.bottom + unit.height;
    const over = Math.max(...prismFootprint(look.body.get(unit.id)!).map((p) => top - ceilingAt(plan, p)));
    if (over > 2)
      out.push(
        found('headroom', [unit.id], `${unit.name} is ${len(over)} too tall for the ceiling there.`, {
          unitIds: [unit.id],
        }),
      );
  }
  for (const station of seatsHere(plan)) {
    const maker = makerOf(plan, station);
    if (!maker) continue;
    const short = headShort(plan, maker, station);
    if (short > 0)
      out.push(
        found(
          'headroom',
          [station.id],
          `At ${station.name} the ceiling is ${len(short)} too low for ${maker.person.name} ${maker.seat.standing ? 'standing' : 'sitting'}.`,
          { area: strip({ x: station.x, y: station.y - 250 }, { x: 0, y: 1 }, 500, 500) },
        ),
      );
  }
  return out;
}

function floorUses(look: Look): Found[] {
  const { plan, len } = look;
  const out: Found[] = [];
  for (const use of Object.values(plan.floorUses)) {
    const prism = floorUsePrism(use);
    const foot = prismFootprint(prism);
    for (const unit of look.units) {
      const into = Math.max(
        0,
        ...look.solids
          .get(unit.id)!
          .filter((s) => sharedHeight(s, prism) > 2)
          .map((s) => convexOverlap(foot, prismFootprint(s))),
      );
      if (into > SLACK)
        out.push(
          found(
            'floorUse',
            [use.id, unit.id],
            `${unit.name} stands ${len(into)} where ${use.name} must be from ${monthWords(use.months)}.`,
            { unitIds: [unit.id], area: foot },
          ),
        );
    }
    for (const station of seatsHere(plan)) {
      const dx = station.x - prism.x;
      const dy = station.y - prism.y;
      const inside =
        Math.abs(dx * prism.rightX + dy * prism.rightY) < prism.halfWidth + 200 &&
        Math.abs(dx * prism.frontX + dy * prism.frontY) < prism.halfDepth + 200;
      const both = (plan.activities[station.activityId]?.months ?? []).filter((m) => use.months.includes(m));
      if (inside && both.length > 0)
        out.push(
          found(
            'floorUse',
            [use.id, station.id],
            `${station.name} is worked at in ${monthWords(both)}, when ${use.name} takes its floor.`,
            { area: foot },
          ),
        );
    }
  }
  return out;
}
