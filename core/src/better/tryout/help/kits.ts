import { factsOf } from '../../../record/catalogue/index.ts';
import { goesIn } from '../../../things/fit/index.ts';
import { sessionsAt } from '../../../living/sessions/index.ts';
import {
  apply,
  asOne,
  blankUnit,
  type Command,
  homesIn,
  newId,
  type Place,
  placeTitle,
  type Plan,
  type Station,
  type Unit,
} from '../../../record/plan/index.ts';
import { freeSpotFor } from '../../../space/room/index.ts';
import { packCommand } from '../../stations/index.ts';
import { type Change, MINUTES } from './change.ts';

/** Where a box is kept and taken out again whole. */
const KEEPS: ReadonlySet<Place['kind']> = new Set(['shelf', 'cubby', 'tier', 'drawer']);

/**
 * A kit for each activity that is worked at a fixed station, the most worked first: a box with what it fetches most, as much as goes in, carried to the seat for
 * each session and kept in the nearest place that takes it. A box that nothing is packed in yet is used before one is bought.
 * @param since ISO date of the homes in it
 */
export function kits(plan: Plan, since: string): Change[] {
  const travel = new Set(Object.values(plan.stations).flatMap((s) => s.travellerId ?? []));
  const idle = Object.values(plan.units).find((u) => {
    const empty = Object.values(plan.places).every((p) => p.unitId !== u.id || homesIn(plan, p.id).length === 0);
    return u.kind === 'carryBox' && !u.pinned && !travel.has(u.id) && empty;
  });
  return Object.values(plan.stations)
    .filter((s) => s.housing === 'station' && s.travellerId === null && sessionsAt(plan, s) > 0)
    .sort((a, b) => sessionsAt(plan, b) - sessionsAt(plan, a) || (a.id < b.id ? -1 : 1))
    .flatMap((station) => kitFor(plan, station, idle ?? null, since) ?? []);
}

function kitFor(plan: Plan, station: Station, idle: Unit | null, since: string): Change | null {
  const activity = plan.activities[station.activityId]?.name ?? station.name;
  const box = idle ?? newBox(plan, `${activity} box`);
  const kept = keptFor(plan, station, box);
  const commands: Command[] = [
    ...(idle ? [] : [{ type: 'placeUnit' as const, unit: box }]),
    ...(kept ? [{ type: 'setUnit' as const, id: box.id, set: { keptInId: kept.id, hostId: kept.unitId } }] : []),
    { type: 'setStation', id: station.id, set: { housing: 'kit', travellerId: box.id, parkingId: null } },
  ];
  const there = apply(plan, asOne(`a kit for ${activity}`, commands));
  if (!there.ok) return null;
  const pack = packCommand(there.plan, there.plan.stations[station.id]!, since, (before, command) => {
    const done = apply(before, command);
    return done.ok ? done.plan : null;
  });
  // two things are no kit
  if (!pack || pack.packed.length < FEW) return null;
  return {
    ...{
      id: `kit ${station.id}`,
      kind: 'kit',
      subject: idle?.id ?? station.id,
      besides: 0,
      unitIds: [kept?.unitId ?? box.id],
    },
    words: `A kit for ${activity}: ${idle ? box.name : 'a carry box'} with ${pack.packed.length} things${kept ? `, kept in ${placeTitle(plan, kept)}` : ''}`,
    effort: idle ? 'free' : 'buy',
    minutes: MINUTES.kit,
    price: idle ? 0 : (plan.prices['carryBox']?.price ?? null),
    ...(idle ? {} : { priceId: 'carryBox' }),
    command: asOne(`a kit for ${activity}`, [...commands, pack.command]),
  };
}

/** A carry box where there is room for it. */
function newBox(plan: Plan, name: string): Unit {
  const fresh = { ...blankUnit(newId('unit'), 'carryBox', plan.head.measure), name };
  const { x, y, facing, bottom, hostId } = freeSpotFor(plan, fresh);
  return { ...fresh, x, y, facing, bottom, hostId };
}

/** Fewer things than this are carried without a box (own assumption). */
const FEW = 3;

/** The nearest place to a seat that takes a box as it stands, beside the boxes that are kept there; null: none does. */
function keptFor(plan: Plan, station: Station, box: Unit): Place | null {
  const kept = new Set(Object.values(plan.units).flatMap((u) => (u.id === box.id ? [] : (u.keptInId ?? []))));
  const far = ({ unitId }: Place) => Math.hypot(plan.units[unitId]!.x - station.x, plan.units[unitId]!.y - station.y);
  const fits = Object.values(plan.places).filter((p) => {
    const unit = plan.units[p.unitId];
    if (!unit || unit.mount === 'away' || unit.kind === 'carryBox' || factsOf(unit.kind).mobile) return false;
    // what is kept in the bench one sits at need not be carried there
    if (station.unitId !== null && [unit.id, unit.hostId].includes(station.unitId)) return false;
    return KEEPS.has(p.kind) && p.inId === null && p.keptOut === '' && !kept.has(p.id) && goesIn(p, box).ok;
  });
  return (
    fits.sort(
      (a, b) => far(a) - far(b) || homesIn(plan, a.id).length - homesIn(plan, b.id).length || (a.id < b.id ? -1 : 1),
    )[0] ?? null
  );
}
