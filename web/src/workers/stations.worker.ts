import { expose } from 'comlink';
import {
  type Arranged,
  type Arrangement,
  arrangeRoom,
  laneHere,
  standMap,
  type StandMap,
} from '@heronstone/core/arrange';
import { newId, type Plan } from '@heronstone/core/plan';
import { type Helped, helpLaneHere, helpMost } from '@heronstone/core/tryout';
import { reslot, type Reslotting } from '@heronstone/core/upkeep';
import {
  compareSchools,
  type Comparison,
  type FloorMap,
  parkingMap,
  type School,
  seatMap,
  type SharedTool,
  sharedTools,
} from '@heronstone/core/stations';
import { type Helpers, startHelpers } from './lanes.ts';
import { warmUp } from './warm-up.ts';

/** A change as it is handed over: what is handed over is copied, and the plan it makes is soon made again of its command. */
export type Help = Omit<Helped, 'plan'>;
export type HelpTold = { total: number; changes: Help[]; together: Help[]; tried: number; whole: boolean };
const told = ({ plan: _, ...rest }: Helped): Help => rest;

let stop = false;
let helpers: Helpers | null = null;
/** Does something with threads beside this one, which end with it. */
async function withHelpers<T>(work: (helpers: Helpers) => Promise<T>): Promise<T> {
  helpers ??= startHelpers();
  try {
    return await work(helpers);
  } finally {
    helpers.end();
    helpers = null;
  }
}
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
const pace = (onProgress: (share: number) => void) => {
  stop = false;
  return { onProgress, breathe, cancelled: () => stop };
};

/** Mesh of the maps, mm. */
const SEATS = 150;
const CARTS = 200;
const STANDS = 150;

/** Maps of seats and carts, ways of working compared, rooms arranged: off the screen’s thread, with progress, cancelled at once. */
const api = {
  async seats(plan: Plan, stationId: string, onProgress: (share: number) => void): Promise<FloorMap | null> {
    const station = plan.stations[stationId];
    return station ? seatMap(plan, station, SEATS, pace(onProgress)) : null;
  },
  async carts(plan: Plan, unitId: string, onProgress: (share: number) => void): Promise<FloorMap | null> {
    const unit = plan.units[unitId];
    return unit ? parkingMap(plan, unit, CARTS, pace(onProgress)) : null;
  },
  async stands(
    plan: Plan,
    unitId: string,
    since: string,
    onProgress: (share: number) => void,
  ): Promise<StandMap | null> {
    return standMap(plan, unitId, STANDS, { ...pace(onProgress), now: () => performance.now(), since });
  },
  async tools(plan: Plan): Promise<SharedTool[]> {
    return sharedTools(plan);
  },
  async schools(
    plan: Plan,
    school: School,
    stationId: string | null,
    since: string,
    onProgress: (share: number) => void,
  ): Promise<Comparison | null> {
    const how = { stationId, since, newId: () => newId('supply'), seconds: 1.5, now: () => performance.now() };
    return compareSchools(plan, school, how, pace(onProgress));
  },
  async arrange(
    plan: Plan,
    seed: number,
    since: string,
    onProgress: (share: number, best: readonly Arrangement[]) => void,
  ): Promise<Arranged> {
    let shown = -1;
    stop = false;
    const pacing = { since, breathe, now: () => performance.now(), cancelled: () => stop };
    return withHelpers((beside) =>
      arrangeRoom(plan, {
        ...pacing,
        seed,
        lanes: (now, sun) => [laneHere(now, sun, pacing), ...beside.lanes(now, sun, since)],
        onProgress: (share, best) => {
          // what is handed over is copied: every hundredth is often enough
          if (share - shown < 0.01) return;
          shown = share;
          onProgress(share, best);
        },
      }),
    );
  },
  async reslot(plan: Plan, since: string, onProgress: (share: number) => void): Promise<Reslotting | null> {
    return reslot(plan, { ...pace(onProgress), now: () => performance.now(), since });
  },
  async helpMost(
    plan: Plan,
    since: string,
    onFound: (changes: readonly Help[], tried: number, share: number) => void,
  ): Promise<HelpTold | null> {
    stop = false;
    const pacing = { since, now: () => performance.now(), breathe, cancelled: () => stop };
    const got = await withHelpers((beside) =>
      helpMost(plan, {
        ...pacing,
        lanes: (_, sun) => [helpLaneHere(plan, sun, pacing), ...beside.helpLanes(plan, sun, since)],
        onFound: (changes, tried, share) => onFound(changes.map(told), tried, share),
      }),
    );
    if (!got) return null;
    const { base, changes, together, tried, whole } = got;
    return { total: base.total, changes: changes.map(told), together: together.map(told), tried, whole };
  },
  /** Gets this thread and those beside it ready, so that what is asked for next is quick. */
  async warmUp(plan: Plan, since: string): Promise<void> {
    helpers ??= startHelpers();
    helpers.warmUp(plan, since);
    await warmUp(plan, since, breathe);
  },
  cancel() {
    stop = true;
    helpers?.cancel();
  },
};
export type StationsWorker = typeof api;
expose(api);
