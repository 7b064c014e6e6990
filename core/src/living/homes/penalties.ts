import { type Body, bodyOf } from '../../space/body/index.ts';
import { type Nature } from '../../record/catalogue/index.ts';
import { fitOf, holderOf, pieceOf, sorted } from '../../things/fit/index.ts';
import { kindOf, naturesFor } from '../../things/kinds/index.ts';
import { liftLimit } from '../../space/loads/index.ts';
import {
  natureOf,
  type Person,
  type Place,
  type Plan,
  saidIn,
  type Share,
  type Supply,
  readsSame,
} from '../../record/plan/index.ts';
import { ownTraveller, standsOut } from './arranged.ts';
import { type BandNumber, type Spot } from '../../space/reach/index.ts';
import { walksForStanding } from '../sessions/index.ts';
import { isSmallDrawer } from './rows.ts';
import { hasZones, zonePenalty } from './barred.ts';
import { mindedThere, minds } from './minds.ts';
import { type Weighed, weightOf, wayOf } from './weights.ts';

/** Something that speaks against a thing lying in a place, set at so many seconds a year, and why. */
export type Penalty = { seconds: number; words: string; care: boolean };

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
/** Hands before the ankles at a shelf, and how far it goes up or down to the table, mm (own assumptions). */
const AT_SHELF = { horizontal: 400, twist: 0, coupling: 'fair' } as const;
const TABLE = 740;
/**
 * Lifted sitting, close before the body at the height of the hands, g: the lower of two figures for seated handling (HSE INDG143, from memory); half of
 * it farther up or down, and how far from table height that begins, mm (own assumptions).
 */
const SEATED = 3000;
const BEFORE_HER = 300;
/** A thing is small when no side is longer, mm; fetched all the time when so often a year (own assumptions). */
const SMALL = 130;
const ALL_THE_TIME = 250;
/** On tiptoe one is so much taller, mm (own assumption). */
const TIPTOE = 60;

export type ChildReach = { person: Person; /** so high the hand comes at full stretch, mm */ top: number };
const reaches = new WeakMap<object, ChildReach[]>();
const stretched = (body: Body): number => body.shoulder + body.gripReach + TIPTOE;

/** The lowest edge over which a hand comes into a place, mm: a child needs no more than that. */
const lowestEdge = (spot: Spot): number =>
  spot.place.opens === 'top' ? spot.mouth.z : spot.place.covers.includes('drawer') ? spot.high : spot.low;

/** Children of the plan with how high they reach, arm stretched up and on tiptoe, the tallest first. */
export function childReaches(plan: Plan): readonly ChildReach[] {
  let all = reaches.get(plan.people);
  if (!all) {
    all = Object.values(plan.people)
      .filter((p) => p.child)
      .map((person) => ({ person, top: stretched(bodyOf(person, null)) }))
      .sort((a, b) => b.top - a.top);
    reaches.set(plan.people, all);
  }
  return all;
}

/** The tallest child that gets at a place and must be kept from what is to lie there; undefined when none does. */
export function childAt(plan: Plan, supply: Supply, spot: Spot): ChildReach | undefined {
  if (supply.hazards.length === 0 || spot.away || spot.place.lockable) return undefined;
  return childReaches(plan).find(
    ({ person, top }) => lowestEdge(spot) < top && supply.hazards.some((h) => person.keepFrom.includes(h)),
  );
}

const grown = new WeakMap<object, { shoulder: number; knee: number }>();
/** The lowest shoulder and the highest knee of the grown people of a plan, mm. */
function between(plan: Plan): { shoulder: number; knee: number } {
  let known = grown.get(plan.people);
  if (!known) {
    known = { shoulder: Infinity, knee: 0 };
    for (const person of Object.values(plan.people)) {
      if (person.child) continue;
      const body = bodyOf(person, null);
      known.shoulder = Math.min(known.shoulder, body.shoulder);
      known.knee = Math.max(known.knee, body.knee);
    }
    grown.set(plan.people, known);
  }
  return known;
}

