import { convexOverlap, distanceToSegment, insidePolygon, prismFootprint } from '../../measures/geometry/index.ts';
import { TOP } from '../../record/catalogue/index.ts';
import { fixturePrism, fromWall, hangingAt, hangsUnder } from '../../space/room/index.ts';
import { type Found, found, inEachOther, type Look } from './finding.ts';

/** Less than this is a rounding of the tape, mm. */
const SLACK = 2;
/** What hangs farther off its wall hangs on nothing, mm (own assumption). */
const OFF_WALL = 30;

/** Units in each other, in walls and in what belongs to the room; units that stand or hang on nothing. */
export function overlaps(look: Look): Found[] {
  return [...betweenUnits(look), ...throughWalls(look), ...inFixtures(look), ...looseOnes(look)];
}

function betweenUnits({ units, solids, len }: Look): Found[] {
  const out: Found[] = [];
  for (const [i, a] of units.entries())
    for (const b of units.slice(i + 1)) {
      let deep = 0;
      for (const s of solids.get(a.id)!)
        for (const t of solids.get(b.id)!)
          if (inEachOther(s, t, SLACK)) deep = Math.max(deep, convexOverlap(prismFootprint(s), prismFootprint(t)));
      if (deep > SLACK)
        out.push(
          found('overlap', [a.id, b.id].sort(), `${a.name} and ${b.name} are ${len(deep)} in each other.`, {
            unitIds: [a.id, b.id],
          }),
        );
    }
  return out;
}

function throughWalls({ units, body, frames, outline, len }: Look): Found[] {
  if (outline.length === 0) return [];
  return units.flatMap((unit) => {
    const foot = prismFootprint(body.get(unit.id)!);
    let worst = 0;
    let name = '';
    const note = (by: number, what: string) => {
      if (by > worst) [worst, name] = [by, what];
    };
    for (const corner of foot) {
      if (insidePolygon(corner, outline)) continue;
      let least = Infinity;
      let nearest = '';
      for (const f of frames) {
        const d = distanceToSegment(corner, f.a, f.b);
        if (d < least) [least, nearest] = [d, f.name];
      }
      note(least, nearest);
    }
    // a corner of the room that juts into the unit
    for (const f of frames) {
      if (!insidePolygon(f.a, foot)) continue;
      const depth = Math.min(...foot.map((p, i) => distanceToSegment(f.a, p, foot[(i + 1) % 4]!)));
      note(depth, f.name);
    }
    if (worst <= SLACK) return [];
    return [
      found('overlap', [unit.id, 'wall'], `${unit.name} goes ${len(worst)} into ${name}.`, { unitIds: [unit.id] }),
    ];
  });
}

function inFixtures({ plan, units, solids, body }: Look): Found[] {
  const out: Found[] = [];
  for (const fixture of Object.values(plan.fixtures)) {
    if (!['obstacle', 'pipe', 'stairs'].includes(fixture.kind)) continue;
    const prism = fixturePrism(plan, fixture);
    if (!prism) continue;
    for (const unit of units) {
      const over =
        fixture.kind === 'stairs'
          ? convexOverlap(prismFootprint(prism), prismFootprint(body.get(unit.id)!)) > SLACK && unit.mount === 'floor'
          : solids.get(unit.id)!.some((s) => inEachOther(s, prism, SLACK));
      if (over)
        out.push(
          found(
            'overlap',
            [unit.id, fixture.id],
            fixture.kind === 'stairs'
              ? `${unit.name} stands over ${fixture.name}.`
              : `${unit.name} stands where ${fixture.name} is.`,
            { unitIds: [unit.id], area: prismFootprint(prism) },
          ),
        );
    }
  }
  return out;
}

function looseOnes({ plan, units, body, frames, len }: Look): Found[] {
  return units.flatMap((unit) => {
    const say = (words: string) => [found('mount', [unit.id], words, { unitIds: [unit.id] })];
    if (unit.mount === 'on') {
      const host = unit.hostId ? plan.units[unit.hostId] : undefined;
      if (!host) return unit.bottom > 0 ? say(`${unit.name} stands ${len(unit.bottom)} up on nothing.`) : [];
      const gap = unit.bottom - host.bottom - host.height;
      if (Math.abs(gap) > SLACK)
        return say(`${unit.name} is ${len(Math.abs(gap))} ${gap > 0 ? 'above' : 'below'} the top of ${host.name}.`);
      const into = convexOverlap(prismFootprint(body.get(unit.id)!), prismFootprint(body.get(host.id)!));
      return into < Math.min(unit.width, unit.depth) / 2
        ? say(`${unit.name} stands over the edge of ${host.name}.`)
        : [];
    }
    if (unit.mount === 'wall' && frames.length > 0) {
      const back = {
        x: unit.x - body.get(unit.id)!.frontX * (unit.depth / 2),
        y: unit.y - body.get(unit.id)!.frontY * (unit.depth / 2),
      };
      const off = Math.min(
        ...frames.map((f) => {
          const { left, out } = fromWall(f, back);
          return left > -1 && left < f.length + 1 ? Math.abs(out) : Infinity;
        }),
      );
      return off > OFF_WALL && Number.isFinite(off) ? say(`${unit.name} hangs ${len(off)} off the wall.`) : [];
    }
    if (hangsUnder(unit)) {
      const host = unit.hostId ? plan.units[unit.hostId] : undefined;
      if (!host) return say(`${unit.name} hangs ${len(unit.bottom)} up under nothing.`);
      const gap = hangingAt(host, unit) - unit.bottom;
      if (Math.abs(gap) > TOP)
        return say(
          gap > 0
            ? `${unit.name} hangs ${len(gap)} below the top of ${host.name}.`
            : `${unit.name} goes ${len(-gap)} into the top of ${host.name}.`,
        );
      const under = convexOverlap(prismFootprint(body.get(unit.id)!), prismFootprint(body.get(host.id)!));
      return under < Math.min(unit.width, unit.depth) - TOP
        ? say(`${unit.name} hangs over the edge of ${host.name}.`)
        : [];
    }
    if (unit.mount === 'door' && !unit.doorId) return say(`${unit.name} hangs on no door yet.`);
    return [];
  });
}
