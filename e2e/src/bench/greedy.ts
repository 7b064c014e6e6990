import { inPeriod, type SlottingProblem, slottingTotal } from '@heronstone/core/slotting';

type Home = { lot: string; place: string };

/**
 * The plain way to compare with: lots by how much they are used, each to its cheapest place with room, then swaps of two
 * while any helps. Families count in the total but are not looked for.
 */
export function greedyPlusSwaps(problem: SlottingProblem): { homes: Home[]; total: number } {
  const used = new Map(problem.places.map((p) => [p.id, 0]));
  const loaded = new Map(problem.places.map((p) => [p.id, 0]));
  const place = new Map(problem.places.map((p) => [p.id, p]));
  const at = new Map<string, SlottingProblem['lots'][number]['options'][number]>();
  const put = (
    lot: SlottingProblem['lots'][number],
    o: SlottingProblem['lots'][number]['options'][number],
    by: 1 | -1,
  ) => {
    used.set(o.place, used.get(o.place)! + by * inPeriod(o.use, 0));
    loaded.set(o.place, loaded.get(o.place)! + by * lot.weight);
    if (by === 1) at.set(lot.id, o);
    else at.delete(lot.id);
  };
  const fits = (lot: SlottingProblem['lots'][number], o: SlottingProblem['lots'][number]['options'][number]) =>
    used.get(o.place)! + inPeriod(o.use, 0) <= inPeriod(place.get(o.place)!.capacity, 0) + 1e-9 &&
    loaded.get(o.place)! + lot.weight <= place.get(o.place)!.load + 1e-9;
  for (const lot of [...problem.lots].sort((a, b) => b.leave - a.leave)) {
    const option = [...lot.options].sort((a, b) => a.cost - b.cost).find((o) => fits(lot, o));
    if (option && option.cost < lot.leave) put(lot, option, 1);
  }
  for (let improved = true; improved;) {
    improved = false;
    for (const a of problem.lots) {
      for (const b of problem.lots) {
        const from = at.get(a.id);
        const to = at.get(b.id);
        if (!from || !to || from.place === to.place || a.id >= b.id) continue;
        const aTo = a.options.find((o) => o.place === to.place);
        const bTo = b.options.find((o) => o.place === from.place);
        if (!aTo || !bTo) continue;
        const gain = from.cost + to.cost - aTo.cost - bTo.cost;
        if (gain <= 1e-9) continue;
        put(a, from, -1);
        put(b, to, -1);
        const ok = fits(a, aTo) && fits(b, bTo);
        if (ok) {
          put(a, aTo, 1);
          put(b, bTo, 1);
          improved = true;
          continue;
        }
        put(a, from, 1);
        put(b, to, 1);
      }
    }
  }
  const homes = [...at].map(([lot, o]) => ({ lot, place: o.place }));
  return { homes, total: slottingTotal(problem, homes) };
}