const smalls = new WeakMap<Supply, boolean>();
/** Whether a thing is small enough to get lost on a shelf: no side long, and it does not stand by itself as a bottle does. */
export function isSmall(supply: Supply): boolean {
  let small = smalls.get(supply);
  if (small === undefined) {
    const piece = pieceOf(supply);
    small = piece !== null && supply.form !== 'sheet' && supply.form !== 'bottle' && sorted(piece)[2] <= SMALL;
    smalls.set(supply, small);
  }
  return small;
}

/** A supply in a place, as far as anything can speak against that. */
type Case = {
  plan: Plan;
  supply: Supply;
  share: Share;
  spot: Spot;
  place: Place;
  nature: Nature;
  band: BandNumber | null;
  /** fetches a year */
  fetches: number;
};

/** Of a case what is the same in every place. */
type Whose = Pick<Case, 'plan' | 'supply' | 'share' | 'fetches'>;

type Rule = {
  /** whether it can say anything of a supply at all; left out: it may */
  concerns?: (who: Whose) => boolean;
  /** how much it counts is said by this weight; null: always in full */
  weighed: Weighed | null;
  seconds: (c: Case) => number;
  words: (c: Case, seconds: number) => string;
  care?: true;
};

const kg = (g: number) => `${(g / 1000).toFixed(1)} kg`;
const onShelf = ({ nature, place }: Case) =>
  nature === 'row' && ['shelf', 'cubby', 'tier', 'away'].includes(place.kind);
const liftAdvised = ({ plan, supply, spot }: Case) => {
  const vertical = Math.max(0, spot.grip.z);
  const onFoot = 1000 * liftLimit({ ...AT_SHELF, vertical, travel: Math.abs(vertical - TABLE) });
  if (!liftedSeated(plan, supply)) return onFoot;
  return Math.min(onFoot, Math.abs(vertical - TABLE) <= BEFORE_HER ? SEATED : SEATED / 2);
};

const SEATED_READS = ['uses', 'stations', 'people'] as const;
const seated = new WeakMap<Supply, { of: Pick<Plan, (typeof SEATED_READS)[number]>; is: boolean }>();
/** Whether somebody in a wheelchair works at an activity that uses it. */
function liftedSeated(plan: Plan, supply: Supply): boolean {
  const known = seated.get(supply);
  if (known && readsSame(SEATED_READS, known.of, plan)) return known.is;
  const onWheels = Object.values(plan.stations).filter((s) => plan.people[s.personId]?.mobility === 'wheelchair');
  const is =
    onWheels.length > 0 &&
    Object.values(plan.uses).some(
      (u) => u.supplyId === supply.id && onWheels.some((s) => s.activityId === u.activityId),
    );
  seated.set(supply, { of: plan, is });
  return is;
}

/** A sort of places. */
type Sort = (place: Place) => boolean;
const takers = new WeakMap<Supply, { places: object; of: Map<Sort, boolean> }>();
/** Whether there is any place of a sort that all of a thing goes into: asked of sorts that do not change. */
function goesIntoAny(plan: Plan, supply: Supply, sort: Sort): boolean {
  let known = takers.get(supply);
  if (known?.places !== plan.places) takers.set(supply, (known = { places: plan.places, of: new Map() }));
  let goes = known.of.get(sort);
  if (goes === undefined) {
    goes = Object.values(plan.places).some(
      (p) => sort(p) && p.keptOut === '' && fitOf(holderOf(p), supply, supply.working).ok,
    );
    known.of.set(sort, goes);
  }
  return goes;
}

