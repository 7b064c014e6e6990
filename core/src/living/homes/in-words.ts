import {
  andJoined,
  type Concept,
  inSentence,
  isOddsAndEnds,
  nameOfPlace,
  placeSaid,
  sayingsIn,
  shelvedAs,
  togetherThatMustBeApart,
} from '../concepts/index.ts';
import {
  type Home,
  homesIn,
  homesOf,
  type Place,
  type Plan,
  placeTitle,
  type Supply,
} from '../../record/plan/index.ts';
import { foundAgainSum } from './again.ts';
import { type Tally } from './tally.ts';

/** More is not listened to. */
export const MOST_SENTENCES = 10;
/** So many of a concept’s things are worth a sentence. */
const WORTH_SAYING = 3;

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);
const hours = (seconds: number) =>
  seconds >= 5400 ? `${(seconds / 3600).toFixed(0)} h` : `${Math.round(seconds / 60)} min`;

/** All that goes by one concept, and where it lies. */
type Group = { concept: Concept; things: readonly Supply[]; places: ReadonlySet<string>; units: ReadonlySet<string> };

/** Everything at hand by what it may be called, with the places it lies in. */
function groupsOf(plan: Plan): Group[] {
  const groups = new Map<string, { concept: Concept; things: Supply[]; places: Set<string>; units: Set<string> }>();
  for (const supply of Object.values(plan.supplies)) {
    const homes = homesOf(plan, supply.id, 'working').filter((h) => plan.places[h.placeId]);
    const shelved = shelvedAs(plan, supply.id);
    if (homes.length === 0 || !shelved) continue;
    for (const level of ['family', 'own', 'aisle'] as const) {
      const concept = shelved[level];
      if (!concept) continue;
      const key = `${level} ${concept.id}`;
      const group = groups.get(key) ?? { concept, things: [], places: new Set<string>(), units: new Set<string>() };
      groups.set(key, group);
      group.things.push(supply);
      for (const { placeId } of homes) {
        group.places.add(placeId);
        group.units.add(plan.places[placeId]!.unitId);
      }
    }
  }
  return [...groups.values()].filter((g) => g.things.length >= WORTH_SAYING);
}

const inUnit = (plan: Plan, unitId: string) => {
  const unit = plan.units[unitId];
  return `${unit?.kind === 'wallBoard' ? 'on' : 'in'} the ${inSentence(unit?.name ?? 'unit')}`;
};
const inPlace = (plan: Plan, place: Place) => {
  const within = placeTitle(plan, place).split(' › ').slice(1).join(', ');
  return `${inUnit(plan, place.unitId)}${within === '' ? '' : ` (${within})`}`;
};

/** So many sentences say what lies together. */
const MOST_TOGETHER = 5;
/** Looking for want of labels that is worth a sentence, s a year (own choice). */
const WORTH_A_LABEL = 1800;

/**
 * What found homes are, as one would tell a friend, in at most ten sentences: how much moved and what that is worth; what is together and where; chemistry; reserves; how
 * places can be called; what is still without a home.
 */
