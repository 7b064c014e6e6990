import { standsOut } from './arranged.ts';
import { walksForStanding } from '../sessions/index.ts';
import { isSmallDrawer } from './rows.ts';
import { hasZones, zonePenalty } from './barred.ts';
import { mindedThere, minds } from './minds.ts';
import { type Weighed, wayOf } from './weights.ts';
import {
  type Whose,
  type Case,
  kg,
  between,
  litPart,
  isSmall,
  onShelf,
  suits,
  goesIntoAny,
  hangsIn,
  isSlot,
  packsInto,
  isOnShow,
  inView,
} from './penalty-case.ts';
import { childReaches, childAt } from './child-reach.ts';
import { SEATED, liftedSeated, liftAdvised, TABLE } from './lifting.ts';

/** Yearly seconds set against a thing lying wrong: own assumptions, large against a fetch, small against having no home. */
const SET = {
  /** a hazard within a child’s reach; nothing makes it count less */
  child: 7200,
  /** a thing heavier than HEAVY lifted down from a step stool; heavier than the lifting equation advises */
  climbing: 1800,
  lifting: 1800,
  /** a heavy thing above the shoulder or below the knee */
  heavy: 900,
  /** sun, heat, damp, frost or dust on what minds it */
  minds: 3600,
  /** a blade, or what is hot or poisonous, thrown in among other things: one reaches for it blindly */
  blind: 5400,
  /** what rolls about loose on a shelf or a top */
  loose: 900,
  /** what stands on the top of a unit is dusted and knocked over; small things there get lost besides */
  onTop: 400,
  smallOnTop: 900,
  flatOnTop: 500,
  /** a small thing by itself on a shelf or in a cubby */
  smallOnShelf: 300,
  /** paper standing on a shelf with nothing that keeps it upright */
  slumps: 300,
  /** a way of holding that does not suit the thing */
  form: 900,
  /** what hangs, lying about although there are hooks or a board */
  hangs: 900,
  /** paper that goes upright into a slot, lying anywhere else */
  slots: 600,
  /** small loose things that go into a small drawer, lying anywhere else */
  smallDrawer: 600,
  /** what is one activity’s own, anywhere but in the box or on the cart that travels to it */
  unpacked: 600,
  /** what is fetched all the time thrown into a heap or kept under a lid */
  allTheTime: 300,
  /** a reserve where what is in use should lie */
  reserve: 300,
  /** shut away where it is to be seen, in view where the room is to be calm */
  seen: 240,
  /** hidden although it is to be on show */
  shown: 2400,
} as const;

/**
 * And at every fetch, s: no short way outweighs that a child gets at a blade; what is harmed is harmed with use too; small things lying loose are looked
 * for where they have wandered to, paper is pulled out of what leans on it, and what stands on a top is taken past what stands there besides; a walk more for want of room on the table (own assumptions).
 */
const A_FETCH = { child: 60, blind: 30, minds: 20, smallLoose: 3, slumps: 2, onTop: 1.5, tableLost: 10 } as const;

/** Not lifted down from a step stool, nothing to be lifted high or low, g (own assumptions). */
const HEAVY = 2000;

const LIGHT = 3000;

/** Fetched all the time: so often a year (own assumption). */
const ALL_THE_TIME = 250;

export type Rule = {
  /** whether it can say anything of a supply at all; left out: it may */
  concerns?: (who: Whose) => boolean;
  /** how much it counts is said by this weight; null: always in full */
  weighed: Weighed | null;
  seconds: (c: Case) => number;
  words: (c: Case, seconds: number) => string;
  care?: true;
};

