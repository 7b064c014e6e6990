import { distanceToSegment } from '../../measures/geometry/index.ts';
import { type Moved } from '../../living/homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { seatMoves } from '../../space/room/index.ts';
import { type Random } from '../../living/slotting/index.ts';
import { type Furnishing } from './furnishing.ts';
import { type Pose } from './pieces.ts';
import { slideGuest, slideSeat } from './slides.ts';
import { movedBetween, wouldBe } from './stand-as.ts';

/** Of changes drawn: a seat slid along its worktop; what stands on or under a worktop; the rest are pieces of furniture. */
const SEATS = 0.3;
const GUESTS = 0.15;
/** How far a slide goes, mm: small ones and large ones by turns. */
const NEAR = 150;
const FAR = 900;
/** Of furniture moved so many are only shifted a little. */
const SHIFTED = 0.6;
const LITTLE = 0.05;
/** While there are findings, so many changes are of what they are about. */
const MENDING = 0.4;
/** Changes drawn for each that is priced, at most: most of those drawn break a rule. */
const DRAWN = 12;
/** Beside a straight way, so far off, bodies and elbows are still hindered, mm (own assumption). */
const ASIDE = 500;
/** A millimetre of rounding breaks no rule. */
const SLACK = 0.5;

/** A plan with something moved in it. */
export type Change = {
  plan: Plan;
  moved: Moved;
  /** it may come to stand in the way of arms and feet that go elsewhere */
  bulky: boolean;
  /** it breaks rules less than before */
  mends: boolean;
};

/**
 * A change drawn at random that breaks no more rules than there are broken; null when none was drawn.
 * @param heat 1: large ones, 0: small ones
 * @param blamed units that findings are about
 */
export function drawChange(
  plan: Plan,
  furnishing: Furnishing,
  random: Random,
  heat: number,
  blamed: ReadonlySet<string>,
): Change | null {
  const guilty = furnishing.movable.filter((i) => furnishing.pieces[i]!.members.some((m) => blamed.has(m.id)));
  const slide = () => (random.next() - 0.5) * 2 * (random.next() < 0.5 ? NEAR : FAR * heat + NEAR);
  for (let k = 0; k < DRAWN; k++) {
    const draw = random.next();
    let change: Change | null = null;
    if (guilty.length > 0 && random.next() < MENDING) {
      change = moving(plan, furnishing, furnishing.draw(random.next() < SHIFTED ? LITTLE : heat, guilty));
    } else if (draw < SEATS) {
      const all = Object.values(plan.stations);
      const station = all.length > 0 ? all[random.below(all.length)]! : null;
      const commands = station && slideSeat(plan, station, slide());
      if (commands) change = changed(plan, commands, [], [station.id]);
    } else if (draw < SEATS + GUESTS) {
      const guests = Object.values(plan.units).filter(
        (u) => u.hostId !== null && (u.mount === 'on' || u.mount === 'under') && u.keptInId === null && !u.pinned,
      );
      const guest = guests.length > 0 ? guests[random.below(guests.length)]! : null;
      const commands = guest && slideGuest(plan, guest, slide());
      if (commands) change = changed(plan, commands, [guest.id], []);
    } else if (furnishing.movable.length > 0)
      change = moving(plan, furnishing, furnishing.draw(random.next() < SHIFTED ? LITTLE : heat));
    if (change) return change;
  }
  return null;
}

/** Changes that put back, one at a time, what stands otherwise than it did, the least moved first. */
export function changesBack(before: Plan, plan: Plan): ((now: Plan, furnishing: Furnishing) => Change | null)[] {
  return movedBetween(before, plan)
    .sort((a, b) => a.by - b.by)
    .map(({ unitId, stationId }) => (now, furnishing) => {
      if (unitId !== null) {
        const i = furnishing.pieces.findIndex((p) => p.unit.id === unitId);
        const { x, y, facing } = before.units[unitId]!;
        if (i >= 0) return moving(now, furnishing, [[i, { x, y, facing }]]);
        const at = wouldBe(before, now, before.units[unitId]!, before.units[unitId]!.hostId);
        return changed(now, [{ type: 'setUnit', id: unitId, set: { x: at.x, y: at.y } }], [unitId], []);
      }
      const station = before.stations[stationId!]!;
      const at = wouldBe(before, now, station, station.unitId);
      return changed(now, seatMoves(now, now.stations[stationId!]!, { x: at.x, y: at.y }), [], [station.id]);
    });
}

/** Pieces of furniture elsewhere, all on them and the seats at them too; null where that breaks more rules. */
function moving(plan: Plan, furnishing: Furnishing, change: readonly [piece: number, pose: Pose][]): Change | null {
  const now = furnishing.broken();
  const then = furnishing.brokenWith(change, now + SLACK);
  if (then > now + SLACK) return null;
  const poses = [...furnishing.poses];
  for (const [i, pose] of change) poses[i] = pose;
  const command = furnishing.command(poses);
  const pieces = change.map(([i]) => furnishing.pieces[i]!);
  return (
    command &&
    changed(
      plan,
      [command],
      pieces.flatMap((p) => p.members.map((m) => m.id)),
      pieces.flatMap((p) => p.seats.map((s) => s.station.id)),
      then < now - SLACK,
    )
  );
}

function changed(
  plan: Plan,
  commands: readonly Command[],
  unitIds: string[],
  stationIds: string[],
  mends = false,
): Change | null {
  const done = apply(plan, asOne('arrange the room', commands));
  if (!done.ok) return null;
  const units = new Set(unitIds);
  const moved: Moved = {
    units,
    stations: new Set(stationIds),
    between: (stationId, placeId) => isBetween(plan, done.plan, units, stationId, placeId),
  };
  return { plan: done.plan, moved, bulky: unitIds.length > 0, mends };
}

/** Whether something that was moved stands, or stood, near the straight line from a seat to a place. */
function isBetween(before: Plan, after: Plan, units: ReadonlySet<string>, stationId: string, placeId: string): boolean {
  const seat = after.stations[stationId]!;
  const grip = sceneOf(after).spots.get(placeId)?.grip;
  if (!grip) return false;
  return [...units].some((id) =>
    [before.units[id]!, after.units[id]!].some(
      (u) => distanceToSegment(u, seat, grip) < Math.hypot(u.width, u.depth) / 2 + ASIDE,
    ),
  );
}
