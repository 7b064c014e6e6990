import { chairWays, directWays, onTheSpotWays } from './from-the-seat.ts';
import { type Maker } from './maker.ts';
import { footWays } from './on-foot.ts';
import { inWheelchairReach, wheelWays } from './on-wheels.ts';
import { type Scene, type Spot } from './spot.ts';
import { Cheapest, type Refusal, type Way } from './way.ts';

export type Ways = { ok: true; way: Way } | { ok: false; refusal: Refusal };

/**
 * Of all ways that get a hand to a place the cheapest, by the time of a plain fetch, got and put back; its band is the band of the place. Or why
 * there is none.
 */
export function cheapestWay(scene: Scene, maker: Maker, spot: Spot): Ways {
  const cheapest = new Cheapest(spot);
  // what is below or above what is reached from a wheelchair is so wherever it stands
  const within = maker.person.mobility !== 'wheelchair' || inWheelchairReach(spot.grip.z);
  if (!within) return { ok: false, refusal: wheelWays(scene, maker, spot, cheapest) ?? 'far' };
  directWays(scene, maker, spot, cheapest);
  if (maker.seat.standing) onTheSpotWays(scene, maker, spot, cheapest);
  else chairWays(scene, maker, spot, cheapest);
  const why =
    maker.person.mobility === 'wheelchair'
      ? wheelWays(scene, maker, spot, cheapest)
      : footWays(scene, maker, spot, cheapest);
  if (cheapest.way) return { ok: true, way: cheapest.way };
  return { ok: false, refusal: why ?? 'far' };
}
