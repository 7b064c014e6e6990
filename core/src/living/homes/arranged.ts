import {
  groupedBy,
  type Home,
  type Plan,
  type Station,
  type Supply,
  type Use,
  usesOf,
} from '../../record/plan/index.ts';

/** What a maker has decided by arranging it, so that *find homes* leaves it as it is. */
export type Decision = {
  what: 'kit' | 'cart' | 'row' | 'label';
  /** by what it is told from others: ids */
  key: string;
  words: string;
};

const stationsByTraveller = groupedBy<Station>((s) => (s.housing === 'station' ? null : s.travellerId));

/** The stations that a unit travels to as their box or cart. */
export const travelsTo = (plan: Plan, unitId: string): readonly Station[] => stationsByTraveller(plan.stations, unitId);

const usedBy = (plan: Plan, supply: Supply, station: Station): boolean =>
  usesOf(plan, supply.id).some((u) => u.activityId === station.activityId && u.fetches > 0);

const usesByActivity = groupedBy<Use>((u) => (u.fetches > 0 ? u.activityId : null));
const usesAnything = (plan: Plan, station: Station): boolean =>
  usesByActivity(plan.uses, station.activityId).length > 0;

/**
 * Whose box or cart a place is, and that a thing has no business there: a kit’s box takes what its activity needs and nothing else, a cart what its
 * activities use. Null: it may live there.
 */
export function strangerTo(plan: Plan, supply: Supply, unitId: string): string | null {
  const stations = travelsTo(plan, unitId);
  // as long as nobody has said what is used there, nothing is a stranger
  if (stations.length === 0 || !stations.some((s) => usesAnything(plan, s))) return null;
  if (stations.some((s) => usedBy(plan, supply, s))) return null;
  return `${plan.units[unitId]!.name} is packed for ${stations.map((s) => s.name).join(' and ')}: ${supply.name} is not used there.`;
}

/** Whether a plan has any box or cart that is packed for somebody. */
export const hasTravellers = (plan: Plan): boolean => {
  let any = travelling.get(plan.stations);
  if (any === undefined)
    travelling.set(
      plan.stations,
      (any = Object.values(plan.stations).some((s) => s.housing !== 'station' && s.travellerId !== null)),
    );
  return any;
};
const travelling = new WeakMap<object, boolean>();

/** Of a thing’s reaches this share must be one activity’s for it to be that activity’s own (computation 18). */
const OWN = 0.7;

/** The box or cart that a thing belongs in: that of the activity whose own it is, where that travels. Null: none. */
export function ownTraveller(plan: Plan, supply: Supply): string | null {
  if (!hasTravellers(plan)) return null;
  const uses = usesOf(plan, supply.id);
  const often = (activityId: string) =>
    (plan.activities[activityId]?.sessionsPerMonth ?? 0) * (plan.activities[activityId]?.months.length ?? 0);
  const all = uses.reduce((sum, u) => sum + u.fetches * often(u.activityId), 0);
  for (const use of uses) {
    if (use.fetches * often(use.activityId) < OWN * all || use.fetches === 0) continue;
    for (const s of Object.values(plan.stations))
      if (s.activityId === use.activityId && s.housing !== 'station' && s.travellerId !== null) return s.travellerId;
  }
  return null;
}

/** What may stand out where it is used: a machine on the worktop of a station that works with it. */
export const standsOut = (plan: Plan, supply: Supply, unitId: string): boolean =>
  supply.form === 'machine' && Object.values(plan.stations).some((s) => s.unitId === unitId && usedBy(plan, supply, s));

const inRows = new WeakMap<object, Map<string, { id: string; name: string; slots: ReadonlySet<string> }>>();
function rowAt(plan: Plan, placeId: string) {
  let rows = inRows.get(plan.colourRows);
  if (!rows) {
    inRows.set(plan.colourRows, (rows = new Map()));
    for (const { id, name, placeIds, slots } of Object.values(plan.colourRows))
      for (const place of placeIds) rows.set(place, { id, name, slots: new Set(slots) });
  }
  return rows.get(placeId);
}

/** The decision that a home is part of: packed in a box or on a cart for who uses it, laid in a row, labelled for good. Null: it may be found a better one. */
export function decisionOf(plan: Plan, home: Home): Decision | null {
  const place = plan.places[home.placeId];
  const supply = plan.supplies[home.supplyId];
  if (!place || !supply || home.share !== 'working') return null;
  const [station] = travelsTo(plan, place.unitId).filter((s) => usedBy(plan, supply, s));
  if (station)
    return {
      what: station.housing === 'kit' ? 'kit' : 'cart',
      key: place.unitId,
      words: `${plan.units[place.unitId]!.name} is packed for ${station.name}`,
    };
  const row = rowAt(plan, place.id);
  if (row?.slots.has(supply.id)) return { what: 'row', key: row.id, words: `${row.name} lie in their order` };
  if (place.label === 'permanent' || place.label === 'inside')
    return { what: 'label', key: place.id, words: `${place.labelWords || place.name} is labelled for good` };
  return null;
}

/** All that a maker has arranged and *find homes* leaves: each decision with the things it is about. */
export function decisionsIn(plan: Plan): { decision: Decision; supplies: Supply[] }[] {
  const all = new Map<string, { decision: Decision; supplies: Supply[] }>();
  for (const home of Object.values(plan.homes)) {
    const decision = decisionOf(plan, home);
    if (!decision) continue;
    const one = all.get(decision.key) ?? { decision, supplies: [] };
    all.set(decision.key, one);
    one.supplies.push(plan.supplies[home.supplyId]!);
  }
  return [...all.values()].sort(
    (a, b) => b.supplies.length - a.supplies.length || (a.decision.key < b.decision.key ? -1 : 1),
  );
}
