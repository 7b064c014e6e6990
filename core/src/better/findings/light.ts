import { placeSaid } from '../../living/concepts/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { angleBetween, heading, type Point3 } from '../../measures/geometry/index.ts';
import { sunOn } from '../../living/homes/index.ts';
import { homesIn, monthWords, type Plan, type Unit, seatsHere } from '../../record/plan/index.ts';
import { makerOf, sceneOf } from '../../space/reach/index.ts';
import { fixturePrism, unitPoint } from '../../space/room/index.ts';
import { type Lamp, LUX_GENERAL, luxAt, solarClock, type SunHours, sunHours } from '../../space/sun/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** Less sun than this a day on a worktop is nobody’s trouble, hours (own assumption). */
export const SUN_ON_TOP = 1;
/** A lamp that gives more than this share of the light makes the shadow (own assumption). */
const MAIN_LIGHT = 0.5;

/** Direct sun on worktops and on what minds it; lamps over the work. */
export function lights(look: Look): Found[] {
  return [...sunOnTops(look), ...sunOnSupplies(look), ...lamps(look)];
}

function sunWords({ byMonth, worst }: SunHours): string {
  const months = byMonth.flatMap((h, m) => (h > 0 ? [m] : []));
  return `${byMonth[worst!.month]!.toFixed(1)} h of direct sun a day at worst (${monthWords([worst!.month])}, ${solarClock(worst!.from)} to ${solarClock(worst!.to)} by the sun), some in ${monthWords(months)}`;
}

/** Nine points just above a top. */
export function topPoints(look: Look, unit: Unit): Point3[] {
  const body = look.body.get(unit.id)!;
  const shares = [0.15, 0.5, 0.85];
  return shares.flatMap((u) =>
    shares.map((v) => ({ ...unitPoint(body, unit.width * u, unit.depth * v), z: unit.bottom + unit.height + 3 })),
  );
}

function sunOnTops(look: Look): Found[] {
  return look.units.flatMap((unit) => {
    if (!factsOf(unit.kind).worktop) return [];
    const hours = sunHours(look.plan, topPoints(look, unit));
    if (!hours.worst || hours.byMonth[hours.worst.month]! < SUN_ON_TOP) return [];
    return [found('sun', [unit.id], `${unit.name} has ${sunWords(hours)}.`, { unitIds: [unit.id] })];
  });
}

function sunOnSupplies(look: Look): Found[] {
  const { plan } = look;
  const out: Found[] = [];
  for (const spot of sceneOf(plan).spots.values()) {
    const { place, unit, away } = spot;
    if (away || place.covers.length > 0) continue;
    const minds = homesIn(plan, place.id)
      .map((h) => plan.supplies[h.supplyId])
      .filter((s) => s?.sensitive.includes('sun'));
    if (minds.length === 0) continue;
    const hours = sunOn(plan, spot);
    if (!hours.worst) continue;
    const names = [...new Set(minds.map((s) => s!.name))];
    const more = names.length > 2 ? ` and ${names.length - 2} more` : '';
    out.push(
      found(
        'sun',
        [place.id],
        `${names.slice(0, 2).join(', ')}${more} in ${placeSaid(plan, plan.places[place.id]!)}: ${sunWords(hours)}.`,
        { unitIds: [unit.id], placeIds: [place.id] },
      ),
    );
  }
  return out;
}

/** The lamps of a room as they hang. */
export function lampsOf(plan: Plan): (Lamp & { name: string })[] {
  return Object.values(plan.fixtures).flatMap((f) => {
    const prism = f.kind === 'lamp' ? fixturePrism(plan, f) : null;
    return prism ? [{ name: f.name, at: { x: prism.x, y: prism.y, z: f.bottom }, lumens: f.lumens, beam: f.beam }] : [];
  });
}

function lamps(look: Look): Found[] {
  const { plan } = look;
  const all = lampsOf(plan);
  // nothing is said of light before any lamp is noted
  if (all.length === 0) return [];
  return seatsHere(plan).flatMap((station) => {
    const maker = makerOf(plan, station);
    if (!maker) return [];
    const reach = maker.body.handReach;
    const work = { x: station.x + maker.ahead.x * reach, y: station.y + maker.ahead.y * reach, z: maker.handHeight };
    const lux = all.map((lamp) => luxAt(lamp, work));
    const sum = lux.reduce((a, b) => a + b, 0);
    const out: Found[] = [];
    const wanted = plan.activities[station.activityId]?.lux ?? LUX_GENERAL;
    if (sum < wanted)
      out.push(
        found(
          'light',
          [station.id],
          `The work at ${station.name} has ${Math.round(sum)} lx from the lamps; ${wanted} lx is wanted.`,
          { unitIds: station.unitId ? [station.unitId] : [] },
        ),
      );
    const main = lux.findIndex((l) => l > sum * MAIN_LIGHT);
    const person = plan.people[station.personId];
    if (main >= 0 && person) {
      const lamp = all[main]!;
      const side = angleBetween(station.heading, heading(work, lamp.at));
      const onHand = person.hand === 'right' ? side > 20 && side < 160 : side < -20 && side > -160;
      const aside = Math.hypot(lamp.at.x - work.x, lamp.at.y - work.y);
      if (onHand && aside > 150)
        out.push(
          found(
            'shadow',
            [station.id],
            `${lamp.name} stands on the side of ${person.name}’s ${person.hand} hand at ${station.name}: the hand shades the work.`,
          ),
        );
    }
    return out;
  });
}