export const RULES: readonly Rule[] = [
  {
    concerns: ({ plan, supply }) => supply.hazards.length > 0 && childReaches(plan).length > 0,
    weighed: null,
    seconds: ({ plan, supply, spot, fetches }) =>
      childAt(plan, supply, spot) ? SET.child + A_FETCH.child * fetches : 0,
    words: ({ plan, supply, spot }) => {
      const { person, top } = childAt(plan, supply, spot)!;
      return `Within reach of ${person.name}: needs a lock or ${(top / 10).toFixed(0)} cm of height. Common practice; the maker’s manual and local rules come first.`;
    },
    care: true,
  },
  {
    concerns: ({ supply }) => supply.mass > HEAVY,
    weighed: null,
    seconds: ({ band, supply }) => (band === 6 && supply.mass > HEAVY ? SET.climbing : 0),
    words: ({ supply }) =>
      `${kg(supply.mass)} lifted down from a step stool. Common practice: heavy things below the shoulder.`,
    care: true,
  },
  {
    concerns: ({ plan, supply }) => supply.mass > LIGHT || (supply.mass > SEATED / 2 && liftedSeated(plan, supply)),
    weighed: null,
    seconds: (c) => (!c.spot.away && c.supply.mass > liftAdvised(c) ? SET.lifting : 0),
    words: (c) =>
      liftedSeated(c.plan, c.supply)
        ? `${kg(c.supply.mass)} lifted from a wheelchair: ${kg(liftAdvised(c))} is advised so high up (HSE INDG143, from memory). Whoever has a bad back asks a doctor first.`
        : `${kg(c.supply.mass)} lifted ${c.spot.grip.z > TABLE ? 'from high up' : 'from low down'}: ${kg(liftAdvised(c))} is advised (revised NIOSH equation, from memory). Whoever has a bad back asks a doctor first.`,
    care: true,
  },
  {
    concerns: ({ supply }) => supply.mass > LIGHT,
    weighed: 'weighOrder',
    seconds: ({ plan, supply, spot }) => {
      if (spot.away || supply.mass <= LIGHT) return 0;
      const { shoulder, knee } = between(plan);
      return spot.grip.z > shoulder || spot.grip.z < knee ? SET.heavy : 0;
    },
    words: ({ supply, spot }) =>
      `${kg(supply.mass)} ${spot.grip.z > TABLE ? 'above the shoulder' : 'below the knee'}. Common practice: heavy things between knee and shoulder.`,
  },
  {
    concerns: ({ supply }) => minds(supply),
    weighed: 'weighHarm',
    seconds: ({ plan, supply, spot, place, fetches }) =>
      (SET.minds + A_FETCH.minds * fetches) *
      mindedThere(plan, supply, spot).reduce((sum, { mind }) => sum + (mind === 'sun' ? litPart(supply, place) : 1), 0),
    words: ({ plan, supply, spot }) =>
      `It minds that ${mindedThere(plan, supply, spot)
        .map(({ words }) => words)
        .join(', and that ')}.`,
  },
  {
    concerns: ({ supply }) => supply.hazards.some((h) => h === 'blade' || h === 'hot' || h === 'toxic'),
    weighed: null,
    seconds: ({ nature, fetches }) => (nature === 'bulk' ? SET.blind + A_FETCH.blind * fetches : 0),
    words: () =>
      'Thrown in among other things one reaches for it without seeing it. Common practice: blades, hot things and poisons lie by themselves.',
    care: true,
  },
  {
    concerns: ({ supply }) => supply.form === 'loose',
    weighed: 'weighOrder',
    seconds: ({ nature, place }) => (nature === 'row' || place.kind === 'top' ? SET.loose : 0),
    words: () => 'Small loose things roll about here: a drawer, a box or a jar keeps them together.',
  },
  {
    weighed: 'weighOrder',
    seconds: ({ plan, place, supply, fetches }) =>
      place.kind !== 'top'
        ? 0
        : standsOut(plan, supply, place.unitId)
          ? A_FETCH.tableLost * walksForStanding(plan, supply, place.unitId)
          : SET.onTop +
            A_FETCH.onTop * fetches +
            (isSmall(supply)
              ? SET.smallOnTop + A_FETCH.smallLoose * fetches
              : supply.form === 'sheet'
                ? SET.flatOnTop
                : 0),
    words: ({ plan, supply, place }) =>
      standsOut(plan, supply, place.unitId)
        ? 'It takes room from the table: what would lie out there goes back each time.'
        : `It stands in the open on a top: dusted, and in the way${isSmall(supply) ? '; so small a thing is knocked off it or lost there' : supply.form === 'sheet' ? '; sheets want a drawer, a slot or a file' : ''}.`,
  },
  {
    concerns: ({ supply }) => supply.form !== 'loose' && isSmall(supply),
    weighed: 'weighOrder',
    seconds: (c) => (onShelf(c) ? SET.smallOnShelf + A_FETCH.smallLoose * c.fetches : 0),
    words: () => 'Small things get lost on a shelf. Common practice: small drawers and boxes for small things.',
  },
  {
    concerns: ({ supply }) => supply.form === 'sheet',
    weighed: 'weighOrder',
    seconds: ({ nature, place, fetches }) =>
      nature === 'row' && place.kind !== 'top' && place.kind !== 'slot' ? SET.slumps + A_FETCH.slumps * fetches : 0,
    words: () =>
      'Paper slumps on a shelf and bends. Common practice: it stands in slots or a file, or lies in a flat drawer.',
  },
  {
    weighed: 'weighOrder',
    seconds: ({ supply, nature, place }) =>
      suits(supply, nature, place) ? 0 : nature === 'pockets' ? 2 * SET.form : SET.form,
    words: ({ nature, place }) =>
      nature === 'pockets'
        ? place.kind === 'files'
          ? 'Files are for paper and what is as flat and as large.'
          : 'Pockets are for leaves and flat packets.'
        : nature === 'pile'
          ? 'Here flat things lie on each other: what is not flat and wide slips under them.'
          : nature === 'bulk'
            ? 'Thrown in it gets creased or lost: it lies better by itself.'
            : 'This is not how such things are usually kept.',
  },
  {
    concerns: ({ plan, supply }) => supply.lies.includes('hanging') && goesIntoAny(plan, supply, hangsIn),
    weighed: 'weighOrder',
    seconds: ({ place }) => (hangsIn(place) ? 0 : SET.hangs),
    words: () => 'It could hang: boards and hooks are for such things.',
  },
  {
    concerns: ({ plan, supply, share }) =>
      share === 'working' &&
      supply.form === 'sheet' &&
      supply.lies.includes('upright') &&
      goesIntoAny(plan, supply, isSlot),
    weighed: 'weighOrder',
    seconds: ({ place }) => (isSlot(place) ? 0 : SET.slots),
    words: () => 'It could stand in a slot of its own, and be drawn without lifting what lies on it.',
  },
  {
    concerns: ({ plan, supply, share }) =>
      share === 'working' && supply.form === 'loose' && isSmall(supply) && goesIntoAny(plan, supply, isSmallDrawer),
    weighed: 'weighOrder',
    seconds: ({ place }) => (isSmallDrawer(place) || place.inId !== null ? 0 : SET.smallDrawer),
    words: () => 'It could have a small drawer of its own, where small things are neither lost nor sifted through.',
  },
  {
    concerns: ({ plan, supply, share }) => share === 'working' && packsInto(plan, supply) !== null,
    weighed: 'weighOrder',
    seconds: ({ plan, supply, place }) => (place.unitId === packsInto(plan, supply) ? 0 : SET.unpacked),
    words: ({ plan, supply }) =>
      `It belongs in ${plan.units[packsInto(plan, supply)!]!.name}, with what is used with it.`,
  },
  {
    concerns: ({ fetches }) => fetches >= ALL_THE_TIME,
    weighed: 'weighOrder',
    seconds: ({ nature, place }) => (nature === 'bulk' || place.covers.includes('lid') ? SET.allTheTime : 0),
    words: ({ nature }) =>
      `It is fetched all the time: ${nature === 'bulk' ? 'not to be dug for in a heap' : 'no lid before it'}.`,
  },
  {
    concerns: ({ share }) => share !== 'working',
    weighed: 'weighOrder',
    seconds: ({ band }) => (band !== null && band <= 3 ? SET.reserve : 0),
    words: ({ share }) =>
      share === 'resting'
        ? 'Out of its season it lies in one of the best places. Common practice: what is in use lies there.'
        : 'A reserve in one of the best places. Common practice: what is in use lies there, spares behind, below or above.',
  },
  {
    concerns: ({ plan, supply, share }) =>
      share !== 'resting' && !isOnShow(plan, supply) && wayOf(plan, supply, 'seen') !== 'either',
    weighed: null,
    seconds: ({ plan, supply, spot }) => {
      if (spot.away) return 0;
      const way = wayOf(plan, supply, 'seen');
      return (way === 'seen' && !inView(spot)) || (way === 'shut' && inView(spot)) ? SET.seen : 0;
    },
    words: ({ plan, supply }) =>
      wayOf(plan, supply, 'seen') === 'seen'
        ? 'Shut away it is forgotten: you want such things in view.'
        : 'It stands in view: you want such things shut away.',
  },
  {
    concerns: ({ plan, supply, share }) => share === 'working' && isOnShow(plan, supply),
    weighed: null,
    seconds: ({ spot }) => (spot.away || !inView(spot) ? SET.shown : 0),
    words: () => 'It is to be on show: here nobody sees it.',
  },
  {
    concerns: ({ plan }) => hasZones(plan),
    weighed: 'weighZones',
    seconds: ({ plan, supply, share, place }) => zonePenalty(plan, supply, place, share)?.seconds ?? 0,
    words: ({ plan, supply, share, place }) => zonePenalty(plan, supply, place, share)!.words,
  },
];
