import { bodyOf } from '../../space/body/index.ts';
import { type Plan, type Station } from '../../record/plan/index.ts';
import { highestGrip, makerOf, sceneAt, seePlace, seeUnit, type Seen } from '../../space/reach/index.ts';
import { box, filled, type Mark, named, path, type Sheet, text } from './sheet.ts';
import { waysToSay } from './unit.ts';

/** Millimetres of the drawing a degree of bearing takes (own choice: a room reads about as wide as it is). */
const DEGREE = 14;
const SLAB = 45;
/** Colours of a unit and of its places (own choice). */
const WOOD = '#e6dfce';
const PAPER = '#fffdf6';

const BEARINGS: [number, string][] = [
  [-90, 'left'],
  [0, 'ahead'],
  [90, 'right'],
];

/** The room as it is seen from a seat, unrolled: bearing from left to right, height from the floor up; each place with its name. */
export function drawRound(plan: Plan, station: Station): Sheet {
  const maker = makerOf(plan, station);
  const title = `${plan.head.name}: as seen from ${station.name}`;
  if (!maker) return { title, marks: [] };
  const scene = sceneAt(plan, station);
  const facing = station.heading;
  const top = plan.head.ceiling;
  const marks: Mark[] = [];
  const boxes = (seen: Seen) =>
    seen.stretches.map(({ from, to }) => ({
      ...{ left: (from + 180) * DEGREE, bottom: Math.max(0, seen.low) },
      ...{ width: (to - from) * DEGREE, height: Math.max(10, Math.min(top, seen.high) - Math.max(0, seen.low)) },
    }));
  const units = Object.values(plan.units)
    .filter((u) => u.mount !== 'away' && u.keptInId === null)
    .map((unit) => ({ unit, seen: seeUnit(maker, facing, unit) }))
    .sort((a, b) => b.seen.away - a.seen.away);
  for (const { unit, seen } of units) {
    for (const b of boxes(seen)) marks.push(filled('units', b.left, b.bottom, b.width, b.height, WOOD));
    for (const spot of scene.spots.values()) {
      if (spot.unit.id !== unit.id) continue;
      const place = seePlace(maker, facing, spot.place.kind === 'top' ? { ...spot, high: spot.low + SLAB } : spot);
      for (const b of boxes(place)) {
        marks.push(filled('places', b.left, b.bottom, b.width, b.height, PAPER));
        if (place.front) marks.push(...named(b, waysToSay(plan, spot.place.id), 55));
      }
    }
  }
  const width = 360 * DEGREE;
  const lines: [number, string][] = [
    [0, 'floor'],
    [highestGrip(bodyOf(maker.person, null), 0), 'highest grip'],
  ];
  for (const [height, words] of lines)
    marks.push(
      path(
        'lengths',
        [
          { x: 0, y: height },
          { x: width, y: height },
        ],
        false,
        height > 0,
      ),
      text('lengths', { x: width - 240, y: height + 45 }, words, 45),
    );
  for (const [bearing, words] of BEARINGS)
    marks.push(text('lengths', { x: (bearing + 180) * DEGREE, y: -70 }, words, 55));
  marks.push(box('walls', 0, 0, width, top));
  return { title, marks };
}
