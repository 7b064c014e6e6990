import { factsOf, leafOf, PULL_SHARE } from '../../record/catalogue/index.ts';
import { massIn } from '../../things/fit/index.ts';
import { FASTEN_FROM, shelfSag, shelfUnder, tipping } from '../../space/loads/index.ts';
import { compartmentsOf, massOf, type Place, type Unit, unitShape } from '../../record/plan/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** Where no rated load is known, what hangs heavier asks to be looked at, g (own assumption). */
export const HUNG_UNKNOWN = 15_000;
/** A drawer’s own share of the empty unit is spread over its drawers (own assumption: a third of it is drawers). */
const DRAWER_SHARE = 1 / 3;

const kilos = (g: number) => `${(g / 1000).toFixed(1)} kg`;

/** Over-loaded places, sagging shelves, hung loads, tipping. */
export function weight(look: Look): Found[] {
  const { plan } = look;
  return Object.values(plan.units).flatMap((unit) => {
    const held = compartmentsOf(plan, unit.id).map((place) => ({ place, mass: massIn(plan, place) }));
    const inRoom = unit.mount !== 'away';
    return [
      ...overloaded(unit, held),
      ...(inRoom ? sagging(look, unit, held) : []),
      ...(inRoom ? hung(unit, held) : []),
      ...(inRoom ? tips(look, unit, held) : []),
    ];
  });
}

type Held = { place: Place; mass: number }[];

function overloaded(unit: Unit, held: Held): Found[] {
  return held
    .filter(({ place, mass }) => mass > place.load)
    .map(({ place, mass }) =>
      found('load', [place.id], `${unit.name}, ${place.name}, holds ${kilos(mass)}; it carries ${kilos(place.load)}.`, {
        unitIds: [unit.id],
        placeIds: [place.id],
      }),
    );
}

function sagging({ len }: Look, unit: Unit, held: Held): Found[] {
  return held.flatMap(({ place, mass }) => {
    const shelf = shelfUnder(unit, place);
    if (mass <= 0 || !shelf) return [];
    const { first, lasting, limit } = shelfSag(shelf, mass);
    if (lasting <= limit) return [];
    return [
      found(
        'sag',
        [place.id],
        `${unit.name}, ${place.name}: ${kilos(mass)} on ${len(place.width)} of ${unit.board} ${len(unit.thickness)} thick sag ${first.toFixed(1)} mm at once and ${lasting.toFixed(1)} mm in time; the eye sees ${limit.toFixed(1)} mm.`,
        { unitIds: [unit.id], placeIds: [place.id] },
      ),
    ];
  });
}

const contents = (held: Held) => held.reduce((sum, h) => sum + h.mass, 0);

function hung(unit: Unit, held: Held): Found[] {
  if (unit.mount !== 'wall' && unit.mount !== 'door') return [];
  const mass = contents(held) + massOf(unit);
  const most = unit.ratedLoad ?? HUNG_UNKNOWN;
  if (mass <= most) return [];
  const words = unit.ratedLoad
    ? `${unit.name} hangs with ${kilos(mass)} on a fastening rated ${kilos(most)}.`
    : `${unit.name} hangs with ${kilos(mass)} and the rated load of its fastening is not noted.`;
  return [found('wallLoad', [unit.id], words, { unitIds: [unit.id] })];
}

function tips({ len }: Look, unit: Unit, held: Held): Found[] {
  // a table on legs is no chest: nobody climbs its open drawers
  const { mobile, body } = factsOf(unit.kind);
  if (unit.mount !== 'floor' || unit.fixed || mobile || body === 'top' || body === 'topAndPlaces') return [];
  if (held.length === 0 || unit.height < FASTEN_FROM) return [];
  const drawers = held.filter(({ place }) => place.covers.includes('drawer'));
  const own = massOf(unit);
  const each = drawers.length > 0 ? (own * DRAWER_SHARE) / drawers.length : 0;
  const { safety } = tipping({
    depth: unit.depth,
    mass: own - each * drawers.length,
    inside: contents(held.filter((h) => !drawers.includes(h))),
    drawers: drawers.map(({ place, mass }) => ({
      mass: mass + each,
      pull: place.depth * PULL_SHARE,
      depth: place.depth,
    })),
    leaf: held.some(({ place }) => place.covers.includes('door')) ? leafOf(unit.kind, unitShape(unit)) : 0,
  });
  const how =
    safety < 1
      ? ` With everything open and a child’s 27 kg on the edge it tips: it holds ${Math.round(safety * 100)} % of that.`
      : '';
  return [
    found('tipping', [unit.id], `${unit.name} is ${len(unit.height)} tall and not fastened to the wall.${how}`, {
      unitIds: [unit.id],
    }),
  ];
}
