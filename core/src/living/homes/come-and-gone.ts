import { type Plan, type Supply } from '../../record/plan/index.ts';

/** What comes to live in a place and what leaves it between two states of a room’s homes; what stays. Each supply once, by name. */
export type ComeAndGone = { came: Supply[]; went: Supply[]; stayed: Supply[] };

/** Every place in which something lives in one of two states, with what changed there. */
export function comeAndGone(before: Plan, after: Plan): Map<string, ComeAndGone> {
  const inside = (plan: Plan) => {
    const places = new Map<string, Set<string>>();
    for (const { placeId, supplyId } of Object.values(plan.homes))
      places.set(placeId, (places.get(placeId) ?? new Set<string>()).add(supplyId));
    return places;
  };
  const [was, is] = [inside(before), inside(after)];
  const named = (ids: Iterable<string>): Supply[] =>
    [...ids]
      .flatMap((id) => after.supplies[id] ?? before.supplies[id] ?? [])
      .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1));
  const none: ReadonlySet<string> = new Set();
  return new Map(
    [...new Set([...was.keys(), ...is.keys()])].map((place) => {
      const [old, now] = [was.get(place) ?? none, is.get(place) ?? none];
      return [
        place,
        {
          came: named([...now].filter((id) => !old.has(id))),
          went: named([...old].filter((id) => !now.has(id))),
          stayed: named([...now].filter((id) => old.has(id))),
        },
      ];
    }),
  );
}
