import {
  isOddsAndEnds,
  nameOfPlace,
  placeSaid,
  type Together,
  togetherThatMustBeApart,
} from '../../living/concepts/index.ts';
import { placeTitle } from '../../record/plan/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** So many things are named. */
const NAMED = 3;

/** What lies together and must be apart; places that nobody can name. */
export function nameChecks(look: Look): Found[] {
  return [...mustBeApart(look), ...unsayable(look)];
}

function mustBeApart({ plan }: Look): Found[] {
  const byPlace = new Map<string, Together[]>();
  for (const one of togetherThatMustBeApart(plan)) {
    const key = `${one.rule.id} ${one.placeId}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), one]);
  }
  return [...byPlace.values()].map((all) => {
    const [{ rule, placeId, b }] = all as [Together];
    const place = plan.places[placeId]!;
    const things = few(all.map((t) => t.a.name));
    return found('apart', [rule.id, placeId], `${placeSaid(plan, place)}: ${things} with ${b.name}. ${rule.words}`, {
      unitIds: [place.unitId],
      placeIds: [placeId],
    });
  });
}

function unsayable({ plan }: Look): Found[] {
  return Object.values(plan.places).flatMap((place) => {
    const name = nameOfPlace(plan, place.id);
    // a board is seen at a glance
    if (!name || name.typed || place.kind === 'board' || !isOddsAndEnds(name)) return [];
    const others = few(name.uncovered.map((id) => plan.supplies[id]?.name ?? 'something'));
    const [first] = name.names;
    const cure = first
      ? `without ${others} it would be “${name.names.map((n) => n.words).join(' and ')}”`
      : 'nothing in it goes together';
    return [
      found('unsayable', [place.id], `${placeTitle(plan, place)} cannot be said in a word or two: ${cure}.`, {
        unitIds: [place.unitId],
        placeIds: [place.id],
      }),
    ];
  });
}

function few(names: readonly string[]): string {
  const all = [...new Set(names)];
  const more = all.length - NAMED;
  return `${all.slice(0, NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}
