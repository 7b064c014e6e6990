import {
  convexDistance,
  convexOverlap,
  distanceToSegment,
  type Prism,
  prismFootprint,
} from '../../measures/geometry/index.ts';
import { type Fixture, type Supply, type Unit } from '../../record/plan/index.ts';
import { AIR, BURNS_OFF, DRIES, fixturePrism, frameOf, onWall } from '../../space/room/index.ts';
import { type Found, found, freeBefore, type Look, strip } from './finding.ts';

/** Working space before a fuse board, mm: width, depth, height (NEC 110.26, memory). */
export const FUSE_SPACE = { width: 762, depth: 914, height: 1981 };
/** From a kiln to walls and to all that burns, mm: eighteen inches (kilns’ own manuals commonly, memory; the kiln’s own comes first). */
export const KILN_SPACE = 457;
/** How far one reaches over furniture to a window’s handle, mm (common practice). */
export const WINDOW_REACH = 600;
/** In a gap at least so wide between furniture and window one stands to open it, mm: a body’s width (docs/computation.md 4.1). */
export const WINDOW_STAND = 460;
const SLACK = 5;

/** Fuse board, heaters and windows kept free. */
export function keepFree(look: Look): Found[] {
  const out: Found[] = [];
  for (const fixture of Object.values(look.plan.fixtures)) {
    const prism = fixturePrism(look.plan, fixture);
    if (!prism) continue;
    if (fixture.kind === 'fuseBoard') out.push(...fuseBoard(look, fixture));
    if (fixture.kind !== 'heater') continue;
    if (BURNS_OFF[fixture.heat] > 0) out.push(...glowing(look, fixture, prism));
    else out.push(...radiator(look, fixture, prism));
  }
  return [...out, ...kilns(look), ...windows(look)];
}

function fuseBoard(look: Look, fixture: Fixture): Found[] {
  const frame = frameOf(look.plan, fixture.wallId);
  if (!frame) return [];
  const width = Math.max(FUSE_SPACE.width, fixture.width);
  const middle = onWall(frame, fixture.left + fixture.width / 2);
  const area = strip(middle, frame.inward, width, FUSE_SPACE.depth);
  return look.units.flatMap((unit) => {
    const into = Math.max(
      0,
      ...look.solids
        .get(unit.id)!
        .filter((s) => s.bottom < FUSE_SPACE.height)
        .map((s) => convexOverlap(area, prismFootprint(s))),
    );
    if (into <= SLACK) return [];
    return [
      found(
        'fuseBoard',
        [fixture.id, unit.id],
        `${unit.name} stands ${look.len(into)} into the working space before ${fixture.name} (${look.len(width)} wide, ${look.len(FUSE_SPACE.depth)} deep).`,
        { unitIds: [unit.id], area },
      ),
    ];
  });
}

/** Straight distance between two boxes, mm; 0 when they touch. */
function apart(a: Prism, b: Prism): number {
  const up = Math.max(0, Math.max(a.bottom, b.bottom) - Math.min(a.top, b.top));
  return Math.hypot(convexDistance(prismFootprint(a), prismFootprint(b)), up);
}

/** What burns keeps off what glows: all furniture but of metal, and of what lives in that the things that burn easily. */
function glowing(look: Look, fixture: Fixture, prism: Prism): Found[] {
  const wanted = BURNS_OFF[fixture.heat];
  return look.units.flatMap((unit) => {
    const off = Math.min(...look.solids.get(unit.id)!.map((s) => apart(s, prism)));
    if (off >= wanted - SLACK) return [];
    const what = unit.board === 'metal' ? livesIn(look, unit, (s) => s.hazards.includes('flammable')) : unit.name;
    if (what === null) return [];
    return [
      found(
        fixture.heat === 'portable' ? 'heater' : fixture.heat === 'fire' ? 'fire' : 'wallHeater',
        [fixture.id, unit.id],
        `${what} is ${look.len(off)} from ${fixture.name}; what burns wants ${look.len(wanted)}.`,
        { unitIds: [unit.id] },
      ),
    ];
  });
}

/** The first thing in a unit that is meant, with where it is; null: none. */
function livesIn({ plan }: Look, unit: Unit, meant: (supply: Supply) => boolean): string | null {
  for (const { placeId, supplyId } of Object.values(plan.homes)) {
    const supply = plan.supplies[supplyId];
    if (plan.places[placeId]?.unitId === unit.id && supply && meant(supply)) return `${supply.name} in ${unit.name}`;
  }
  return null;
}

