import { type SlottingProblem } from '../living/slotting/index.ts';

export type SlottingShape = {
  lots: number;
  places: number;
  fill?: number;
  families?: boolean;
  reachable?: number;
  /** containers that are carried: every fifth place */
  charges?: boolean;
  /** units of four places, walked to once for all that one of four activities gets there */
  visits?: boolean;
  /** two groups of months, in one of which a third of the lots is away */
  seasons?: boolean;
  /** boards that sag at a part of their load */
  sagging?: boolean;
  /** names: kinds within aisles, and what is one activity’s own */
  mixing?: boolean;
  /** a third that must be apart from another third; in half of the places from some of its own */
  apart?: boolean;
  /** rows of three places, one to a family */
  rows?: boolean;
  /** load of the places over what the lots weigh; loose where not given */ loaded?: number;
};

/**
 * A made-up room as a slotting problem: places at seconds from the seat, lots with skewed use, a cost that is
 * use × seconds with some taste of its own, and capacities that the lots fill to about `fill`.
 */
export function randomSlotting(
  seed: number,
  {
    lots,
    places,
    fill = 0.85,
    families = false,
    reachable = 0.6,
    loaded,
    charges = false,
    visits = false,
    seasons = false,
    sagging = false,
    mixing = false,
    apart = false,
    rows = false,
  }: SlottingShape,
): SlottingProblem {
  let s = (seed * 2654435761) >>> 0 || 1;
  const random = () => {
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    s >>>= 0;
    return s / 4294967296;
  };
  const round = (x: number) => Math.round(x * 100) / 100;
  const seconds = Array.from({ length: places }, () => 3 + 25 * random() ** 1.5);
  const widths = Array.from({ length: places }, () => 200 + 700 * random());
  const sizes = Array.from({ length: lots }, () => 20 + 260 * random() ** 2);
  const need = sizes.reduce((a, b) => a + b, 0);
  const have = widths.reduce((a, b) => a + b, 0);
  const factor = need / (fill * have);
  const problem: SlottingProblem = {
    format: 'heronstone-slotting/3',
    places: widths.map((w, i) => ({ id: `p${i}`, capacity: round(w * factor), load: round(8000 + 20000 * random()) })),
    lots: sizes.map((size, l) => {
      const uses = Math.ceil(400 * random() ** 3);
      const options = seconds
        .map((sec, p) => ({
          place: `p${p}`,
          cost: round(uses * sec * (0.9 + 0.2 * random())),
          use: round(size * (0.8 + 0.5 * random())),
          there: random() < reachable,
        }))
        .filter((o) => o.there)
        .map(({ place, cost, use }) => ({ place, cost, use }));
      return { id: `l${l}`, weight: round(size * 5 * random()), leave: 3600 + uses * 60, options };
    }),
    families: families
      ? Array.from({ length: Math.ceil(lots / 6) }, (_, f) => ({
          id: `f${f}`,
          lots: Array.from({ length: 6 }, (_x, k) => `l${f * 6 + k}`).filter((id) => Number(id.slice(1)) < lots),
          spread: round(100 + 400 * random()),
        }))
      : [],
    charges: [],
  };
  if (charges)
    for (let p = 0; p < places; p += 5) {
      const there = problem.lots.filter((l) => l.options.some((o) => o.place === `p${p}`)).map((l) => l.id);
      if (there.length > 0)
        problem.charges.push({ places: [`p${p}`], lots: there, cost: round(500 + 2000 * random()) });
    }
  if (visits)
    for (let unit = 0; unit < places; unit += 4)
      for (let activity = 0; activity < 4; activity++) {
        const within = problem.places.slice(unit, unit + 4).map((p) => p.id);
        const theirs = problem.lots.filter(
          (l, i) => i % 4 === activity && l.options.some((o) => within.includes(o.place)),
        );
        const cost = round(200 + 1500 * random());
        if (theirs.length > 0) problem.charges.push({ places: within, lots: theirs.map((l) => l.id), cost });
      }
  if (seasons)
    for (const lot of problem.lots)
      if (random() < 0.33)
        for (const option of lot.options)
          option.use = random() < 0.5 ? [option.use as number, 0] : [0, option.use as number];
  if (mixing) {
    const groups = new Map<string, string[]>();
    for (const [l, { id }] of problem.lots.entries()) {
      const aisle = l % Math.max(2, Math.round(lots / 6));
      // some are by themselves, some one activity’s own
      if (random() < 0.9) for (const name of [`aisle ${aisle}`, `family ${aisle} ${l % 2}`]) add(groups, name, id);
      if (random() < 0.5) add(groups, `activity ${Math.floor(4 * random())}`, id);
    }
    problem.mixing = { concepts: [...groups].map(([id, lots]) => ({ id, lots })), cost: round(300 + 1500 * random()) };
    if (random() < 0.5) problem.mixing.at = { p0: 0, p1: round(4000 * random()) };
  }
  if (apart) {
    const third = (k: number) => problem.lots.flatMap(({ id }, l) => (l % 3 === k ? [id] : []));
    const half = problem.places.flatMap(({ id }, p) => (p % 2 === 0 ? [id] : []));
    problem.apart = [
      { lots: third(0), from: third(1) },
      { lots: third(2).slice(0, 2), from: third(2).slice(2), places: half },
    ];
  }
  if (rows)
    problem.rows = problem.places.flatMap((_, p) =>
      p % 4 === 0 ? [problem.places.slice(p, p + 3).map(({ id }) => id)] : [],
    );
  if (loaded === undefined && !sagging) return problem;
  const mass = problem.lots.reduce((sum, lot) => sum + lot.weight, 0);
  const load = problem.places.reduce((sum, place) => sum + place.load, 0);
  for (const place of problem.places) place.load = round((place.load * mass) / ((loaded ?? 0.7) * load));
  if (sagging)
    for (const place of problem.places)
      place.sag = { from: round(place.load * (0.2 + 0.7 * random())), cost: round(500 + 4000 * random()) };
  return problem;
}

function add(groups: Map<string, string[]>, name: string, id: string): void {
  const group = groups.get(name);
  if (group) group.push(id);
  else groups.set(name, [id]);
}
