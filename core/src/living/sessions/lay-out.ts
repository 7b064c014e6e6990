import { type Area, layOnFloor } from '../../things/fit/index.ts';
import { type Plan, type Station, type Supply } from '../../record/plan/index.ts';
import { type InUse, inUseIn, LIE_IN_PILE, liesOut } from './in-use.ts';
import { WORK } from './table.ts';
import { leftToWorkOn } from './worktop.ts';

/** What lies out on a table while somebody works at it, and what goes back each time, and why. */
export type TableLaid = {
  /** the free part of the worktop, mm, the maker at its front; and what the work lies on */
  width: number;
  depth: number;
  work: Area;
  laid: (Area & { things: Supply[] })[];
  /** lies out and found no room in this drawing (on the cart, or over the edge of the work) */
  beside: Supply[];
  back: { supply: Supply; why: NonNullable<InUse['back']> }[];
};

/** How the table of a station lies while it is worked at; null where it has none. */
export function tableLaid(plan: Plan, station: Station): TableLaid | null {
  const table = station.unitId === null ? undefined : plan.units[station.unitId];
  const activity = plan.activities[station.activityId];
  const uses = inUseIn(plan).get(station.id);
  if (!table || !activity || !uses) return null;
  const { width, depth } = leftToWorkOn(plan, table);
  const wide = Math.min(width, activity.surfaceWidth || WORK.width);
  const deep = Math.min(depth, activity.surfaceDepth || WORK.depth);
  const work = { x: (width - wide) / 2, y: 0, width: wide, depth: deep };
  const out: { supply: Supply; area: number }[] = [];
  const back: TableLaid['back'] = [];
  for (const one of uses.values()) {
    const supply = plan.supplies[one.supplyId]!;
    if (liesOut(one)) {
      if (one.back === null) out.push({ supply, area: one.area });
    } else back.push({ supply, why: one.back! });
  }
  const pile = out.filter(({ supply }) => LIE_IN_PILE.includes(supply.form)).sort((a, b) => b.area - a.area);
  const single = out.filter(({ supply }) => !LIE_IN_PILE.includes(supply.form));
  const rect = (things: Supply[], area: number) => {
    const [of] = things as [Supply, ...Supply[]];
    const side = Math.sqrt(area);
    return { width: of.width ?? side, depth: of.width === null ? side : area / of.width, of: things };
  };
  const wanted = [
    ...(pile.length > 0
      ? [
          rect(
            pile.map((p) => p.supply),
            pile[0]!.area,
          ),
        ]
      : []),
    ...single.map(({ supply, area }) => rect([supply], area)),
  ];
  const { laid, over } = layOnFloor(width, depth, [work], wanted);
  return {
    ...{ width, depth, work, back },
    laid: laid.map(({ x, y, width, depth, of }) => ({ x, y, width, depth, things: of })),
    beside: over.flatMap((o) => o.of),
  };
}
