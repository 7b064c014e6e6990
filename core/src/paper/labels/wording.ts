import { nameFor, shelvedAs } from '../../living/concepts/index.ts';
import {
  homesIn,
  type LabelShows,
  type Place,
  placeWithAllIn,
  type Plan,
  placeTitle,
  type Supply,
} from '../../record/plan/index.ts';

/** What one label carries. */
export type LabelText = {
  /** of which place, row or thing it is */
  id: string;
  name: string;
  /** what lies there, shortest first; empty: not to be shown */
  contents: string[];
  swatches: string[];
  /** marks that tie what is there to what lies elsewhere */
  dots: readonly (readonly number[])[];
  /** what its code says; null: none */
  code: string | null;
  photo: string | null;
  /** a note on trial says since when */
  since: string | null;
  /** on so many sides it goes */
  copies: number;
};

/** What begins every code of ours, then a kind and an id. */
const CODE = 'HERON:';
export type Coded = { kind: 'place' | 'supply'; id: string };
export const codeOf = ({ kind, id }: Coded): string => `${CODE}${kind === 'place' ? 'P' : 'S'}:${id}`;
/** What a code read off a label means; null: it is none of ours. */
export function readCode(text: string): Coded | null {
  const m = /^HERON:([PS]):([A-Za-z0-9][A-Za-z0-9._-]{0,79})$/.exec(text.trim());
  return m ? { kind: m[1] === 'P' ? 'place' : 'supply', id: m[2]! } : null;
}

function suppliesIn(plan: Plan, place: Place): Supply[] {
  const all = placeWithAllIn(plan, place).flatMap((p) => homesIn(plan, p.id));
  const ids = new Set(all.map((h) => h.supplyId));
  return [...ids]
    .flatMap((id) => plan.supplies[id] ?? [])
    .sort((a, b) => a.name.length - b.name.length || (a.id < b.id ? -1 : 1));
}

/** What a place without words of its own is known by: the shortest saying for what is in it; where it is while that is nothing. */
function knownBy(plan: Plan, place: Place, supplies: readonly Supply[]): string {
  const name = nameFor(
    place,
    supplies.flatMap((s) => shelvedAs(plan, s.id) ?? []),
  );
  return name?.words ?? (place.organiserId !== null ? place.name : placeTitle(plan, place));
}

const dotsOf = (plan: Plan, supplies: readonly Supply[]) =>
  Object.values(plan.ties)
    .filter((t) => t.supplyIds.some((id) => supplies.some((s) => s.id === id)))
    .map((t) => t.dots);

/** The label of a place: its words, and of what lies there as much as is asked for. */
export function placeLabel(plan: Plan, place: Place, shows: readonly LabelShows[] = place.labelShows): LabelText {
  const has = (what: LabelShows) => shows.includes(what);
  const supplies = suppliesIn(plan, place);
  const name = place.labelWords || knownBy(plan, place, supplies);
  return {
    id: place.id,
    name: has('name') || !has('contents') ? name : '',
    // said once is enough
    contents: has('contents') && !(has('name') && supplies.length === 1) ? supplies.map((s) => s.name) : [],
    swatches: has('swatch') ? [...new Set(supplies.flatMap((s) => s.colour ?? []))].slice(0, 12) : [],
    dots: has('dots') ? dotsOf(plan, supplies).slice(0, 3) : [],
    code: has('code') ? codeOf({ kind: 'place', id: place.id }) : null,
    photo: has('picture') ? (place.photo ?? supplies.find((s) => s.photo)?.photo ?? null) : null,
    since: place.label === 'trial' ? place.labelSince : null,
    copies: Math.max(1, place.labelSides.length),
  };
}

/** The label of a thing itself, with its dots: a pattern and its magazine carry the same. */
export const supplyLabel = (plan: Plan, supply: Supply): LabelText => ({
  ...{ id: supply.id, name: supply.name, contents: [], photo: null, since: null, copies: 1 },
  swatches: supply.colour ? [supply.colour] : [],
  dots: dotsOf(plan, [supply]),
  code: codeOf({ kind: 'supply', id: supply.id }),
});

/** The label of a row of slots: its name and its colours in order. */
export const rowLabel = (plan: Plan, rowId: string): LabelText | null => {
  const row = plan.colourRows[rowId];
  if (!row) return null;
  return {
    ...{ id: row.id, name: row.name, contents: [], photo: null, since: null, copies: 1, dots: [], code: null },
    swatches: row.slots.flatMap((id) => plan.supplies[id]?.colour ?? []),
  };
};
