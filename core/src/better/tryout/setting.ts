import { carried, flowsOf, handOnLength } from '../arrange/index.ts';
import {
  bringingOf,
  carriedOf,
  DUG_OUT,
  type Errand,
  type Fetching,
  fetchingsOf,
  isCarriedTo,
} from '../../living/homes/index.ts';
import { emptyMassOf, massIn, massInUnit } from '../../things/fit/index.ts';
import {
  isElsewhere,
  type Activity,
  outerOf,
  type Place,
  type Plan,
  type Station,
  type Supply,
} from '../../record/plan/index.ts';
import {
  type BandNumber,
  type Fetched,
  fetchAtTable,
  fetchFrom,
  handlingOf,
  makerOf,
  overTable,
  type ReachMotion,
  sceneAt,
} from '../../space/reach/index.ts';
import { inUseIn, loadsOf, sessionsAt, tableRoom, volumeOf, type WhyBack } from '../../living/sessions/index.ts';
import { NO_TOLL, type Toll, tollOf } from './toll.ts';

/** Band 0: it has no home, or none that one gets at: it is looked for and dug out. */
export type Band = BandNumber | 0;

/** Where a thing is fetched from, and for which part of its fetches. */
export type Source = {
  /** null: it has no home */
  place: Place | null;
  part: number;
  band: Band;
  /** of getting it, and of putting it back (nothing where it is used up) */
  get: Toll;
  back: Toll;
  /** of either what the body does on the way there and back: what is gathered pays it together */
  way: Toll;
  /** every motion in order; none where it is dug out */
  motions: readonly ReachMotion[];
  /** the container that was brought to the table, out of which it is taken there */
  out: Place | null;
};

/** One thing that a session asks for. */
export type Need = {
  supply: Supply;
  /** how often the hand goes to it in a session in the months in which it is wanted */
  inSeason: number;
  /** null: it lies out from the first to the last; else it goes back each time, and why */
  back: WhyBack | null;
  /** walks to its home in such a session, and whether it is the walk on which all is got together */
  walks: number;
  gathered: boolean;
  /** how many loads so many of it are */
  loadsFor: (pieces: number) => number;
  /** g and mm³ of one */
  mass: number;
  volume: number;
  /** one reach for it over the table */
  over: Toll;
  months: readonly number[];
  consumed: boolean;
  sources: readonly Source[];
  /** what one of it covers of a table, mm² */
  area: number;
};

/** What is brought once a session and taken away again: a box, a cart, a container carried to the table. */
export type Brought = {
  place: Place | null;
  name: string;
  band: Band;
  toll: Toll;
  area: number;
  motions: readonly ReachMotion[];
};

/** Work handed on: so often a session, to whom. */
export type HandOn = { to: Station; times: number; toll: Toll };

/** A station with all that its sessions ask for, worked out once: what a run-through plays with. */
export type Setting = {
  plan: Plan;
  station: Station;
  activity: Activity;
  /** sessions a year at this station */
  sessions: number;
  brought: readonly Brought[];
  needs: readonly Need[];
  handOns: readonly HandOn[];
  /** it is done elsewhere: what lies out there is reached for out of this room */
  elsewhere: boolean;
  /** room on its worktop for the work and what lies out, mm², and what the work itself takes of it; null: it has none */
  table: { area: number; work: number } | null;
  /** of that what nothing lies on that is always out, mm² */
  spare: number;
};

