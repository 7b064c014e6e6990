import { placeSaid } from '../../living/concepts/index.ts';
import { litresOf } from '../stock/index.ts';
import {
  ALL_MONTHS,
  homesOf,
  isSeasonal,
  type Place,
  type Plan,
  type Supply,
  wantedMonths,
} from '../../record/plan/index.ts';
import { holdingEntries } from './log.ts';

/** Things that come in and go out together: of the same months, resting in the same place. */
export type SeasonBox = {
  id: string;
  name: string;
  supplies: Supply[];
  /** months in which they are wanted */
  months: readonly number[];
  /** months in which they are in the room: one before the first of each run, and the wanted ones */
  inRoom: readonly number[];
  /** where they rest; null: nowhere said, they stay where they are */
  rests: Place | null;
  grams: number;
  /** what they free while they are away; null where a size is not known */
  litres: number | null;
};

export type SeasonChange = { box: SeasonBox; way: 'in' | 'out'; month: number };

const next = (m: number) => (m % 12) + 1;

/** Months in the room: what is wanted from May on comes in in April. */
export function monthsInRoom(wanted: readonly number[]): readonly number[] {
  if (wanted.length === 12) return ALL_MONTHS;
  return ALL_MONTHS.filter((m) => wanted.includes(m) || wanted.includes(next(m)));
}

/** The boxes of the seasons: what has months of its own, or a home for the rest of the year. */
export function seasonBoxes(plan: Plan): SeasonBox[] {
  const boxes = new Map<string, SeasonBox>();
  for (const supply of Object.values(plan.supplies)) {
    const resting = homesOf(plan, supply.id, 'resting')[0];
    if (!isSeasonal(plan, supply) || (supply.months.length === 0 && !resting)) continue;
    const months = wantedMonths(plan, supply);
    const rests = resting ? (plan.places[resting.placeId] ?? null) : null;
    const key = `${months.join('-')}:${rests?.id ?? ''}`;
    const box = boxes.get(key) ?? {
      ...{ id: key, name: '', supplies: [], months, inRoom: monthsInRoom(months), rests, grams: 0, litres: 0 },
    };
    box.supplies.push(supply);
    box.grams += supply.mass * (supply.working + supply.backstock);
    const litres = litresOf(supply);
    box.litres = box.litres === null || litres === null ? null : box.litres + litres;
    boxes.set(key, box);
  }
  return [...boxes.values()]
    .map((box) => ({ ...box, name: nameOf(plan, box) }))
    .sort((a, b) => a.months[0]! - b.months[0]! || (a.id < b.id ? -1 : 1));
}

/** What is in it: one theme or one family, else its first things. */
function nameOf(plan: Plan, { supplies, rests }: SeasonBox): string {
  const one = (of: (s: Supply) => string) => {
    const all = new Set(supplies.map(of));
    return all.size === 1 ? [...all][0]! : '';
  };
  const things = supplies
    .slice(0, 2)
    .map((s) => s.name)
    .join(', ');
  const name = one((s) => s.theme) || one((s) => s.family) || (supplies.length > 2 ? `${things} …` : things);
  return rests && supplies.length > 2 ? `${name} (${placeSaid(plan, rests)})` : name;
}

/** What is to be carried in or out in a month: in, one month before the first of its season; out, in the first month after the last. What the log has as done is not. */
export function seasonChanges(plan: Plan, day: string): SeasonChange[] {
  const month = Number(day.slice(5, 7));
  const since = `${day.slice(0, 8)}01`;
  const done = new Set(
    holdingEntries(plan)
      .filter((e) => e.what === 'season' && e.day >= since)
      .map((e) => e.supplyId),
  );
  const before = month === 1 ? 12 : month - 1;
  return seasonBoxes(plan).flatMap((box): SeasonChange[] => {
    const left = box.supplies.filter((s) => !done.has(s.id));
    if (left.length === 0 || box.rests === null) return [];
    const rest = { ...box, supplies: left };
    const here = box.inRoom.includes(month);
    if (here === box.inRoom.includes(before)) return [];
    return [{ box: rest, way: here ? 'in' : 'out', month }];
  });
}
