import { bodyOf } from '../../space/body/index.ts';
import { type Nature } from '../../record/catalogue/index.ts';
import { fitOf, holderOf, pieceOf, sorted } from '../../things/fit/index.ts';
import { kindOf, naturesFor } from '../../things/kinds/index.ts';
import { type Place, type Plan, type Share, type Supply, readsSame } from '../../record/plan/index.ts';
import { ownTraveller } from './arranged.ts';
import { type BandNumber, type Spot } from '../../space/reach/index.ts';

/** A thing is small when no side is longer, mm (own assumption). */
const SMALL = 130;

const grown = new WeakMap<object, { shoulder: number; knee: number }>();

/** The lowest shoulder and the highest knee of the grown people of a plan, mm. */
export function between(plan: Plan): { shoulder: number; knee: number } {
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
export type Case = {
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
export type Whose = Pick<Case, 'plan' | 'supply' | 'share' | 'fetches'>;

export const kg = (g: number) => `${(g / 1000).toFixed(1)} kg`;

export const onShelf = ({ nature, place }: Case) =>
  nature === 'row' && ['shelf', 'cubby', 'tier', 'away'].includes(place.kind);

/** A sort of places. */
type Sort = (place: Place) => boolean;

const takers = new WeakMap<Supply, { places: object; of: Map<Sort, boolean> }>();

/** Whether there is any place of a sort that all of a thing goes into: asked of sorts that do not change. */
export function goesIntoAny(plan: Plan, supply: Supply, sort: Sort): boolean {
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
export function packsInto(plan: Plan, supply: Supply): string | null {
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
export const litPart = (supply: Supply, place: Place): number =>
  supply.form === 'sheet' && place.kind === 'slot' ? EDGES : 1;

export const hangsIn: Sort = ({ kind }) => kind === 'board' || kind === 'hook' || kind === 'hanger';

export const isSlot: Sort = ({ kind }) => kind === 'slot';

export const inView = (spot: Spot): boolean => spot.place.seen && spot.place.covers.length === 0;

/** Whether a thing is to be seen whatever it is used for, in a plan that goes by that. */
export const isOnShow = (plan: Plan, supply: Supply): boolean => supply.onShow && plan.head.display === 'show';

/** Whether a way of holding is one that suits a supply. */
export function suits(supply: Supply, nature: Nature, place: Place): boolean {
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
