import { inMeasure } from '@heronstone/core/lengths';
import { fitOf, holderOf, stowageWith } from '@heronstone/core/fit';
import { costOfHome, optionsFor, type Refit } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import { amountOf, homesOf, type Place, type Plan, type Share, type Supply } from '@heronstone/core/plan';
import { bandName, fetchWords, yearWords } from '../../ui/words.ts';

/** Whether a share goes into a place beside what lives there, in a few words; `ok` when it does. */
export function roomWords(plan: Plan, place: Place, supply: Supply, share: Share): { ok: boolean; words: string } {
  const alone = fitOf(holderOf(place), supply, amountOf(supply, share));
  if (!alone.ok) return { ok: false, words: inMeasure(alone.reason, plan.head.measure) };
  const then = stowageWith(plan, place, supply, share, amountOf(supply, share));
  const left = then.things.find((t) => t.over > 0);
  return left
    ? {
        ok: false,
        words: left.id === 'coming' ? 'no room beside what is there' : `no room then for ${left.supply.name}`,
      }
    : { ok: true, words: `${Math.round((then.used / then.capacity) * 100)} % full then` };
}

/** What dropping a share here would cost, against where it is now. */
export function dropWords(plan: Plan, supply: Supply, share: Share, placeId: string): string {
  const place = plan.places[placeId];
  const cost = costOfHome(plan, supply, share, placeId);
  if (!place || !cost) return '';
  if (cost.reason) return cost.reason;
  const [now] = homesOf(plan, supply.id, share);
  const before = now ? costOfHome(plan, supply, share, now.placeId) : null;
  const change =
    before && Number.isFinite(before.seconds) && now!.placeId !== placeId ? cost.seconds - before.seconds : null;
  const against = change === null ? '' : change <= 0 ? `, ${yearWords(-change)} less` : `, ${yearWords(change)} more`;
  const room = roomWords(plan, place, supply, share);
  return `${bandName(cost.band)} · ${fetchWords(cost.each)} · ${yearWords(cost.seconds)}${against} · ${room.words}`;
}

/** What would have to make room for it and where that goes, with what it all changes; nothing when nothing has to. */
export function refitWords(plan: Plan, refit: Refit | null): string {
  if (!refit || refit.displaced.length === 0) return '';
  const going = refit.displaced
    .map((d) => `${d.supply.name} goes to ${placeSaid(plan, plan.places[d.to]!)}`)
    .join(' and ');
  const change = refit.change <= 0 ? `${yearWords(-refit.change)} less` : `${yearWords(refit.change)} more`;
  return `; room if ${going}, ${change} in all`;
}

export type Offer = {
  place: Place;
  /** s a year, being away from its family counted in */
  seconds: number;
  each: number;
  band: Parameters<typeof bandName>[0];
  room: { ok: boolean; words: string };
  /** what speaks against it, in a few words */
  care: string | null;
};

/** From so many seconds a year that finding it again takes a place is said to be a strange one (own choice). */
const STRANGE = 600;

/**
 * Places a share goes into and everybody who uses it reaches, those with room first, cheapest first; where it lives now is always among them.
 * @param most so many, its homes besides
 */
export function bestPlaces(plan: Plan, supply: Supply, share: Share, most: number): Offer[] {
  const homes = new Set(homesOf(plan, supply.id, share).map((h) => h.placeId));
  const withRoom: Offer[] = [];
  const without: Offer[] = [];
  const now: Offer[] = [];
  for (const { place, cost, apart, again } of optionsFor(plan, supply, share)) {
    const own = homes.has(place.id);
    if (!own && withRoom.length >= most) {
      if (now.length === homes.size) break;
      continue;
    }
    const room = roomWords(plan, place, supply, share);
    const offer: Offer = {
      place,
      seconds: cost.seconds + apart + again,
      each: cost.each,
      band: cost.band,
      room,
      care:
        cost.penalties[0]?.words.split(/[:.]/)[0] ??
        (apart > 0 ? 'away from its family' : again >= STRANGE ? 'nobody would look for it there' : null),
    };
    if (own) now.push(offer);
    (room.ok ? withRoom : without).push(offer);
  }
  const shown = [...withRoom, ...without].slice(0, most);
  return [...shown, ...now.filter((o) => !shown.includes(o))];
}
