import { foundAgainIn } from '../../living/homes/index.ts';
import { alikePlaces, homesIn, type Place, placeWithAllIn, type Plan } from '../../record/plan/index.ts';

export type RunStop = {
  place: Place;
  /** among so many that look the same it is looked for */
  among: number;
  /** seconds a year that a label there saves */
  saves: number;
};

/**
 * The label run: every shut place that says nothing and has something in it, with what a label there saves a year, most first. What is saved is the difference in
 * looking for things with it labelled and without, all else as it is. Empty for who goes by memory.
 */
export function labelRun(plan: Plan): { stops: RunStop[]; saves: number } {
  const alike = alikePlaces(plan);
  const used = [...alike].flatMap(([id, among]) => {
    const place = plan.places[id]!;
    const inside = placeWithAllIn(plan, place);
    return inside.some((p) => homesIn(plan, p.id).length > 0) ? [{ place, among }] : [];
  });
  if (used.length === 0) return { stops: [], saves: 0 };
  const now = costByPlace(
    plan,
    used.map((u) => u.place),
  );
  const then = costByPlace(
    labelledAt(
      plan,
      used.map((u) => u.place.id),
    ),
    used.map((u) => u.place),
  );
  const stops = used
    .map(({ place, among }) => ({ place, among, saves: Math.max(0, now.get(place.id)! - then.get(place.id)!) }))
    .sort((a, b) => b.saves - a.saves || (a.place.id < b.place.id ? -1 : 1));
  return { stops, saves: stops.reduce((sum, s) => sum + s.saves, 0) };
}

function labelledAt(plan: Plan, ids: readonly string[]): Plan {
  const places = { ...plan.places };
  for (const id of ids) places[id] = { ...places[id]!, label: 'trial' };
  return { ...plan, places };
}

/** What looking for what lives in each of some places, and in what stands in them, takes a year, s. */
function costByPlace(plan: Plan, places: readonly Place[]): Map<string, number> {
  const out = new Map(places.map((p) => [p.id, 0]));
  for (const { home, year, unlabelled } of foundAgainIn(plan).of.values())
    // a box in a drawer counts for the innermost of those that are to be labelled
    for (let p: Place | undefined = plan.places[home.placeId]; p; p = p.inId === null ? undefined : plan.places[p.inId])
      if (out.has(p.id)) {
        out.set(p.id, out.get(p.id)! + year + unlabelled);
        break;
      }
  return out;
}
