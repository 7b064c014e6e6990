import { type Supply, type Station } from '../plan/index.ts';
import { draw, keyOf, rounded } from './draw.ts';
import { type Leg, type Run } from './run.ts';
import { type Band, type Brought, type HandOn, type Need, type Setting, type Source } from './setting.ts';
import { type Toll } from './toll.ts';

/** A long session fetches more of everything, a short one less: by so much at most (own assumption). */
export const VARIES = 0.5;
/** A tool lies on the table until so many other things were fetched after it, or until its step is done (own assumption). */
const LIES = 3;

/** What happens at one time of a session. */
export type Moment = {
  what: 'bring' | 'get' | 'put back' | 'hand on';
  station: Station;
  supply: Supply | null;
  /** where the hand goes; null: nowhere one could point to */
  placeId: string | null;
  band: Band;
  toll: Toll;
  /** the step of the recipe it is for, counted from 1; 0: none */
  step: number;
  /** of the table that is covered afterwards, 0 to more than 1; null: no table */
  covered: number | null;
  source: Source | null;
  brought: Brought | null;
  to: Station | null;
};

/** Which session of which draw; in which month (null: one of those it is done in). */
export type Drawn = { seed: number; session: number; month: number | null };

const MONTH = keyOf('month');
const SIZE = keyOf('size of a session');

/** The month of a session, and how large it is against the mean. */
export function natureOfSession(setting: Setting, { seed, session, month }: Drawn): { month: number; size: number } {
  const { months } = setting.activity;
  const drawn = months[Math.floor(draw(seed, session, MONTH, 0) * months.length)] ?? 1;
  return { month: month ?? drawn, size: 1 + VARIES * (2 * draw(seed, session, SIZE, 0) - 1) };
}

/** How often a thing is fetched in a session; out of its season never. */
export function timesIn(need: Need, drawn: Drawn, month: number, size: number): number {
  if (need.months.length > 0 && !need.months.includes(month)) return 0;
  return rounded(need.inSeason * size, draw(drawn.seed, drawn.session, keyOf(need.supply.id), 0));
}

/** From where the k-th fetch of a thing is made. */
export function sourceIn(need: Need, { seed, session }: Drawn, k: number): Source {
  const { sources } = need;
  if (sources.length === 1) return sources[0]!;
  let u = draw(seed, session, keyOf(need.supply.id), 2 * k + 2);
  for (const source of sources) if ((u -= source.part) < 0) return source;
  return sources.at(-1)!;
}

/** How often work is handed on. */
export const handedIn = (hand: HandOn, { seed, session }: Drawn): number =>
  rounded(hand.times, draw(seed, session, keyOf(`to ${hand.to.id}`), 0));

/** One session, moment by moment: what is brought, fetched, put back and handed on, and how full the table is. */
export function sessionOf(run: Run, drawn: Drawn): Moment[] {
  const moments: Moment[] = [];
  for (const leg of run.legs) playLeg(leg, drawn, moments);
  return moments;
}

function playLeg(leg: Leg, drawn: Drawn, moments: Moment[]): void {
  const { setting, then } = leg;
  const table = new Table(setting);
  const say = (part: Partial<Moment> & Pick<Moment, 'what' | 'band' | 'toll'>) =>
    moments.push({
      ...{ station: setting.station, supply: null, placeId: null, step: 0, source: null, brought: null, to: null },
      ...part,
      covered: table.covered,
    });
  for (const brought of setting.brought) {
    table.lay(brought.area);
    say({ what: 'bring', band: brought.band, toll: brought.toll, placeId: brought.place?.id ?? null, brought });
  }
  const out: { need: Need; source: Source; step: number; age: number }[] = [];
  const putBack = (i: number) => {
    const [{ need, source, step }] = out.splice(i, 1) as [(typeof out)[number]];
    table.clear(need.area);
    const placeId = source.place?.id ?? null;
    if (!need.consumed && source.back.seconds > 0)
      say({ what: 'put back', band: source.band, toll: source.back, supply: need.supply, placeId, source, step });
  };
  const fetch = (need: Need, k: number, step: number) => {
    // it is put back before it is fetched again, and as the table fills up
    for (let i = out.length - 1; i >= 0; i--) {
      out[i]!.age++;
      // what is used up is in the work by then
      if (out[i]!.need === need || out[i]!.need.consumed || (leg.steps === null && out[i]!.age > LIES)) putBack(i);
    }
    const source = sourceIn(need, drawn, k);
    table.lay(need.area);
    say({
      ...{ what: 'get', band: source.band, toll: source.get, supply: need.supply, step, source },
      placeId: source.place?.id ?? null,
    });
    out.push({ need, source, step, age: 0 });
  };
  if (leg.steps === null) {
    for (const { need, k } of fetchesIn(setting, drawn)) fetch(need, k, 0);
    while (out.length > 0) putBack(0);
    for (const hand of setting.handOns)
      for (let k = handedIn(hand, drawn); k > 0; k--) say({ what: 'hand on', band: 5, toll: hand.toll, to: hand.to });
  } else {
    const before = new Map<Need, number>();
    for (const [i, { items }] of leg.steps.entries()) {
      for (const { need, count } of items)
        for (let n = rounded(count, draw(drawn.seed, drawn.session, keyOf(need.supply.id), 2 * i + 1)); n > 0; n--) {
          const k = before.get(need) ?? 0;
          before.set(need, k + 1);
          fetch(need, k, i + 1);
        }
      while (out.length > 0) putBack(0);
    }
    if (then) say({ what: 'hand on', band: 5, toll: then.toll, to: then.to });
  }
}

/** The fetches of a session in the order in which they are drawn. */
function fetchesIn(setting: Setting, drawn: Drawn): { need: Need; k: number }[] {
  const { month, size } = natureOfSession(setting, drawn);
  const list: { need: Need; k: number; at: number }[] = [];
  for (const need of setting.needs)
    for (let k = timesIn(need, drawn, month, size) - 1; k >= 0; k--)
      list.push({ need, k, at: draw(drawn.seed, drawn.session, keyOf(need.supply.id), 2 * k + 1) });
  return list.sort((a, b) => a.at - b.at);
}

/** How much of the worktop is taken. */
class Table {
  private taken: number;
  constructor(private readonly setting: Setting) {
    this.taken = setting.table?.work ?? 0;
  }

  lay(area: number): void {
    this.taken += area;
  }

  clear(area: number): void {
    this.taken -= area;
  }

  get covered(): number | null {
    const { table } = this.setting;
    return table && table.area > 0 ? Math.max(0, this.taken) / table.area : null;
  }
}
