import { AREA_SHARE, capacityOf, holderOf, stowageOf, fitOf } from '../../things/fit/index.ts';
import {
  amountOf,
  countIn,
  type Home,
  homesOf,
  isLeaving,
  type Plan,
  OWN_SHARES,
  type Supply,
} from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { decisionOf } from './arranged.ts';
import { bringingCharges, visitCharges } from './charges.ts';
import { loadBeforeSag, loadsLeft } from './bearing.ts';
import { Ground } from './ground.ts';
import { needOf } from './need.ts';
import { lookSpreads } from './look-spread.ts';
import { rowsAmong } from './rows.ts';
import { mayGo, sortsOf } from './mixing.ts';
import { periodsOfYear } from './periods.ts';
import { costWithoutHome, familyOf, SEASON_CHANGE, SPLIT, spreadOf } from './tally.ts';
import { yearlyUses } from './uses.ts';
import { growthIn } from './weights.ts';
import { type Translation, type Lot, type Ledger } from './translation.ts';
import { usualKinds, candidatesOf, formsOf, optionsOf } from './candidates.ts';
import { partsOf } from './parts.ts';
import { todaysHomes } from './todays-homes.ts';

/**
 * Translates a plan: one lot for every share with a count, or for each of its parts where it is in several homes or goes into no place whole; costs
 * in seconds a year, use in the measure of each place. What is pinned, or has a home and could go nowhere else (not measured yet, say), is no lot
 * and takes its room; so is what its maker has arranged (a packed box, a laid row, a place labelled for good). Yields after each supply, so that a
 * caller can breathe.
 * @param undone key of a decision that is taken back for once
 */
