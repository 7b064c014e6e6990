import { footprintDistance } from '../../measures/geometry/index.ts';
import { childReaches } from '../homes/index.ts';
import {
  homesIn,
  type Plan,
  type Supply,
  type Trait,
  type Zone,
  compartmentsOf,
  zoneOf,
  zonesOf,
  seatsHere,
} from '../../record/plan/index.ts';
import { unitPrism } from '../../space/room/index.ts';
import { unitsOfZone } from './together.ts';

/** Zones nearer than this to each other are neighbours, mm (own assumption). */
export const BESIDE = 1000;
/** Beside a heater or hot tool nothing that burns: portable heaters 914 mm (NFPA and CPSC advice, from memory); the same for hot work. */

export type BadNeighbours = { zones: [Zone, Zone]; why: string; care: boolean };

type About = { zone: Zone; traits: Set<Trait>; supplies: Supply[]; child: boolean };

/** Zones beside each other that harm each other: wet by paper, dust by clean, hot by what burns, noise by quiet, hazards by a child’s place. */
export function badNeighbours(plan: Plan): BadNeighbours[] {
  const about = Object.values(plan.zones)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((zone): About => {
      const activities = Object.values(plan.activities).filter((a) => a.zoneId === zone.id && a.doneAt === 'here');
      const stations = seatsHere(plan).filter((s) => activities.some((a) => a.id === s.activityId));
      return {
        zone,
        traits: new Set(activities.flatMap((a) => a.traits)),
        supplies: suppliesIn(plan, zone.id),
        child: stations.some((s) => plan.people[s.personId]?.child) || stations.some((s) => withChild(plan, s.name)),
      };
    });
  return about.flatMap((a) =>
    about.flatMap((b) => {
      if (a.zone.id === b.zone.id) return [];
      const why = harms(plan, a, b);
      return why && apart(plan, a.zone.id, b.zone.id) < BESIDE
        ? [{ zones: [a.zone, b.zone] as [Zone, Zone], ...why }]
        : [];
    }),
  );
}

/** A child is said to be there by the name of the seat: “Felting with Pip”. */
const withChild = (plan: Plan, name: string) =>
  Object.values(plan.people).some((p) => p.child && name.toLowerCase().includes(p.name.toLowerCase()));

function suppliesIn(plan: Plan, zoneId: string): Supply[] {
  return Object.values(plan.supplies).filter((s) => zonesOf(plan, s).has(zoneId));
}

/** What the first zone does to the second. */
function harms(plan: Plan, from: About, to: About): { why: string; care: boolean } | null {
  const has = (t: Trait) => from.traits.has(t);
  const paper = to.supplies.some((s) => s.form === 'sheet' || s.sensitive.includes('damp'));
  if (has('wet') && paper) return { why: 'wet work beside what damp spoils', care: false };
  if (has('dusty') && (to.traits.has('clean') || to.supplies.some((s) => s.sensitive.includes('dust'))))
    return { why: 'dust beside clean work', care: false };
  if (
    (has('hot') || from.supplies.some((s) => s.hazards.includes('hot'))) &&
    to.supplies.some((s) => s.hazards.includes('flammable'))
  )
    return { why: 'hot work beside what burns', care: true };
  if (has('noisy') && to.traits.has('quiet')) return { why: 'noise beside quiet work', care: false };
  const [child] = childReaches(plan);
  const harmful = child && from.supplies.some((s) => s.hazards.some((h) => child.person.keepFrom.includes(h)));
  if (to.child && harmful && keepsInReach(plan, from.zone.id, child.top, child.person.keepFrom))
    return {
      why: `what ${child.person.name} must not get at is kept beside where ${child.person.name} works`,
      care: true,
    };
  return null;
}

/** Whether anything that harms a child lies in a zone as low as it reaches, and is not locked. */
function keepsInReach(plan: Plan, zoneId: string, top: number, keepFrom: readonly string[]): boolean {
  return unitsOfZone(plan, zoneId).some((unit) =>
    compartmentsOf(plan, unit.id).some(
      (p) =>
        zoneOf(plan, p) === zoneId &&
        !p.lockable &&
        unit.bottom + p.bottom < top &&
        homesIn(plan, p.id).some((h) => plan.supplies[h.supplyId]?.hazards.some((x) => keepFrom.includes(x))),
    ),
  );
}

/** How far the units of two zones stand from each other, corner to footprint, mm; Infinity where one has none. */
function apart(plan: Plan, a: string, b: string): number {
  let least = Infinity;
  const others = unitsOfZone(plan, b).filter((u) => u.mount !== 'away');
  for (const unit of unitsOfZone(plan, a)) {
    if (unit.mount === 'away') continue;
    const body = unitPrism(unit);
    for (const other of others) {
      if (other.id === unit.id) return 0;
      const reach = Math.max(other.width, other.depth) / 2;
      least = Math.min(least, Math.max(0, footprintDistance(body, other.x, other.y) - reach));
    }
  }
  return least;
}
