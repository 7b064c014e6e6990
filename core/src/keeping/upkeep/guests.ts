import {
  type Hazard,
  homesNow,
  type Person,
  type Place,
  type Plan,
  type Supply,
  usesOf,
} from '../../record/plan/index.ts';

export type ForGuest = {
  /** what they may take, by the place it is in */
  take: { place: Place | null; supplies: Supply[] }[];
  /** what they ask for first, with the hazards that are the reason */
  ask: { supply: Supply; hazards: Hazard[] }[];
};

/**
 * Where a child’s (or guest’s) things are: what the activities of their seats use. What carries a hazard they are kept from is asked for first.
 * @param month 1 to 12
 */
export function thingsFor(plan: Plan, person: Person, month: number): ForGuest {
  const activities = new Set(
    Object.values(plan.stations).flatMap((s) =>
      s.personId === person.id || (person.child && s.name.includes(person.name)) ? [s.activityId] : [],
    ),
  );
  const take = new Map<string, { place: Place | null; supplies: Supply[] }>();
  const ask: ForGuest['ask'] = [];
  for (const supply of Object.values(plan.supplies)) {
    if (!usesOf(plan, supply.id).some((u) => activities.has(u.activityId))) continue;
    const hazards = supply.hazards.filter((h) => person.keepFrom.includes(h));
    if (hazards.length > 0) {
      ask.push({ supply, hazards });
      continue;
    }
    // in every place it lives in: the nearest to her may be the second
    const places = new Set(homesNow(plan, supply, month).map((home) => plan.places[home.placeId] ?? null));
    for (const place of places.size > 0 ? places : [null]) {
      const known = take.get(place?.id ?? '') ?? { place, supplies: [] };
      known.supplies.push(supply);
      take.set(place?.id ?? '', known);
    }
  }
  return { take: [...take.values()], ask };
}
