import highsLoader from 'highs';
import { inPeriod, periodsOf, type SlottingProblem } from '../living/slotting/index.ts';

/**
 * A slotting problem as a mixed-integer program in CPLEX LP text, for the reference solver HiGHS.
 * `relaxed` drops the whole-number rule.
 */
export function toLp(problem: SlottingProblem, relaxed = false): string {
  const terms: string[] = [];
  const binaries: string[] = [];
  const rows: string[] = [];
  const at = new Map(problem.places.map((p, i) => [p.id, i]));
  const periods = periodsOf(problem);
  const use: string[][] = Array.from({ length: problem.places.length * periods }, () => []);
  const load: string[][] = problem.places.map(() => []);
  const lotIndex = new Map(problem.lots.map((l, i) => [l.id, i]));
  problem.lots.forEach((lot, l) => {
    const one = [`y${l}`];
    terms.push(`+ ${lot.leave} y${l}`);
    binaries.push(`y${l}`);
    for (const o of lot.options) {
      const p = at.get(o.place)!;
      const x = `x${l}_${p}`;
      terms.push(`+ ${o.cost} ${x}`);
      binaries.push(x);
      one.push(x);
      for (let t = 0; t < periods; t++) use[p * periods + t]!.push(`+ ${inPeriod(o.use, t)} ${x}`);
      load[p]!.push(`+ ${lot.weight} ${x}`);
    }
    rows.push(`one${l}: ${one.join(' + ')} = 1`);
  });
  problem.places.forEach((p, i) => {
    if (load[i]!.length === 0) return;
    for (let t = 0; t < periods; t++)
      rows.push(`use${i}_${t}: ${use[i * periods + t]!.join(' ')} <= ${inPeriod(p.capacity, t)}`);
    rows.push(`load${i}: ${load[i]!.join(' ')} <= ${p.load}`);
    if (!p.sag || p.sag.from >= p.load) return;
    // the board sags, or carries no more than what it takes to be seen
    binaries.push(`g${i}`);
    terms.push(`+ ${p.sag.cost} g${i}`);
    rows.push(`sag${i}: ${load[i]!.join(' ')} - ${p.load - p.sag.from} g${i} <= ${p.sag.from}`);
  });
  problem.families.forEach((family, f) => {
    const places = new Set<number>();
    for (const id of family.lots) {
      const lot = problem.lots[lotIndex.get(id)!]!;
      for (const o of lot.options) {
        const p = at.get(o.place)!;
        const row = at.get(problem.rows?.find((r) => r.includes(o.place))?.[0] ?? o.place)!;
        places.add(row);
        rows.push(`in${f}_${lotIndex.get(id)}_${p}: z${f}_${row} - x${lotIndex.get(id)}_${p} >= 0`);
      }
    }
    if (places.size === 0) return;
    const zs = [...places].map((p) => `z${f}_${p}`);
    binaries.push(...zs);
    rows.push(`sp${f}: s${f} ${zs.map((z) => `- ${z}`).join(' ')} >= -1`);
    terms.push(`+ ${family.spread} s${f}`);
  });
  problem.charges.forEach((charge, k) => {
    const under = charge.lots.flatMap((id) => {
      const l = lotIndex.get(id)!;
      const xs = charge.places.filter((place) => problem.lots[l]!.options.some((o) => o.place === place));
      return xs.length > 0 ? [xs.map((place) => `- x${l}_${at.get(place)!}`).join(' ')] : [];
    });
    if (under.length === 0) return;
    binaries.push(`q${k}`);
    terms.push(`+ ${charge.cost} q${k}`);
    for (const [i, xs] of under.entries()) rows.push(`ch${k}_${i}: q${k} ${xs} >= 0`);
  });
  // a lot that has concepts takes the name of one of them where it lives; one without takes a name of its own
  const { mixing } = problem;
  if (mixing)
    problem.places.forEach((place, p) => {
      const names = new Set<string>();
      const x = (l: number) => `x${l}_${p}`;
      for (const [l, lot] of problem.lots.entries()) {
        if (!lot.options.some((o) => o.place === place.id)) continue;
        const own = mixing.concepts.flatMap((c, k) => (c.lots.includes(lot.id) ? [`n${k}_${p}`] : []));
        for (const name of own) names.add(name);
        if (own.length === 0) names.add(x(l));
        else rows.push(`nm${l}_${p}: ${own.join(' + ')} - ${x(l)} >= 0`);
      }
      if (names.size === 0) return;
      binaries.push(...[...names].filter((name) => name.startsWith('n')));
      terms.push(`+ ${mixing.at?.[place.id] ?? mixing.cost} m${p}`);
      rows.push(`mx${p}: m${p} ${[...names].map((name) => `- ${name}`).join(' ')} >= -1`);
    });
  for (const [k, { lots, from, places }] of (problem.apart ?? []).entries())
    for (const p of places ?? problem.places.map((place) => place.id))
      for (const a of lots)
        for (const b of from) {
          const [la, lb] = [lotIndex.get(a)!, lotIndex.get(b)!];
          const both = [la, lb].every((l) => problem.lots[l]!.options.some((o) => o.place === p));
          if (both) rows.push(`ap${k}_${la}_${lb}_${at.get(p)}: x${la}_${at.get(p)} + x${lb}_${at.get(p)} <= 1`);
        }
  const wrap = (list: string[]) => list.join('\n ');
  const domain = relaxed ? `Bounds\n ${wrap(binaries.map((b) => `0 <= ${b} <= 1`))}` : `Binary\n ${wrap(binaries)}`;
  return `Minimize\n obj: ${wrap(terms)}\nSubject To\n ${wrap(rows)}\n${domain}\nEnd\n`;
}

/** HiGHS' answer: the best total it found and whether it proved it. */
export async function solveWithHighs(
  problem: SlottingProblem,
  seconds: number,
  relaxed = false,
): Promise<{ total: number; status: string }> {
  const highs = await highsLoader();
  const result = highs.solve(toLp(problem, relaxed), {
    time_limit: seconds,
    mip_rel_gap: 1e-9,
    output_flag: false,
  } as never);
  return { total: result.ObjectiveValue, status: result.Status };
}