/** A station with what its sessions ask for; null while it has no activity or no maker. */
export function settingOf(plan: Plan, station: Station): Setting | null {
  const activity = plan.activities[station.activityId];
  if (!activity || !makerOf(plan, station)) return null;
  const sessions = sessionsAt(plan, station);
  const elsewhere = isElsewhere(plan, station);
  const fetchings = fetchingsOf(plan, station);
  const inUse = inUseIn(plan).get(station.id)!;
  const needs = fetchings.map((f): Need => {
    const { supply } = f;
    const { reaches, back, walks, gathered, consumed, area } = inUse.get(supply.id)!;
    return {
      ...{ supply, inSeason: reaches, back, walks, gathered: gathered > 0, consumed, area, months: supply.months },
      ...{ mass: supply.mass, volume: volumeOf(supply) },
      loadsFor: (pieces) => loadsOf(supply, pieces),
      over: elsewhere ? NO_TOLL : { ...NO_TOLL, seconds: overTable(handlingOf(supply, 1, consumed)) },
      sources: sourcesOf(plan, station, f),
    };
  });
  const { free, work, room } = tableRoom(plan, station);
  const laid = needs.reduce((sum, n) => sum + (n.back === null ? n.area : 0), 0);
  return {
    ...{ plan, station, activity, sessions, needs, elsewhere },
    brought: [...travellers(plan, station), ...containersOf(plan, station, fetchings)],
    handOns: handOnsOf(plan, station, sessions),
    table: free > 0 ? { area: work + room, work } : null,
    spare: Math.max(0, room - laid),
  };
}

const dugOut = (place: Place | null, part: number): Source => ({
  ...{ place, part, band: 0, motions: [], out: null },
  get: { ...NO_TOLL, seconds: DUG_OUT },
  back: NO_TOLL,
  way: NO_TOLL,
});

function sourcesOf(plan: Plan, station: Station, { supply, from }: Fetching): Source[] {
  if (from.length === 0) return [dugOut(null, 1)];
  return from.map(({ place, part, errand }) => {
    const fetch = fetchOf(plan, station, place, errand);
    if (errand.seconds === null || !fetch) return dugOut(place, part);
    const covers = errand.carried ? 0 : place.covers.length;
    const of = (which: ReachMotion['part']) => {
      const motions = fetch.motions.filter((m) => m.part === which);
      return motions.length === 0 ? NO_TOLL : tollOf(motions, covers, supply.mass);
    };
    const { band } = errand;
    return {
      place,
      part,
      band: band!,
      get: of('get'),
      back: of('put back'),
      way: tollOf(fetch.way, 0, 0),
      motions: fetch.motions,
      out: errand.carried,
    };
  });
}

function fetchOf(plan: Plan, station: Station, place: Place, { carried, handling }: Errand): Fetched | null {
  if (carried) return fetchAtTable(handling);
  const scene = sceneAt(plan, station);
  const spot = scene.spots.get(place.id);
  const fetch = spot && fetchFrom(scene, makerOf(plan, station)!, spot, handling);
  return fetch?.ok ? fetch : null;
}

/** The kit or the cart of a station. */
function travellers(plan: Plan, station: Station): Brought[] {
  const unit = station.travellerId ? plan.units[station.travellerId] : undefined;
  if (!unit) return [];
  const { motions } = bringingOf(plan, station);
  if (motions.length === 0) return [];
  const area = station.housing === 'kit' ? unit.width * unit.depth : 0;
  const toll = tollOf(motions, 0, (unit.mass ?? 0) + massInUnit(plan, unit.id));
  return [{ place: null, name: unit.name, band: 5, toll, area, motions: motions.map((m) => ({ ...m, part: 'get' })) }];
}

/** Containers that are carried to the seat because something in them is used there. */
function containersOf(plan: Plan, station: Station, fetchings: readonly Fetching[]): Brought[] {
  const out = new Map<string, Brought>();
  for (const { from } of fetchings)
    for (const { place } of from) {
      const container = carriedOf(plan, place);
      const fetch = container && !out.has(container.id) ? isCarriedTo(plan, station, container) : null;
      if (!container || !fetch?.ok) continue;
      const outer = outerOf(plan, container);
      const { motions, band } = fetch;
      out.set(container.id, {
        place: container,
        name: container.name,
        band,
        toll: tollOf(motions, 0, emptyMassOf(plan, container) + massIn(plan, container)),
        area: outer.width * outer.depth,
        motions,
      });
    }
  return [...out.values()].sort((a, b) => (a.place!.id < b.place!.id ? -1 : 1));
}

function handOnsOf(plan: Plan, station: Station, sessions: number): HandOn[] {
  return flowsOf(plan).flatMap(({ from, to, times }) => {
    if (from.id !== station.id || sessions === 0) return [];
    const toll = { ...NO_TOLL, ...carried(plan, from, to, handOnLength(plan, from, to)) };
    return { to, times: times / sessions, toll };
  });
}
