import { placeSaid } from '../../living/concepts/index.ts';
import { placeFilling } from '../../living/homes/index.ts';
import { asOne, type Command, homesIn, type Place, type Plan, type Supply } from '../../record/plan/index.ts';
import { type ByHeart, TRIAL_DAYS } from './by-heart.ts';
import { daysBetween } from './log.ts';
import { type Ask, safe, count, names } from './ask.ts';
import { OF_A_KIND } from './asks-of-supplies.ts';

const labelled = (places: readonly Place[], label: Place['label'], since: string): Command =>
  asOne(
    'decide on notes',
    places.map((p) => ({ type: 'setPlace', id: p.id, set: { label, labelSince: since } })),
  );

/** Places known by heart in which something has come to live since: whoever learnt them does not know of it. */
export function changedByHeart(plan: Plan, day: string): Ask[] {
  const units = new Map<string, { places: Place[]; came: Supply[] }>();
  for (const place of Object.values(plan.places)) {
    const { label, labelSince } = place;
    if (label !== 'learnt' || labelSince === null) continue;
    const came = homesIn(plan, place.id).flatMap((home) =>
      home.since > labelSince ? (plan.supplies[home.supplyId] ?? []) : [],
    );
    if (came.length === 0) continue;
    const of = units.get(place.unitId) ?? { places: [], came: [] };
    units.set(place.unitId, { places: [...of.places, place], came: [...of.came, ...came] });
  }
  return [...units].map(([unitId, { places, came }]) => ({
    key: safe(`learnt:${unitId}`),
    kind: 'label',
    words: `${count(places.length, 'place', 'places')} of ${plan.units[unitId]?.name ?? 'a unit'} known by heart no more`,
    detail: `since they were learnt ${names(came)} came to live there`,
    answers: [
      { words: 'Notes on trial again', command: labelled(places, 'trial', day) },
      { words: 'We know by heart', command: labelled(places, 'learnt', day) },
    ],
    go: { view: 'labels' },
  }));
}

/** Labels that nobody needs any more: what they say was found at the first look without them. */
export function byHeart(plan: Plan, known: readonly ByHeart[], day: string): Ask[] {
  const units = new Map<string, { places: Place[]; found: Supply[] }>();
  for (const { place, found } of known) {
    const of = units.get(place.unitId) ?? { places: [], found: [] };
    units.set(place.unitId, { places: [...of.places, place], found: [...of.found, ...found] });
  }
  return [...units].map(([unitId, { places, found }]) => ({
    key: safe(`byHeart:${unitId}`),
    kind: 'label',
    words: `${plan.units[unitId]?.name ?? 'A unit'}: ${count(places.length, 'label', 'labels')} not needed any more`,
    detail: `${names(found)}: found at the first look`,
    answers: [
      { words: places.length === 1 ? 'Take it off' : 'Take them off', command: labelled(places, 'learnt', day) },
      {
        words: places.length === 1 ? 'It stays' : 'They stay',
        command: asOne(
          'labels stay',
          places.map((p) => ({ type: 'setPlace', id: p.id, set: { labelSince: day } })),
        ),
      },
    ],
    go: { view: 'labels' },
  }));
}

export function notes(plan: Plan, known: ReadonlySet<string>, day: string): Ask[] {
  const units = new Map<string, Place[]>();
  for (const p of Object.values(plan.places))
    if (
      !known.has(p.id) &&
      p.label === 'trial' &&
      p.labelSince !== null &&
      daysBetween(p.labelSince, day) >= TRIAL_DAYS
    )
      units.set(p.unitId, [...(units.get(p.unitId) ?? []), p]);
  return [...units].map(([unitId, places]) => ({
    key: safe(`label:${unitId}`),
    kind: 'label',
    words: `${count(places.length, 'note', 'notes')} on ${plan.units[unitId]?.name ?? 'a unit'} to decide on`,
    detail: `on trial for ${Math.floor(daysBetween(places[0]!.labelSince!, day) / 7)} weeks`,
    answers: [
      { words: 'Labels for good', command: labelled(places, 'permanent', day) },
      { words: 'Learnt, notes off', command: labelled(places, 'learnt', day) },
    ],
    go: { view: 'labels' },
  }));
}

export function overFull(plan: Plan): Ask[] {
  const found: Ask[] = [];
  for (const place of Object.values(plan.places)) {
    if (found.length === OF_A_KIND) break;
    if (homesIn(plan, place.id).length === 0) continue;
    const [fault] = placeFilling(plan, place).faults;
    if (!fault) continue;
    found.push({
      ...{ key: safe(`full:${place.id}`), kind: 'overFull', answers: [], words: placeSaid(plan, place) },
      detail: fault,
      go: { stone: 'furniture', query: `unit=${place.unitId}&place=${place.id}` },
    });
  }
  return found;
}
