import { type Point } from '../../../measures/geometry/index.ts';
import { lookAt } from '../../findings/index.ts';
import { type Plan, type Station, saidIn, isElsewhere } from '../../../record/plan/index.ts';
import { makerOf } from '../../../space/reach/index.ts';
import { type Need, type At } from './need.ts';
import { surface } from './surface.ts';
import { height } from './height.ts';
import { knees } from './knees.ts';
import { light } from './light.ts';
import { power } from './power.ts';
import { feed } from './feed.ts';
import { water } from './water.ts';
import { air } from './air.ts';
import { clean } from './clean.ts';
import { quiet } from './quiet.ts';
import { dark } from './dark.ts';
import { sun } from './sun.ts';
import { unused } from './unused.ts';

/**
 * What a station lacks: surface, height, light, power, water, air, feed, quiet, cleanness, dark, sun, use.
 * @param today ISO date, to say how long nobody worked here; null: not said
 * @returns rows in the order of the page; none while activity or person is missing
 */
export function needsOf(plan: Plan, station: Station, today: string | null = null): Need[] {
  const activity = plan.activities[station.activityId];
  const person = plan.people[station.personId];
  const maker = makerOf(plan, station);
  // what a place elsewhere gives this room does not know
  if (!activity || !person || !maker || isElsewhere(plan, station)) return [];
  const look = lookAt(plan);
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  const work: Point & { z: number } = {
    x: station.x + maker.ahead.x * maker.body.handReach,
    y: station.y + maker.ahead.y * maker.body.handReach,
    z: maker.handHeight,
  };
  const at: At = { plan, look, station, activity, person, maker, table, work };
  return [surface, height, knees, light, power, feed, water, air, clean, quiet, dark, sun]
    .flatMap((row) => row(at))
    .concat(unused(at, today))
    .map((need) => said(plan, need));
}

/** A need in the maker’s own measure. */
function said(plan: Plan, need: Need): Need {
  const words = (text: string) => saidIn(plan, text);
  const { needs, gives, lacks, care } = need;
  return {
    ...need,
    needs: words(needs),
    gives: words(gives),
    lacks: lacks === null ? null : words(lacks),
    care: care === null ? null : words(care),
  };
}
