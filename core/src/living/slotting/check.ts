import { inPeriod, periodsOf, type SlottingProblem } from './problem.ts';

type Homes = readonly { lot: string; place: string }[];

/** The total of an assignment, straight from its definition; shares no code with the engine. */
export function slottingTotal(problem: SlottingProblem, homes: Homes): number {
  const placeOf = new Map(homes.map((h) => [h.lot, h.place]));
  const rowOf = (place: string) => problem.rows?.findIndex((row) => row.includes(place)) ?? -1;
  let total = 0;
  for (const lot of problem.lots) {
    const place = placeOf.get(lot.id);
    const option = lot.options.find((o) => o.place === place);
    total += option ? option.cost : lot.leave;
  }
  for (const family of problem.families) {
    const places = new Set(family.lots.map((id) => placeOf.get(id)).filter((p) => p !== undefined));
    const rows = new Set([...places].map(rowOf).filter((row) => row >= 0));
    const alone = [...places].filter((place) => rowOf(place) < 0);
    total += family.spread * Math.max(0, rows.size + alone.length - 1);
  }
  for (const charge of problem.charges)
    if (charge.lots.some((id) => charge.places.includes(placeOf.get(id) ?? ''))) total += charge.cost;
  if (problem.mixing)
    for (const { id } of problem.places) {
      const here = problem.lots.flatMap((lot) => (placeOf.get(lot.id) === id ? [lot.id] : []));
      const cost = problem.mixing.at?.[id] ?? problem.mixing.cost;
      total += cost * Math.max(0, leastNames(here, problem.mixing.concepts) - 1);
    }
  for (const { id, sag } of problem.places) {
    const carried = problem.lots.reduce((sum, lot) => sum + (placeOf.get(lot.id) === id ? lot.weight : 0), 0);
    if (sag && carried > sag.from + 1e-6) total += sag.cost;
  }
  return total;
}

/** The least number of names by trying all sets of concepts, smallest first. */
function leastNames(lots: readonly string[], concepts: readonly { id: string; lots: readonly string[] }[]): number {
  const alone = lots.filter((lot) => !concepts.some((c) => c.lots.includes(lot)));
  const rest = lots.filter((lot) => !alone.includes(lot));
  const useful = concepts.filter((c) => c.lots.some((lot) => rest.includes(lot)));
  const covers = (left: readonly string[], from: number, names: number): boolean => {
    if (left.length === 0) return true;
    if (names === 0) return false;
    for (let i = from; i < useful.length; i++) {
      const still = left.filter((lot) => !useful[i]!.lots.includes(lot));
      if (still.length < left.length && covers(still, i + 1, names - 1)) return true;
    }
    return false;
  };
  let names = 0;
  while (!covers(rest, 0, names)) names++;
  return names + alone.length;
}

/** Everything that is wrong with an assignment: unknown pairs, a lot homed twice, a place over its capacity or load, things together that must be apart. */
export function checkAnswer(problem: SlottingProblem, homes: Homes): string[] {
  const wrong: string[] = [];
  const lots = new Map(problem.lots.map((l) => [l.id, l]));
  const used = new Map<string, number[]>();
  const periods = periodsOf(problem);
  const loaded = new Map<string, number>();
  const seen = new Set<string>();
  for (const { lot, place } of homes) {
    if (seen.has(lot)) wrong.push(`${lot} has two homes`);
    seen.add(lot);
    const option = lots.get(lot)?.options.find((o) => o.place === place);
    if (!option) {
      wrong.push(`${lot} may not go to ${place}`);
      continue;
    }
    const now = used.get(place) ?? new Array<number>(periods).fill(0);
    used.set(
      place,
      now.map((sum, t) => sum + inPeriod(option.use, t)),
    );
    loaded.set(place, (loaded.get(place) ?? 0) + lots.get(lot)!.weight);
  }
  for (const { lots: some, from, places } of problem.apart ?? [])
    for (const a of homes)
      for (const b of homes)
        if (
          a.place === b.place &&
          some.includes(a.lot) &&
          from.includes(b.lot) &&
          (places ?? [a.place]).includes(a.place)
        )
          wrong.push(`${a.lot} and ${b.lot} must be apart and are both in ${a.place}`);
  for (const p of problem.places) {
    if ((used.get(p.id) ?? []).some((sum, t) => sum > inPeriod(p.capacity, t) + 1e-6))
      wrong.push(`${p.id} is over-full`);
    if ((loaded.get(p.id) ?? 0) > p.load + 1e-6) wrong.push(`${p.id} is overloaded`);
  }
  return wrong;
}