/** Hot water sets nothing on fire: it wants air before and above it, and no paper over it. */
function radiator(look: Look, fixture: Fixture, prism: Prism): Found[] {
  const { plan, len } = look;
  const frame = frameOf(plan, fixture.wallId);
  const middle = frame && onWall(frame, fixture.left + fixture.width / 2);
  const air = middle ? strip(middle, frame.inward, fixture.width, fixture.depth + AIR) : prismFootprint(prism);
  return look.units.flatMap((unit) => {
    const before = look.solids.get(unit.id)!.filter((s) => convexOverlap(air, prismFootprint(s)) > SLACK);
    const into = Math.max(
      0,
      ...before
        .filter((s) => s.bottom < prism.top - SLACK && s.top > prism.bottom)
        .map((s) => convexOverlap(air, prismFootprint(s))),
    );
    const over = Math.min(...before.filter((s) => s.bottom >= prism.top - SLACK).map((s) => s.bottom - prism.top));
    const paper = over < DRIES ? livesIn(look, unit, ({ form }) => form === 'sheet' || form === 'pocket') : null;
    const words =
      into > SLACK
        ? `${unit.name} stands ${len(into)} into the air that ${fixture.name} wants before it.`
        : over < AIR - SLACK
          ? `${unit.name} is ${len(Math.max(0, over))} over ${fixture.name}, which wants ${len(AIR)} of air.`
          : paper
            ? `${paper} lies over ${fixture.name}: paper dries and curls there.`
            : null;
    return words === null ? [] : [found('radiator', [fixture.id, unit.id], words, { unitIds: [unit.id], area: air })];
  });
}

/** A kiln glows for hours: furniture, whatever it is made of but metal, and walls keep off it. */
function kilns(look: Look): Found[] {
  const { plan, units, body, solids, frames, len } = look;
  return units
    .filter((u) => u.kind === 'kiln')
    .flatMap((kiln) => {
      const hot = body.get(kiln.id)!;
      const foot = prismFootprint(hot);
      const near = units.flatMap((unit) => {
        if (unit.kind === 'kiln' || unit.board === 'metal') return [];
        const off = Math.min(...solids.get(unit.id)!.map((s) => apart(s, hot)));
        return off < KILN_SPACE - SLACK ? [{ id: unit.id, name: unit.name, off }] : [];
      });
      const walls = frames.flatMap((f) => {
        const off = Math.min(...foot.map((p) => distanceToSegment(p, f.a, f.b)));
        return off < KILN_SPACE - SLACK ? [{ id: f.wall.id, name: f.name, off }] : [];
      });
      const fixed = Object.values(plan.fixtures).flatMap((fixture) => {
        const prism = fixture.kind === 'fuseBoard' ? fixturePrism(plan, fixture) : null;
        const off = prism ? apart(prism, hot) : Infinity;
        return off < KILN_SPACE - SLACK ? [{ id: fixture.id, name: fixture.name, off }] : [];
      });
      return [...near, ...walls, ...fixed].map(({ id, name, off }) =>
        found(
          'kiln',
          [kiln.id, id],
          `${name} is ${len(off)} from ${kiln.name}, which wants ${len(KILN_SPACE)} on every side.`,
          { unitIds: plan.units[id] ? [kiln.id, id] : [kiln.id] },
        ),
      );
    });
}

function windows(look: Look): Found[] {
  const { plan, len } = look;
  const out: Found[] = [];
  for (const window of Object.values(plan.openings)) {
    const frame = frameOf(plan, window.wallId);
    if (!frame || window.kind !== 'window') continue;
    const middle = onWall(frame, window.left + window.width / 2);
    const pane = strip(middle, frame.inward, window.width - 10, 120);
    for (const unit of look.units) {
      const before = look.solids
        .get(unit.id)!
        .filter(
          (s) =>
            s.top > window.sill + SLACK && s.bottom < window.head && convexOverlap(pane, prismFootprint(s)) > SLACK,
        );
      if (before.length === 0) continue;
      const up = Math.min(window.head, Math.max(...before.map((s) => s.top))) - window.sill;
      out.push(
        found(
          'window',
          [window.id, unit.id],
          `${unit.name} covers the window in ${frame.name} by ${len(up)} of its height.`,
          {
            unitIds: [unit.id],
          },
        ),
      );
    }
    // how deep the furniture below the sill is that one reaches over
    const { free, by } = freeBefore(look, middle, frame.inward, 200, WINDOW_REACH + 400, [400, window.sill], new Set());
    if (by && plan.units[by.id] && free < WINDOW_STAND) {
      const unit = plan.units[by.id]!;
      const body = look.body.get(unit.id)!;
      const deep =
        free + (Math.abs(body.frontX * frame.inward.x + body.frontY * frame.inward.y) > 0.7 ? unit.depth : unit.width);
      if (deep > WINDOW_REACH + SLACK)
        out.push(
          found(
            'window',
            [window.id, unit.id, 'reach'],
            `To open the window in ${frame.name} one reaches ${len(deep)} over ${unit.name}; ${len(WINDOW_REACH)} is as far as most can.`,
            { unitIds: [unit.id] },
          ),
        );
    }
  }
  return out;
}