export function tellFound(before: { plan: Plan; tally: Tally }, now: { plan: Plan; tally: Tally }): string[] {
  const { plan } = now;
  const said: string[] = [];
  const moved = new Set(
    Object.values(plan.homes).flatMap((home) => {
      const was = homesOf(before.plan, home.supplyId, home.share);
      return was.some((h) => h.placeId === home.placeId) ? [] : [home.supplyId];
    }),
  );
  const homed = before.tally.without.length - now.tally.without.length;
  const [took, takes] = [hours(before.tally.year), hours(now.tally.year)];
  said.push(
    `${moved.size === 0 ? 'Nothing moved' : `${moved.size} of ${Object.keys(plan.supplies).length} things moved`}${homed > 0 ? `, ${homed} of them had no home` : ''}: a year takes ${takes}${took === takes ? '' : ` where it took ${took}`}.`,
  );
  const chemistry = chemistryWords(plan);
  if (chemistry) said.push(chemistry);
  const reserves = reserveWords(plan);
  if (reserves) said.push(reserves);
  const names = sayingsIn(plan);
  if (names.places > 0) {
    const odd = Object.values(plan.places).filter((p) => {
      const name = nameOfPlace(plan, p.id);
      return name && !name.typed && isOddsAndEnds(name) && p.kind !== 'board';
    });
    const [first] = odd;
    said.push(
      `${names.oneName} of ${names.places} places with several things go by one name${first ? `; odds and ends are ${inPlace(plan, first)}` : ''}.`,
    );
  }
  const [was, is] = [foundAgainSum(before.plan), foundAgainSum(plan)];
  if (Math.abs(was.meanLooks - is.meanLooks) >= 0.05)
    said.push(
      `What you do not know by heart you find after ${is.meanLooks.toFixed(1)} looks, ${was.meanLooks.toFixed(1)} before.`,
    );
  const unlabelled = now.tally.unlabelled;
  if (unlabelled >= WORTH_A_LABEL)
    said.push(`Names count as written on: until the labels are there, looking takes ${hours(unlabelled)} more.`);
  const { without } = now.tally;
  if (without.length > 0) {
    const things = [...new Set(without.map((s) => s.supply.name))];
    said.push(
      `${andJoined(things.slice(0, 3))}${things.length > 3 ? ` and ${things.length - 3} more` : ''} ${things.length === 1 ? 'has' : 'have'} no home that works.`,
    );
  }
  // what lies together has the room that is left: nothing that is still to be done is cut off
  said.splice(1, 0, ...togetherness(plan, Math.min(MOST_TOGETHER, MOST_SENTENCES - said.length)));
  return said;
}

/** What lies together: all of a name in one place, or in one unit; the largest first, none twice. */
function togetherness(plan: Plan, most: number): string[] {
  const groups = groupsOf(plan)
    .filter((g) => g.places.size === 1 || g.units.size === 1)
    .sort((a, b) => b.things.length - a.things.length || (a.concept.words < b.concept.words ? -1 : 1));
  const told = new Set<string>();
  const out: string[] = [];
  for (const group of groups) {
    if (out.length === most) break;
    // chemistry has a sentence of its own
    if (group.things.every((s) => shelvedAs(plan, s.id)?.aisle?.id === 'chemistry')) continue;
    const fresh = group.things.filter((s) => !told.has(s.id));
    if (fresh.length < WORTH_SAYING || fresh.length * 2 < group.things.length) continue;
    for (const { id } of group.things) told.add(id);
    const [place] = [...group.places];
    const where = group.places.size === 1 ? inPlace(plan, plan.places[place!]!) : inUnit(plan, [...group.units][0]!);
    out.push(
      group.concept.level === 'own'
        ? `Everything ${group.concept.words} is ${where}.`
        : `${capital(group.concept.words)}: all ${where}.`,
    );
  }
  return out;
}

function chemistryWords(plan: Plan): string | null {
  const things = Object.values(plan.supplies).filter((s) => shelvedAs(plan, s.id)?.aisle?.id === 'chemistry');
  const units = new Set(
    things.flatMap((s) => homesOf(plan, s.id, 'working').flatMap((h) => plan.places[h.placeId]?.unitId ?? [])),
  );
  if (things.length < 2 || units.size === 0) return null;
  const mixed = togetherThatMustBeApart(plan).filter((t) => t.rule.id === 'chemistry');
  if (mixed.length > 0)
    return `Chemistry still lies with other things, ${placeSaid(plan, plan.places[mixed[0]!.placeId]!)} for one.`;
  return `Chemistry stands by itself ${andJoined([...units].map((id) => inUnit(plan, id)))}.`;
}

function reserveWords(plan: Plan): string | null {
  const homes = Object.values(plan.homes).filter(
    (h): h is Home => h.share === 'backstock' && plan.places[h.placeId] !== undefined,
  );
  if (homes.length < WORTH_SAYING) return null;
  const units = new Map<string, number>();
  for (const { placeId } of homes) {
    const unit = plan.places[placeId]!.unitId;
    units.set(unit, (units.get(unit) ?? 0) + 1);
  }
  const [[unit, n]] = [...units].sort((a, b) => b[1] - a[1]) as [[string, number]];
  const beside = homes.filter((h) =>
    homesIn(plan, h.placeId).some((o) => o.supplyId === h.supplyId && o.share === 'working'),
  ).length;
  if (beside * 2 >= homes.length) return `Most reserves lie beside what is in use (${beside} of ${homes.length}).`;
  return `Of ${homes.length} reserves ${n} went ${inUnit(plan, unit)}.`.replace('went in the', 'went into the');
}
