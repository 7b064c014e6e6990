import { type Plan, type Station } from '../../record/plan/index.ts';
import { readRecipe } from '../stations/index.ts';
import { carried, handOnLength } from '../arrange/index.ts';
import { type HandOn, type Need, type Setting, settingOf } from './setting.ts';
import { NO_TOLL } from './toll.ts';

/** A step of a recipe: what is done, and what is fetched for it how often. */
export type Step = { words: string; items: { need: Need; count: number }[] };

/** What is done at one station in a row; without steps: one session of its activity, in an order that is drawn. */
export type Leg = { setting: Setting; steps: Step[] | null; /** carried on to the next leg */ then: HandOn | null };

/** What is run through: a session of an activity, or a recipe over several stations. */
export type Run = {
  name: string;
  legs: readonly Leg[];
  /** so often a year; null: a recipe is made as often as one likes */ yearly: number | null;
};

export type RunRead =
  | { ok: true; run: Run; unknown: { line: number; words: string; like: string | null }[] }
  | { ok: false; reason: string };

/** A run-through of one session at a station; null while nobody works there. */
export function runAt(plan: Plan, station: Station): Run | null {
  const setting = settingOf(plan, station);
  return (
    setting && { name: setting.activity.name, legs: [{ setting, steps: null, then: null }], yearly: setting.sessions }
  );
}

const plain = (text: string) => text.toLowerCase().replace(/:\s*$/, '').trim();

/**
 * A recipe as a run: a line with nothing but an activity’s name goes to its station, every other line is a step, “cut the spars: steel rule, craft knife
 * ×3”. What a step names and the activity does not use is fetched all the same, from the home that is nearest there.
 * @param first the activity of the steps before any is named
 */
export function runOf(plan: Plan, name: string, text: string, first: string | null = null): RunRead {
  const supplies = Object.values(plan.supplies);
  const settings = new Map<string, Setting | null>();
  const legs: Leg[] = [];
  const unknown: { line: number; words: string; like: string | null }[] = [];
  const goTo = (activityId: string): string | null => {
    const station = Object.values(plan.stations)
      .filter((s) => s.activityId === activityId)
      .sort((a, b) => (a.id < b.id ? -1 : 1))[0];
    if (!settings.has(activityId)) settings.set(activityId, station ? settingOf(plan, station) : null);
    const setting = settings.get(activityId);
    if (!setting) return `${plan.activities[activityId]?.name ?? 'It'} has no seat yet: give it one at Activities.`;
    legs.push({ setting, steps: [], then: null });
    return null;
  };
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === '') continue;
    const activity = Object.values(plan.activities).find((a) => plain(a.name) === plain(line));
    const to = activity?.id ?? (legs.length === 0 ? (first ?? Object.keys(plan.activities).sort()[0]) : undefined);
    if (to !== undefined) {
      const trouble = goTo(to);
      if (trouble) return { ok: false, reason: trouble };
    }
    if (activity) continue;
    const leg = legs.at(-1);
    if (!leg) return { ok: false, reason: 'There is no activity yet for the steps to be done at.' };
    const read = readRecipe(line, supplies);
    unknown.push(...read.unknown.map((u) => ({ ...u, line: i + 1 })));
    const items = [...read.fetches].flatMap(([id, count]) => {
      const need = leg.setting.needs.find((n) => n.supply.id === id) ?? besides(plan, leg.setting, id);
      return need ? [{ need, count }] : [];
    });
    const colon = line.indexOf(':');
    leg.steps!.push({ words: (colon < 0 ? line : line.slice(0, colon)).trim(), items });
  }
  if (legs.length === 0)
    return { ok: false, reason: 'Write the steps, one a line: “cut the spars: steel rule, craft knife ×3”.' };
  for (const [i, leg] of legs.entries()) {
    const next = legs[i + 1]?.setting.station;
    if (!next || next.id === leg.setting.station.id) continue;
    const from = leg.setting.station;
    const toll = { ...NO_TOLL, ...carried(plan, from, next, handOnLength(plan, from, next)) };
    leg.then = { to: next, times: 1, toll };
  }
  return { ok: true, run: { name, legs, yearly: null }, unknown };
}

/** What a station does not use by itself, as if it did: fetched from where it lives. */
function besides(plan: Plan, setting: Setting, supplyId: string): Need | null {
  const { station, activity } = setting;
  const lent = {
    ...plan,
    uses: { ...plan.uses, lent: { id: 'lent', activityId: activity.id, supplyId, fetches: 1, usedUp: 0 } },
  };
  return settingOf(lent, station)?.needs.find((n) => n.supply.id === supplyId) ?? null;
}
