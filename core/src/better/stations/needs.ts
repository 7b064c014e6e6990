import { leftToWorkOn } from '../../living/sessions/index.ts';
import { heightOff, type WorkHeight, worktopWanted } from '../../space/body/index.ts';
import { TOP } from '../../record/catalogue/index.ts';
import { distance, footprintDistance, type Point } from '../../measures/geometry/index.ts';
import {
  circuitLoads,
  cordTrouble,
  freeOutlets,
  lampsOf,
  type Look,
  lookAt,
  machineFeeds,
  topPoints,
} from '../findings/index.ts';
import { MAINS } from '../../space/loads/index.ts';
import {
  type Activity,
  monthWords,
  type Person,
  type Plan,
  type Station,
  type Unit,
  saidIn,
  seatsHere,
  isElsewhere,
} from '../../record/plan/index.ts';
import { type Maker, makerOf } from '../../space/reach/index.ts';
import { fixturePrism, frameOf, KNEE, KNEES, kneeSpace, onWall } from '../../space/room/index.ts';
import { FLIES, neighboursWith } from './neighbours.ts';
import { luxAt, sunHours } from '../../space/sun/index.ts';

/** What a station is asked for and what it gives, on one small scale. */
export type Need = {
  what: string;
  /** in words with the unit */
  needs: string;
  gives: string;
  /** lowest and highest that is right; null where only a yes or no is asked */
  want: readonly [low: number, high: number] | null;
  /** what there is; null: nothing, or not known */
  have: number | null;
  /** what is missing, in a sentence; null: enough */
  lacks: string | null;
  /** caution where somebody can be hurt */
  care: string | null;
};

/** Two paces: farther than this one drips on the way to the water, mm (own assumption). */
const WATER_NEAR = 1728;
/** Direct sun a day on a worktop that is nobody’s trouble, h; none where it must be dark (own assumption). */
const SUN_HOURS = 1;
/** A station not worked at for so long is asked about, days (own assumption: three months). */
const UNUSED_DAYS = 90;

const DAY = 86_400_000;

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

type At = {
  plan: Plan;
  look: Look;
  station: Station;
  activity: Activity;
  person: Person;
  maker: Maker;
  table: Unit | undefined;
  work: Point & { z: number };
};

function row(what: string, needs: string, gives: string, more: Partial<Need> = {}): Need[] {
  return [{ what, needs, gives, want: null, have: null, lacks: null, care: null, ...more }];
}

/** Width and depth of the worktop that are this station’s own: what is left beside what stands on it, and what is shared at the same time is halved. */
export function surfaceOf(
  plan: Plan,
  station: Station,
): { width: number; depth: number; sharedWith: Station[] } | null {
  const table = station.unitId ? plan.units[station.unitId] : undefined;
  if (!table) return null;
  const turn = Math.abs(((station.heading - table.facing) % 180) + 180) % 180;
  const sideways = turn > 45 && turn < 135;
  const left = leftToWorkOn(plan, table);
  const width = sideways ? left.depth : left.width;
  const depth = sideways ? left.width : left.depth;
  const sharedWith = sameTime(plan, station).filter((s) => s.unitId === table.id);
  const across = sharedWith.filter((s) => Math.cos(((s.heading - station.heading) * Math.PI) / 180) < -0.7).length;
  const beside = sharedWith.length - across;
  return { width: width / (1 + beside), depth: depth / (across > 0 ? 2 : 1), sharedWith };
}

/** Other stations that are worked at at the same time. */
export function sameTime(plan: Plan, station: Station): Station[] {
  if (station.together === '') return [];
  return seatsHere(plan).filter((s) => s.id !== station.id && s.together === station.together);
}

