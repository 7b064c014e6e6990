import { type Supply, type Station } from '../../record/plan/index.ts';
import { draw, keyOf, rounded } from './draw.ts';
import { type Gathering, gatherings, type Handled, handledIn, isWanted, returns } from './handled.ts';
import { type Leg, type Run } from './run.ts';
import { type Band, type Brought, type HandOn, type Need, type Setting, type Source } from './setting.ts';
import { plus, type Toll } from './toll.ts';

/** A long session fetches more of everything, a short one less: by so much at most (own assumption). */
export const VARIES = 0.5;
/** A tool lies on the table until so many other things were fetched after it, or until its step is done (own assumption). */
const LIES = 3;

/** What happens at one time of a session. */
export type Moment = {
  /** `reach`: over the table, for what lies out */
  what: 'bring' | 'get' | 'reach' | 'put back' | 'hand on';
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
  /** things got or brought back on the same way, this one among them; 1: it goes alone */
  together: number;
  need: Need | null;
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

/** How often the hand goes to a thing in a session, and how often it is walked to, where each walk is by itself. */
export function timesIn({ need, reaches, walks, out, gathered }: Handled, drawn: Drawn, size: number) {
  const u = draw(drawn.seed, drawn.session, keyOf(need.supply.id), 0);
  const hand = rounded(reaches * size, u);
  // what lies out is got once; what is used up in several loads, as often as it is much
  const gets = gathered || (out && !need.consumed) ? 1 : out ? rounded(walks * size, u) : hand;
  return { hand, gets };
}

/** From which of its homes a gathered thing is got in a session, and so whether it is one of a load. */
export const isTaken = ({ need, source }: Gathering, drawn: Drawn): boolean => sourceIn(need, drawn, 0) === source;

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
      ...{ together: 1, need: null, ...part },
      covered: table.covered,
    });
  const hand = (what: 'get' | 'put back', need: Need, source: Source, step: number, toll: Toll, together = 1) =>
    say({
      ...{ what, need, source, step, together, band: source.band, toll, supply: need.supply },
      placeId: source.place?.id ?? null,
    });
  const nature = natureOfSession(setting, drawn);
  const { month } = nature;
  // a recipe is as long as it is
  const size = leg.steps === null ? nature.size : 1;
  const handled = handledIn(leg).filter((h) => isWanted(h, leg, month));
  const firstStep = (need: Need) => 1 + (leg.steps?.findIndex((s) => s.items.some((i) => i.need === need)) ?? -1);
  for (const brought of setting.brought) {
    table.lay(brought.area);
    say({ what: 'bring', band: brought.band, toll: brought.toll, placeId: brought.place?.id ?? null, brought });
  }

  // together, unit by unit, the way paid once for each load
  const walk = (what: 'get' | 'put back', loads: readonly Gathering[][]) => {
    for (const load of loads) {
      const taken = load.filter((one) => isTaken(one, drawn));
      for (const [i, { need, source }] of taken.entries()) {
        const whole = what === 'get' ? source.get : source.back;
        if (what === 'get') table.lay(need.area);
        else table.clear(need.area);
        hand(what, need, source, firstStep(need), i === 0 ? whole : plus(whole, source.way, -1), taken.length);
      }
    }
  };
  walk('get', gatherings(handled));

  const alone: { need: Need; source: Source }[] = [];
  const getAlone = (need: Need, k: number, step: number) => {
    const source = sourceIn(need, drawn, k);
    table.lay(need.area);
    hand('get', need, source, step, source.get);
    return source;
  };
  // what is too much for a load with others, or has no home
  for (const one of handled) {
    const { need, out, gathered } = one;
    if (!out || (gathered && !need.sources.some((s) => s.band === 0 && s === sourceIn(need, drawn, 0)))) continue;
    for (let k = 0; k < timesIn(one, drawn, size).gets; k++)
      alone.push({ need, source: getAlone(need, k, firstStep(need)) });
  }

  const back: { need: Need; source: Source; step: number; age: number }[] = [];
  const putBack = (i: number) => {
    const [{ need, source, step }] = back.splice(i, 1) as [(typeof back)[number]];
    table.clear(need.area);
    if (!need.consumed && source.back.seconds > 0) hand('put back', need, source, step, source.back);
  };
  const use = ({ need, out }: Handled, k: number, step: number) => {
    // elsewhere the hand goes to it out of this room
    if (out && setting.elsewhere) return;
    if (out) return say({ what: 'reach', band: 1, toll: need.over, supply: need.supply, need, step });
    // it is put back before it is fetched again, and as the table fills up
    for (let i = back.length - 1; i >= 0; i--) {
      back[i]!.age++;
      // what is used up is in the work by then
      if (back[i]!.need === need || back[i]!.need.consumed || (leg.steps === null && back[i]!.age > LIES)) putBack(i);
    }
    back.push({ need, source: getAlone(need, k, step), step, age: 0 });
  };
  if (leg.steps === null) {
    for (const { one, k } of usesIn(handled, drawn, size)) use(one, k, 0);
    while (back.length > 0) putBack(0);
  } else {
    const of = new Map(handled.map((h) => [h.need, h]));
    const before = new Map<Need, number>();
    for (const [i, { items }] of leg.steps.entries()) {
      for (const { need, count } of items)
        for (let n = rounded(count, draw(drawn.seed, drawn.session, keyOf(need.supply.id), 2 * i + 1)); n > 0; n--) {
          const k = before.get(need) ?? 0;
          before.set(need, k + 1);
          use(of.get(need)!, k, i + 1);
        }
      while (back.length > 0) putBack(0);
    }
  }
  walk('put back', returns(handled));
  for (const { need, source } of alone) {
    table.clear(need.area);
    if (!need.consumed && source.back.seconds > 0) hand('put back', need, source, firstStep(need), source.back);
  }
  // what was used up is in the work
  for (const { need, gathered } of handled) if (gathered && need.consumed) table.clear(need.area);
  if (leg.steps === null)
    for (const hand of setting.handOns)
      for (let k = handedIn(hand, drawn); k > 0; k--) say({ what: 'hand on', band: 5, toll: hand.toll, to: hand.to });
  if (then) say({ what: 'hand on', band: 5, toll: then.toll, to: then.to });
}

/** What the hand goes to in a session, in the order in which it is drawn. */
function usesIn(handled: readonly Handled[], drawn: Drawn, size: number): { one: Handled; k: number }[] {
  const list: { one: Handled; k: number; at: number }[] = [];
  for (const one of handled)
    for (let k = timesIn(one, drawn, size).hand - 1; k >= 0; k--)
      list.push({ one, k, at: draw(drawn.seed, drawn.session, keyOf(one.need.supply.id), 2 * k + 1) });
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
