import { standsIn, type SunGrid } from '../../arrange/index.ts';
import { factsOf } from '../../../record/catalogue/index.ts';
import { fitOf, holderOf } from '../../../things/fit/index.ts';
import { footprintDistance } from '../../../measures/geometry/index.ts';
import { shareStates, yearlyUses } from '../../../living/homes/index.ts';
import { formatLength } from '../../../measures/lengths/index.ts';
import { asOne, homesIn, type Plan, type Station, type Unit } from '../../../record/plan/index.ts';
import { unitPrism } from '../../../space/room/index.ts';
import { type Random } from '../../../living/slotting/index.ts';
import { type Change, MINUTES } from './change.ts';

/** So many other stands of one unit are tried. */
const STANDS = 2;

/** Each unit moved or turned to where it would roughly stand best, those that promise most first. */
export function moves(plan: Plan, sun: SunGrid, random: Random): Change[] {
  const out: (Change & { promise: number })[] = [];
  const { now, of } = standsIn(plan, sun, random);
  for (const unit of Object.values(plan.units)) {
    if (unit.pinned || unit.hostId !== null || unit.keptInId !== null || unit.kind === 'chair') continue;
    for (const [i, { pose, seconds, command }] of of(unit.id).slice(0, STANDS).entries()) {
      const by = Math.hypot(pose.x - unit.x, pose.y - unit.y);
      const turned = Math.abs(((pose.facing - unit.facing + 540) % 360) - 180) > 10;
      const far = `by ${formatLength(by, plan.head.measure)}${besideWords(plan, unit, pose)}`;
      const words = !turned
        ? `Move ${unit.name} ${far}`
        : by < 50
          ? `Turn ${unit.name} where it stands`
          : `Turn ${unit.name} and move it ${far}`;
      out.push({
        id: `move ${unit.id} ${i}`,
        kind: 'move',
        subject: unit.id,
        words,
        effort: 'free',
        minutes: by < 50 ? MINUTES.turn : MINUTES.move,
        price: null,
        command,
        unitIds: [unit.id],
        besides: 0,
        promise: now - seconds,
      });
    }
  }
  return out.sort((a, b) => b.promise - a.promise || (a.id < b.id ? -1 : 1));
}

/** “, beside the Wet bench”. */
function besideWords(plan: Plan, unit: Unit, pose: { x: number; y: number }): string {
  let near: { name: string; far: number } | null = null;
  for (const other of Object.values(plan.units)) {
    if (other.id === unit.id || other.hostId !== null || other.mount === 'away' || other.mount === 'door') continue;
    const far = footprintDistance(unitPrism(other), pose.x, pose.y) - unit.width / 2;
    if (!near || far < near.far) near = { name: other.name, far };
  }
  return near && near.far < 600 ? `, beside ${near.name}` : '';
}

const seatChange = (plan: Plan, station: Station, words: string, set: Partial<Station>): Change => ({
  ...{
    id: `seat ${station.id} ${words}`,
    kind: 'seat',
    subject: station.id,
    words,
    effort: 'free',
    minutes: MINUTES.seat,
    price: null,
  },
  command: { type: 'setStation', id: station.id, set },
  unitIds: station.unitId !== null && plan.units[station.unitId] ? [station.unitId] : [],
  besides: 0,
});
/** A seat is tried so far along its table, mm. */
const ALONG = 300;

/** Each seat sat or stood at where its work allows either, moved along its table, turned round. */
export function seats(plan: Plan): Change[] {
  return Object.values(plan.stations).flatMap((station) => {
    const person = plan.people[station.personId];
    const activity = plan.activities[station.activityId];
    if (!person || !activity) return [];
    const out: Change[] = [];
    if (activity.posture === 'either' && person.mobility !== 'wheelchair')
      out.push(
        seatChange(plan, station, `${station.name}: work ${station.standing ? 'sitting' : 'standing'}`, {
          standing: !station.standing,
        }),
      );
    const rad = (station.heading * Math.PI) / 180;
    for (const [way, by] of [
      ['left', -ALONG],
      ['right', ALONG],
    ] as const)
      out.push(
        seatChange(plan, station, `${station.name}: sit ${formatLength(ALONG, plan.head.measure)} further ${way}`, {
          x: Math.round(station.x + Math.cos(rad) * by),
          y: Math.round(station.y - Math.sin(rad) * by),
        }),
      );
    return out;
  });
}