function surface({ plan, look, station, activity }: At): Need[] {
  const own = surfaceOf(plan, station);
  const { len } = look;
  const shared =
    own && own.sharedWith.length > 0 ? `, shared with ${own.sharedWith.map((s) => s.name).join(', ')}` : '';
  const one = (what: string, need: number, have: number | null): Need[] =>
    need <= 0
      ? []
      : row(what, len(need), have === null ? 'no worktop' : `${len(have)}${shared}`, {
          want: [need, Infinity],
          have,
          lacks:
            have === null
              ? `It has no worktop; ${len(need)} is asked for.`
              : have < need - 1
                ? `The worktop is ${len(need - have)} too ${what === 'width' ? 'narrow' : 'shallow'}${shared}.`
                : null,
        });
  return [
    ...one('width', activity.surfaceWidth, own ? own.width : null),
    ...one('depth', activity.surfaceDepth, own ? own.depth : null),
  ];
}

const WORK_WORDS: Record<WorkHeight, string> = {
  fine: 'fine work',
  light: 'light work',
  heavy: 'pressing and cutting',
};

function height({ look, activity, person, maker, table }: At): Need[] {
  const { len } = look;
  const seat = maker.seat.standing ? null : maker.body.hip;
  const want = worktopWanted(person, activity.work, seat, TOP);
  const words = want.lap ? `as low as it goes: ${len(want.low)}` : `${len(want.low)} to ${len(want.high)}`;
  if (!table) return [];
  const top = table.bottom + table.height;
  const off = heightOff(top, want);
  const wrong =
    Math.abs(off) < 1
      ? null
      : `${table.name} is ${len(Math.abs(off))} too ${off < 0 ? 'low' : 'high'} for ${WORK_WORDS[activity.work]}, ${person.name} ${maker.seat.standing ? 'standing' : 'sitting'}.`;
  const lap = want.lap
    ? `Sitting, the lap keeps the top higher than ${WORK_WORDS[activity.work]} wants: better standing, or on a lower seat.`
    : null;
  const posture =
    activity.posture === 'either' || (activity.posture === 'standing') === maker.seat.standing
      ? null
      : person.mobility === 'wheelchair'
        ? `It is done standing, and ${person.name} works from a wheelchair.`
        : `It is done ${activity.posture}, and this seat is for ${maker.seat.standing ? 'standing' : 'sitting'}.`;
  return [
    ...row('height', words, len(top), {
      want: [want.low, want.high],
      have: top,
      lacks: [wrong, lap].filter(Boolean).join(' ') || null,
    }),
    ...(posture
      ? row('posture', activity.posture, maker.seat.standing ? 'standing' : 'sitting', { lacks: posture })
      : []),
  ];
}

function knees({ plan, look, station, person, maker, table }: At): Need[] {
  if (maker.seat.standing || !table) return [];
  const { high, wide } = kneeSpace(plan, station, table);
  if (person.mobility !== 'wheelchair')
    return row('knee space', `${look.len(KNEES)} wide`, high > 0 ? `${look.len(wide)} wide` : 'none', {
      want: [KNEES, Infinity],
      have: wide,
      lacks: wide >= KNEES ? null : `Something stands before the knees under ${table.name} (common practice).`,
    });
  const ok = high >= KNEE.high && wide >= KNEE.wide;
  return row(
    'knee space',
    `${look.len(KNEE.high)} high, ${look.len(KNEE.wide)} wide`,
    high > 0 ? `${look.len(high)} high, ${look.len(wide)} wide` : 'none',
    {
      want: [KNEE.high, Infinity],
      have: high,
      lacks: ok ? null : `A wheelchair does not go under ${table.name} (2010 ADA Standards 306, from memory).`,
    },
  );
}

function light({ plan, activity, work }: At): Need[] {
  const lamps = lampsOf(plan);
  if (activity.lux <= 0) return [];
  const have = lamps.length > 0 ? Math.round(lamps.reduce((sum, lamp) => sum + luxAt(lamp, work), 0)) : null;
  return row('light', `${activity.lux} lx`, have === null ? 'no lamp noted' : `${have} lx`, {
    want: [activity.lux, Infinity],
    have,
    lacks:
      have === null
        ? 'No lamp is noted in this room; light is not known.'
        : have < activity.lux
          ? `The lamps give ${have} lx on the work; ${activity.lux} lx is asked for.`
          : null,
  });
}

