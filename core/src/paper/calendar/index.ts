import { createEvents, type EventAttributes } from 'ics';
import { MONTH_NAMES, type Plan, placeTitle } from '../../record/plan/index.ts';
import { daysOf } from './days.ts';
import { dayAfter, reviewsToCome, seasonBoxes, TRIAL_DAYS } from '../../keeping/upkeep/index.ts';

/** Nobody reads more than so many letters of an entry. */
const MOST_SAID = 1000;

type Day = [number, number, number];
const asDay = (day: string): Day => day.split('-').map(Number) as Day;

/** Line ends as the writer knows them: it folds and escapes no other, and a lone one would end a line of the file. */
const lines = (words: string): string => words.replace(/\r\n?|[\u2028\u2029\u0085]/g, '\n').replace(NO_TEXT, '');
const oneLine = (words: string): string => lines(words).replace(/\s*\n\s*/g, ' ');
/** Control characters that text of a calendar may not have (RFC 5545, 3.3.11). */

const NO_TEXT = /[\u0000-\u0008\u000b-\u001f\u007f]/g;

/** Lines of at most 75 octets (RFC 5545, 3.1): the writer folds by characters, and a letter may take several. */
function folded(text: string): string {
  const octets = new TextEncoder();
  const whole = text.replace(/\r\n[ \t]/g, '').split('\r\n');
  return whole
    .map((line) => {
      const parts: string[] = [];
      let part = '';
      let used = 0;
      for (const letter of line) {
        const more = octets.encode(letter).length;
        if (used + more > 75) {
          parts.push(part);
          [part, used] = ['', 1];
        }
        part += letter;
        used += more;
      }
      return [...parts, part].join('\r\n ');
    })
    .join('\r\n');
}

/**
 * What is to come as an iCalendar file (RFC 5545): days on which something is to be done, seasonal boxes in and out every year, trips and days projects are for, notes on trial to decide on, what
 * will have lain unused for a year, what is undecided.
 * All-day entries; the same thing has the same name every time it is written, so that a calendar that reads it again doubles nothing.
 * @param day from which on
 * @param alarm so many hours before a day of doing; null: none
 * @returns the text; or why it cannot be written
 */
export function calendarOf(
  plan: Plan,
  day: string,
  alarm: number | null = null,
): { ok: true; text: string } | { ok: false; reason: string } {
  const year = Number(day.slice(0, 4));
  const events: EventAttributes[] = [];
  const add = (uid: string, on: string, title: string, description: string, yearly = false) =>
    events.push({
      ...{
        uid: `${uid}@heronstone`,
        title: oneLine(title),
        description: lines(description),
        start: asDay(on),
        end: asDay(dayAfter(on, 1)),
      },
      ...{ productId: 'heronstone', calName: oneLine(plan.head.name), busyStatus: 'FREE', transp: 'TRANSPARENT' },
      ...(yearly ? { recurrenceRule: 'FREQ=YEARLY' } : {}),
    });
  for (const event of daysOf(plan, day, alarm))
    events.push({
      ...{ ...event, title: oneLine(event.title ?? ''), description: lines(event.description ?? '') },
      ...{ productId: 'heronstone', calName: oneLine(plan.head.name) },
    });
  for (const box of seasonBoxes(plan)) {
    if (box.rests === null) continue;
    for (let month = 1; month <= 12; month++) {
      const before = month === 1 ? 12 : month - 1;
      const here = box.inRoom.includes(month);
      if (here === box.inRoom.includes(before)) continue;
      const on = `${month >= Number(day.slice(5, 7)) ? year : year + 1}-${String(month).padStart(2, '0')}-01`;
      add(
        `season-${box.id}-${month}`.replace(/[^A-Za-z0-9.-]/g, '_'),
        on,
        `${here ? 'Bring in' : 'Take out'} ${box.name}`,
        `${placeTitle(plan, box.rests)}, ${(box.grams / 1000).toFixed(1)} kg. Wanted: ${box.months.map((m) => MONTH_NAMES[m - 1]).join(', ')}.`,
        true,
      );
    }
  }
  for (const p of Object.values(plan.projects))
    if (p.forDay !== null && p.state !== 'done' && p.forDay >= day)
      add(`project-${p.id}`, p.forDay, p.name, p.kind === 'trip' ? 'Packed and checked?' : p.note.slice(0, 400));
  const units = new Map<string, string>();
  for (const p of Object.values(plan.places))
    if (p.label === 'trial' && p.labelSince !== null) {
      const due = dayAfter(p.labelSince, TRIAL_DAYS);
      if (due >= day && (units.get(p.unitId) ?? '9') > due) units.set(p.unitId, due);
    }
  for (const [unitId, due] of units)
    add(
      `label-${unitId}`,
      due,
      `Notes on ${plan.units[unitId]?.name ?? 'a unit'}: labels for good?`,
      'Eight weeks on trial.',
    );
  for (const { on, supplies } of reviewsToCome(plan, day))
    add(
      `review-${on.slice(0, 7)}`,
      on,
      supplies.length === 1
        ? `Unused for a year: ${supplies[0]!.name}`
        : `${supplies.length} things unused for a year: look them through`,
      `If nobody uses them before: ${supplies.map((s) => s.name).join(', ')}.`.slice(0, MOST_SAID),
    );
  for (const s of Object.values(plan.supplies))
    if (s.decision === 'undecided' && s.decideBy !== null && s.decideBy >= day)
      add(`decide-${s.id}`, s.decideBy, `Decide: ${s.name}`, 'Keep, pass on or throw.');
  if (events.length === 0)
    return {
      ok: false,
      reason:
        'There is nothing with a day to come yet: no seasonal box with a place to rest, no trip, no note on trial, no day on which something is to be done.',
    };
  const { error, value } = createEvents(events);
  return value && !error
    ? { ok: true, text: folded(value) }
    : { ok: false, reason: `The calendar could not be written: ${error?.message ?? ''}` };
}
