import { badNeighbours, balanceOf, balanceWords, isShort, togetherOf } from '../../living/zones/index.ts';
import { type Found, found, type Look } from './finding.ts';

/** Scattering that costs less is nobody’s trouble, s a year (own assumption: half an hour). */
const WORTH = 1800;

/** Zones too small for what belongs to them, or in two far corners. */
export function zoneChecks(look: Look): Found[] {
  const { plan } = look;
  if (Object.keys(plan.zones).length === 0) return [];
  return [...tooSmall(look), ...scattered(look)];
}

function tooSmall({ plan }: Look): Found[] {
  return [...balanceOf(plan)].flatMap(([zoneId, balances]) => {
    const zone = plan.zones[zoneId]!;
    // a zone to which nothing is given yet is only named so far
    if (balances.every((b) => b.offers === 0)) return [];
    const short = balances.filter(isShort).map((b) => balanceWords(zone.name, b, plan.head));
    return short.length === 0 ? [] : [found('zoneSmall', [zoneId], `${short.join('; ')}.`)];
  });
}

function scattered({ plan }: Look): Found[] {
  return Object.values(plan.zones).flatMap((zone) => {
    const { far, saves, station } = togetherOf(plan, zone.id);
    if (far.length === 0 || saves < WORTH) return [];
    const names = far.map((u) => u.name).join(', ');
    return [
      found(
        'zoneScattered',
        [zone.id],
        `${zone.name} is worked at ${station!.name}, and ${names} of it is a walk away: near the rest it would save ${(saves / 3600).toFixed(1)} h a year.`,
        { unitIds: far.map((u) => u.id) },
      ),
    ];
  });
}

/** Zones beside what harms them. */
export function besideChecks({ plan }: Look): Found[] {
  return badNeighbours(plan).map(({ zones: [a, b], why, care }) =>
    found(care ? 'zoneHazard' : 'zoneBeside', [a.id, b.id], `${a.name} lies beside ${b.name}: ${why}.`),
  );
}