export function* translating(plan: Plan, undone: string | null = null): Generator<void, Translation> {
  const staysAt = (home: Home): boolean => {
    const decision = home.pinned ? null : decisionOf(plan, home);
    return home.pinned || (decision !== null && decision.key !== undone);
  };
  const scene = sceneOf(plan);
  const spots = [...scene.spots.values()].sort((a, b) => (a.place.id < b.place.id ? -1 : 1));
  const holders = new Map(spots.map(({ place }) => [place.id, holderOf(plan.places[place.id]!)]));
  const places = new Map(
    spots.map(({ place }) => {
      const holder = holders.get(place.id)!;
      const { used, things } = stowageOf(plan, plan.places[place.id]!);
      // containers and boxes are there already: what is left is packed for real in the end
      const taken = used - things.reduce((sum, t) => sum + t.use, 0);
      const free = Math.max(0, capacityOf(holder) - taken);
      const most = taken + free * (holder.nature === 'area' ? AREA_SHARE : 1);
      const target = taken + (most - taken) * (1 - growthIn(plan, plan.places[place.id]!));
      return [place.id, { most, fixed: taken, today: 0, load: 0, sagFrom: 0, target }];
    }),
  );
  // what stands in a place is in the way of a share, what lies there can move
  const standing = new Map([...places].map(([id, p]) => [id, p.fixed]));
  const ground = new Ground(plan, spots, ({ place }) => usualKinds(holders.get(place.id)!));
  const candidates = candidatesOf(plan, spots, holders, ground);
  yield;
  const beside = (id: string) => places.get(id)!.most - standing.get(id)!;
  const [rated, unseen] = [
    loadsLeft(plan, (place) => place.load),
    loadsLeft(plan, (place) => loadBeforeSag(plan, place)),
  ];
  for (const [id, place] of places) {
    place.load = rated.get(id)!;
    place.sagFrom = unseen.get(id)!;
  }
  const stays = new Set<string>();
  const fix = ({ id, placeId }: Home, supply: Supply, count: number) => {
    stays.add(id);
    const place = places.get(placeId);
    if (!place) return;
    const use = fitOf(holders.get(placeId)!, supply, count);
    const unknown = !use.ok && use.reason === 'not measured yet';
    place.fixed += use.ok ? use.use : unknown ? 0 : place.most;
    place.load = Math.max(0, place.load - count * supply.mass);
    place.sagFrom = Math.max(0, place.sagFrom - count * supply.mass);
  };
  const periods = periodsOfYear(plan);
  const lots: Translation['lots'] = [];
  const lotOf = new Map<string, Lot>();
  const keptAs = new Map<string, ReadonlyMap<string, Supply>>();
  const ledger: Ledger[] = [];
  const families = new Map<string, { lots: string[]; spread: number }>();
  const homes = new Map<string, Home>();
  const inFamily = (id: string, lot: string, spread: number) => {
    const family = families.get(id);
    if (family) family.lots.push(lot);
    else families.set(id, { lots: [lot], spread });
  };
  for (const supply of Object.values(plan.supplies).sort((a, b) => (a.id < b.id ? -1 : 1))) {
    for (const share of OWN_SHARES) {
      if (isLeaving(supply)) {
        // what is on its way out lies where it lies until it is gone
        for (const home of homesOf(plan, supply.id, share)) fix(home, supply, countIn(plan, home, supply));
        if (share === 'working')
          for (const home of homesOf(plan, supply.id, 'resting')) fix(home, supply, countIn(plan, home, supply));
        continue;
      }
      for (const home of homesOf(plan, supply.id, share))
        if (staysAt(home)) fix(home, supply, countIn(plan, home, supply));
      const parts = partsOf(plan, supply, share, candidates, beside, staysAt);
      const season = share === 'working' ? periods.wanted(supply) : null;
      const resting = homesOf(plan, supply.id, 'resting');
      const changes =
        season !== null && parts.length === 1 && parts[0]!.count === supply.working && resting.every((h) => !h.pinned);
      for (const [i, { count, home, uses }] of parts.entries()) {
        const forms = parts.length === 1 && !changes ? formsOf(plan, supply, share) : [supply];
        const found = optionsOf(plan, forms, share, count, uses, candidates, ground, home?.placeId);
        const { options } = found;
        // what could go nowhere else stays where it lies
        if (home && options.length === 0) {
          fix(home, supply, count);
          continue;
        }
        const id = parts.length === 1 ? `${supply.id}.${share}` : `${supply.id}.${share}#${i + 1}`;
        lotOf.set(id, { supply, share, count, periods: changes ? season! : periods.all });
        if (found.keptAs.size > 0) keptAs.set(id, found.keptAs);
        if (home) homes.set(id, home);
        const part = count / amountOf(supply, share);
        lots.push({ id, weight: count * supply.mass, leave: costWithoutHome(plan, supply, share) * part, options });
        ledger.push(found.ledger);
        if (parts.length > 1) inFamily(`${supply.id}.${share}`, id, SPLIT);
        const family = share === 'working' ? familyOf(plan, supply) : null;
        if (family !== null) inFamily(`family ${family}`, id, spreadOf(plan, supply));
        if (!changes) continue;
        // where it rests out of its season: where it is in it, or elsewhere at the price of changing over
        const rests = resting[0] ?? home;
        const away = yearlyUses(plan, supply, 'resting');
        const other = optionsOf(plan, [supply], 'resting', count, away, candidates, ground, rests?.placeId);
        if (other.options.length === 0) continue;
        const restId = `${supply.id}.resting`;
        lotOf.set(restId, { supply, share: 'resting', count, periods: periods.all & ~season! });
        if (rests) homes.set(restId, rests);
        const leave = costWithoutHome(plan, supply, 'resting');
        lots.push({ id: restId, weight: count * supply.mass, leave, options: other.options });
        ledger.push(other.ledger);
        inFamily(`season ${supply.id}`, id, SEASON_CHANGE);
        inFamily(`season ${supply.id}`, restId, SEASON_CHANGE);
      }
      if (share === 'working' && !changes) for (const one of resting) fix(one, supply, countIn(plan, one, supply));
    }
    yield;
  }
  const named = lots.map(({ id }) => ({ id, supplyId: lotOf.get(id)!.supply.id }));
  const sorts = sortsOf(plan, named, stays, [...places.keys()]);
  const may = mayGo(sorts);
  for (const [i, lot] of lots.entries()) {
    // an option where something stays that it must be apart from is none, unless it would have none left
    const kept = lot.options.map((o) => may(lot.id, o.place));
    if (!kept.includes(true)) continue;
    lot.options = lot.options.filter((_, k) => kept[k]);
    ledger[i]!.options = ledger[i]!.options.filter((_, k) => kept[k]);
  }
  const today = todaysHomes(plan, periods.count, { lots, lotOf, places, homes });
  const { charges: bringing, brought } = bringingCharges(plan, lots, lotOf);
  const charges = [...bringing, ...visitCharges(plan, { ground, lots, ledger })];
  return {
    ...{ ground, ledger, charges, brought, sorts },
    lookSpread: lookSpreads(
      plan,
      families,
      new Map(lots.map(({ id }, i) => [id, needOf(ledger[i]!.uses, ledger[i]!.part)])),
    ),
    lots,
    periods: periods.count,
    lotOf,
    keptAs,
    stays,
    families: [...families].filter(([, f]) => f.lots.length > 1).map(([id, f]) => ({ id, ...f })),
    rows: rowsAmong(plan, places.keys()),
    places,
    today,
  };
}

/** {@link translating} at once. */
export function translated(plan: Plan): Translation {
  const work = translating(plan);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