/** Lids taken off what is opened from, one kind of container at a time. */
export function lids(plan: Plan): Change[] {
  return Object.values(plan.organisers).flatMap((organiser): Change[] => {
    const standing = Object.values(plan.places).filter((p) => p.organiserId === organiser.id);
    const used = standing.filter((p) => homesIn(plan, p.id).length > 0).length;
    if (!organiser.lid || used === 0) return [];
    return [
      {
        ...{ id: `lid ${organiser.id}`, kind: 'lid', subject: organiser.id, effort: 'free', price: null, besides: 0 },
        words: `Take the ${standing.length > 1 ? 'lids' : 'lid'} off ${organiser.name}`,
        minutes: MINUTES.lid * standing.length,
        command: { type: 'setOrganiser', id: organiser.id, set: { lid: false, lidRise: 0 } },
        unitIds: [...new Set(standing.map((p) => p.unitId))],
      },
    ];
  });
}

/** What is on wheels and nobody’s cart yet, rolled up to a seat that uses what lies in it. */
export function carts(plan: Plan): Change[] {
  const taken = new Set(Object.values(plan.stations).flatMap((s) => s.travellerId ?? []));
  return Object.values(plan.units).flatMap((unit) => {
    if (!factsOf(unit.kind).mobile || factsOf(unit.kind).places === null || unit.mount !== 'floor') return [];
    if (unit.pinned || taken.has(unit.id)) return [];
    return Object.values(plan.stations)
      .filter((s) => s.housing === 'station' && s.travellerId === null && s.unitId !== unit.id)
      .map((station): Change => ({
        ...{
          id: `cart ${unit.id} ${station.id}`,
          kind: 'cart',
          subject: station.id,
          effort: 'free',
          minutes: MINUTES.cart,
        },
        ...{ price: null, besides: 0, unitIds: [unit.id] },
        words: `Roll ${unit.name} up to ${station.name} for each session`,
        command: {
          type: 'setStation',
          id: station.id,
          set: { housing: 'cart', travellerId: unit.id, parkingId: null },
        },
      }));
  });
}

/** A family that is fetched less often than this, a year, may live outside the room (own assumption: twice a month). */
const SELDOM = 24;

/** Families that are seldom fetched, moved out of the room to where there is room for them: what they leave is for what is fetched more. */
export function movedOut(plan: Plan, since: string): Change[] {
  const away = Object.values(plan.places).filter((p) => plan.units[p.unitId]?.mount === 'away' && p.keptOut === '');
  if (away.length === 0) return [];
  const families = new Map<string, string[]>();
  for (const s of Object.values(plan.supplies))
    if (s.family !== '') families.set(s.family, [...(families.get(s.family) ?? []), s.id]);
  return [...families].flatMap(([family, ids]): Change[] => {
    const supplies = ids.map((id) => plan.supplies[id]!).filter((s) => s.working > 0);
    const fetches = supplies.reduce(
      (sum, s) => sum + yearlyUses(plan, s, 'working').reduce((n, u) => n + u.fetches, 0),
      0,
    );
    const inRoom = supplies.filter((s) =>
      shareStates(plan, s, 'working').some(
        (h) => h.place && plan.units[h.place.unitId]?.mount !== 'away' && !h.home?.pinned,
      ),
    );
    if (inRoom.length === 0 || fetches > SELDOM * supplies.length) return [];
    const homes = inRoom.flatMap((s) => {
      const place = away.find((p) => fitOf(holderOf(p), s, s.working).ok);
      return place ? [{ supplyId: s.id, share: 'working' as const, placeId: place.id }] : [];
    });
    if (homes.length < inRoom.length) return [];
    const commands = [
      { type: 'settle' as const, since, homes },
      ...homes.map((h) => ({ type: 'pinHome' as const, supplyId: h.supplyId, share: h.share, pinned: true })),
    ];
    const unitIds = [...new Set(homes.map((h) => plan.places[h.placeId]!.unitId))];
    return [
      {
        ...{
          id: `away ${family}`,
          subject: family,
          kind: 'away',
          effort: 'free',
          minutes: MINUTES.away,
          price: null,
          besides: 0,
          unitIds,
        },
        words: `Keep ${family} outside the room (${plan.units[unitIds[0]!]!.name})`,
        command: asOne(`move ${family} out`, commands),
      },
    ];
  });
}