/** Units that an activity runs. */
export function machinesOf(plan: Plan, activityId: string): Unit[] {
  return Object.values(plan.machineUses)
    .filter((m) => m.activityId === activityId)
    .flatMap((m) => plan.units[m.unitId] ?? []);
}

function power({ plan, look, activity, station }: At): Need[] {
  const machines = machinesOf(plan, activity.id).filter((u) => u.watts > 0);
  if (machines.length === 0) return [];
  const care = 'Overloaded circuits and leads heat up. Local codes and a licensed electrician come first.';
  const free = freeOutlets(look);
  const { loads, most } = circuitLoads(look, [station, ...sameTime(plan, station)], free);
  const watts = machines.reduce((sum, u) => sum + u.watts, 0);
  const trouble = machines.flatMap((unit) => cordTrouble(look, unit, free) ?? []);
  for (const load of loads)
    if (load.watts > most)
      trouble.push(
        `${load.circuit ? `Circuit ${load.circuit}` : 'One circuit'} would carry ${Math.round(load.watts)} W and gives ${Math.round(most)} W.`,
      );
  return row(
    'power',
    `${Math.round(watts)} W`,
    free.length > 0 ? `${Math.round(most)} W a circuit` : 'no free socket',
    {
      want: [watts, Infinity],
      have: free.length > 0 ? most : 0,
      lacks: trouble.length > 0 ? trouble.join(' ') : null,
      care: trouble.length > 0 ? `${care} ${MAINS[plan.head.region].words} (from memory).` : null,
    },
  );
}

function feed({ plan, look, activity }: At): Need[] {
  return machinesOf(plan, activity.id).flatMap((unit) =>
    machineFeeds(look, unit).flatMap(({ side, wanted, free, by }) =>
      row(`feed ${side}`, look.len(wanted), look.len(free), {
        want: [wanted, Infinity],
        have: free,
        lacks:
          free < wanted - 5
            ? `${unit.name} has ${look.len(free)} free ${side} it: ${by ?? 'something'} is in the way.`
            : null,
      }),
    ),
  );
}

function water({ plan, look, activity, work }: At): Need[] {
  if (!activity.traits.includes('wet')) return [];
  const sinks = Object.values(plan.fixtures).flatMap((f) => (f.kind === 'sink' ? (fixturePrism(plan, f) ?? []) : []));
  const units = Object.values(plan.units).flatMap((u) => (u.kind === 'sinkUnit' ? look.body.get(u.id)! : []));
  const all = [...sinks, ...units];
  const far = all.length > 0 ? Math.min(...all.map((p) => footprintDistance(p, work.x, work.y))) : null;
  return row('water', `within ${look.len(WATER_NEAR)}`, far === null ? 'no sink noted' : `${look.len(far)} away`, {
    want: [0, WATER_NEAR],
    have: far,
    lacks:
      far === null
        ? 'It is wet work and no sink is noted.'
        : far > WATER_NEAR
          ? `It is wet work and the sink is ${look.len(far)} away.`
          : null,
  });
}

const AIR_CARE =
  'Solvent, spray, resin, solder and kiln want moving air, and nobody else near. The safety sheet, local codes and the maker’s manual come first (common practice).';

function air({ plan, look, activity, station, work }: At): Need[] {
  if (!activity.traits.includes('fumes') && !activity.traits.includes('hot')) return [];
  const windows = Object.values(plan.openings).filter((o) => o.kind === 'window');
  const far = windows.flatMap((w) => {
    const frame = frameOf(plan, w.wallId);
    return frame ? [distance(onWall(frame, w.left + w.width / 2), work)] : [];
  });
  const near = far.length > 0 ? Math.min(...far) : null;
  const fumes = activity.traits.includes('fumes');
  const company = fumes ? sameTime(plan, station) : [];
  const lacks = [
    near === null
      ? 'No window to open is noted.'
      : near > 2500
        ? `The nearest window is ${look.len(near)} away.`
        : null,
    company.length > 0 ? `${company.map((s) => s.name).join(', ')} is worked at in the same air.` : null,
  ].filter((w) => w !== null);
  return row(
    'air',
    fumes ? 'a window within 2.5 m, apart' : 'a window within 2.5 m',
    near === null ? 'no window' : `${look.len(near)} to a window`,
    {
      want: [0, 2500],
      have: near,
      lacks: lacks.length > 0 ? lacks.join(' ') : null,
      care: AIR_CARE,
    },
  );
}