const PACKED_READS = ['places', 'stations', 'uses', 'activities'] as const;
const packed = new WeakMap<Supply, { of: Pick<Plan, (typeof PACKED_READS)[number]>; into: string | null }>();
/** The box or cart that a thing belongs in and goes into; null: none. */
function packsInto(plan: Plan, supply: Supply): string | null {
  const known = packed.get(supply);
  if (known && readsSame(PACKED_READS, known.of, plan)) return known.into;
  const unit = ownTraveller(plan, supply);
  const goes = (p: Place) => p.unitId === unit && fitOf(holderOf(p), supply, supply.working).ok;
  const into = unit !== null && Object.values(plan.places).some(goes) ? unit : null;
  packed.set(supply, { of: plan, into });
  return into;
}

/**
 * Of sheets standing in a slot the sun sees but the edges: so much of the harm (own assumption; the edge is less than a thousandth of a sheet, and fades
 * all the same).
 */
const EDGES = 0.1;

/** How much of a thing lies in the sun that falls on a place. */
const litPart = (supply: Supply, place: Place): number =>
  supply.form === 'sheet' && place.kind === 'slot' ? EDGES : 1;

const hangsIn: Sort = ({ kind }) => kind === 'board' || kind === 'hook' || kind === 'hanger';
const isSlot: Sort = ({ kind }) => kind === 'slot';

const RULES: readonly Rule[] = [
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

const inView = (spot: Spot): boolean => spot.place.seen && spot.place.covers.length === 0;

/** Whether a thing is to be seen whatever it is used for, in a plan that goes by that. */
export const isOnShow = (plan: Plan, supply: Supply): boolean => supply.onShow && plan.head.display === 'show';

/** Whether a way of holding is one that suits a supply. */
function suits(supply: Supply, nature: Nature, place: Place): boolean {
  if (place.kind === 'files' && supply.form !== 'sheet' && supply.form !== 'pocket') return false;
  if (nature === 'pockets') {
    const kind = kindOf(supply.kind);
    return (
      supply.storage === 'pockets' || (supply.form === 'pocket' && (kind === null || kind.keeps.includes('pockets')))
    );
  }
  if (nature === 'pile') return ['sheet', 'pocket', 'soft', 'block'].includes(supply.form);
  if (nature === 'bulk')
    return supply.form !== 'sheet' && (supply.storage === 'loose' || naturesFor(supply).includes('bulk'));
  return true;
}

const caseOf = (
  plan: Plan,
  supply: Supply,
  share: Share,
  spot: Spot,
  band: BandNumber | null,
  fetches: number,
): Case => {
  const place = plan.places[spot.place.id] ?? spot.place;
  return { plan, supply, share, spot, place, nature: natureOf(place), band, fetches };
};

const concerning = (who: Whose): readonly Rule[] => RULES.filter((rule) => rule.concerns?.(who) ?? true);

/** What speaks against a share of a supply lying somewhere, apart from the way to it, s a year: for many places of one share. */
export function penaltiesOf(
  plan: Plan,
  supply: Supply,
  share: Share,
  fetches: number,
): (spot: Spot, band: BandNumber | null) => number {
  const rules = concerning({ plan, supply, share, fetches });
  const weights = rules.map(({ weighed }) => (weighed === null ? 1 : weightOf(plan, weighed)));
  return (spot, band) => {
    const c = caseOf(plan, supply, share, spot, band, fetches);
    let sum = 0;
    for (let i = 0; i < rules.length; i++) {
      const seconds = rules[i]!.seconds(c);
      if (seconds > 0) sum += seconds * weights[i]!;
    }
    return sum;
  };
}

/** The same with words, each by itself. */
export function penaltiesFor(
  plan: Plan,
  supply: Supply,
  share: Share,
  spot: Spot,
  band: BandNumber | null,
  fetches: number,
): Penalty[] {
  const c = caseOf(plan, supply, share, spot, band, fetches);
  return concerning(c).flatMap((rule) => {
    const seconds = rule.seconds(c) * (rule.weighed === null ? 1 : weightOf(plan, rule.weighed));
    return seconds > 0 ? [{ seconds, words: saidIn(plan, rule.words(c, seconds)), care: rule.care ?? false }] : [];
  });
}