function clean(at: At): Need[] {
  if (!at.activity.traits.includes('clean')) return [];
  const near = neighboursWith(at.plan, at.station, 'splashes');
  return row(
    'clean',
    `${at.look.len(FLIES)} from wet and dusty work`,
    near.length > 0 ? `beside ${near.map((s) => s.name).join(', ')}` : 'yes',
    {
      lacks:
        near.length > 0
          ? `${near.map((s) => s.name).join(', ')} splashes or dusts within ${at.look.len(FLIES)}.`
          : null,
    },
  );
}

function quiet(at: At): Need[] {
  if (!at.activity.traits.includes('quiet')) return [];
  const near = neighboursWith(at.plan, at.station, 'noise');
  return row('quiet', 'yes', near.length > 0 ? `beside ${near.map((s) => s.name).join(', ')}` : 'yes', {
    lacks: near.length > 0 ? `${near.map((s) => s.name).join(', ')} is noisy in the same months.` : null,
  });
}

function dark({ plan, activity }: At): Need[] {
  if (!activity.traits.includes('dark')) return [];
  const windows = Object.values(plan.openings).filter((o) => o.kind === 'window').length;
  return row(
    'dark',
    'no daylight',
    windows === 0 ? 'no window' : `${windows} ${windows === 1 ? 'window' : 'windows'}`,
    {
      lacks:
        windows > 0
          ? `${windows === 1 ? 'The window wants' : `The ${windows} windows want`} a blind that closes.`
          : null,
    },
  );
}

function sun({ plan, look, activity, table }: At): Need[] {
  if (!table) return [];
  const hours = sunHours(plan, topPoints(look, table));
  const months = hours.byMonth.flatMap((h, m) => (h > 0 && activity.months.includes(m) ? [m] : []));
  const most = Math.max(0, ...months.map((m) => hours.byMonth[m]!));
  const limit = activity.traits.includes('dark') ? 0 : SUN_HOURS;
  if (most === 0 && limit > 0) return [];
  return row('sun', limit === 0 ? 'none' : `at most ${limit} h a day`, `${most.toFixed(1)} h a day`, {
    want: [0, limit],
    have: most,
    lacks: most > limit ? `${most.toFixed(1)} h of direct sun a day on ${table.name} (${monthWords(months)}).` : null,
  });
}

/** How long nobody works here: by the activity’s months, and by the day it was last worked at. */
function unused({ activity, station }: At, today: string | null): Need[] {
  if (activity.sessionsPerMonth === 0 || activity.months.length === 0)
    return row('use', 'now and then', 'never', {
      lacks: `Nothing is made at ${station.name}: its floor and table are free.`,
    });
  const out: Need[] = [];
  if (today !== null && station.lastUsed !== null) {
    const days = Math.round((Date.parse(today) - Date.parse(station.lastUsed)) / DAY);
    if (days >= UNUSED_DAYS)
      out.push(
        ...row('use', 'now and then', `last ${station.lastUsed}`, {
          lacks: `Nobody worked here for ${Math.floor(days / 30.4)} months (since ${station.lastUsed}).`,
        }),
      );
  }
  const idle = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].filter((m) => !activity.months.includes(m));
  if (idle.length >= 6 && station.housing === 'station')
    out.push(
      ...row('use', 'all the year', monthWords(activity.months), {
        lacks: `It stands idle ${idle.length} months of twelve (${monthWords(idle)}): a kit or a cart would free its floor then.`,
      }),
    );
  return out;
}
