import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { emptyPlan, type Plan } from '../../record/plan/index.ts';
import { ownJob } from '../../better/doing/index.ts';
import { calendarOf } from './index.ts';

const job = (id: string, name: string) => ({ ...ownJob(id, name, 40) });

function planned(sittings: [job: string, on: string, from: number, to: number][], times: number): Plan {
  return {
    ...emptyPlan('room'),
    doings: {
      doing: {
        ...{ id: 'doing', toPlanId: 'other', toName: 'Spring', begins: '2026-10-01', livable: true, way: 'found' },
        ...{ moneyAMonth: null, planned: times, promised: 0, findingsBefore: 0, findingsAfter: 0 },
      },
    },
    freeTimes: {
      sat: { id: 'sat', weekday: 6, on: null, starts: 570, minutes: 120, lies: false, helpers: 0, hands: 0, note: '' },
    },
    jobs: { a: job('a', 'Paint the north wall; twice'), b: job('b', 'Größere Kisten, “flat”\r\nor not') },
    sittings: Object.fromEntries(
      sittings.map(([jobId, on, from, to], i) => [`s${i}`, { id: `s${i}`, jobId, on, from, to }]),
    ),
  };
}

/** What an independent program reads (ical.js), as a calendar keeps it: by name, the higher number wins. */
function takenIn(calendar: Map<string, ICAL.Event>, plan: Plan, alarm: number | null = null): Map<string, ICAL.Event> {
  const written = calendarOf(plan, '2026-10-01', alarm);
  if (!written.ok) throw new Error(written.reason);
  const next = new Map(calendar);
  for (const component of new ICAL.Component(ICAL.parse(written.text) as never).getAllSubcomponents('vevent')) {
    const event = new ICAL.Event(component);
    const before = next.get(event.uid);
    if (before && before.sequence > event.sequence) continue;
    if (component.getFirstPropertyValue('status') === 'CANCELLED') next.delete(event.uid);
    else next.set(event.uid, event);
  }
  return next;
}

describe('days of doing in a calendar', () => {
  const first = planned(
    [
      ['a', '2026-10-03', 0, 40],
      ['b', '2026-10-03', 40, 80],
      ['b', '2026-10-10', 0, 30],
    ],
    1,
  );

  test('a day is one entry at its time, as long as its jobs, with their names', () => {
    const events = [...takenIn(new Map(), first).values()];
    expect(events.map((e) => [e.startDate.toString(), e.duration.toSeconds() / 60])).toEqual([
      ['2026-10-03T09:30:00', 80],
      ['2026-10-10T09:30:00', 30],
    ]);
    expect(events[0]!.summary).toContain('Paint the north wall; twice');
    expect(events[0]!.description).toContain('Größere Kisten, “flat”');
  });

  test('taken in twice it is there once; planned anew days change, and a day with nothing left goes', () => {
    const once = takenIn(new Map(), first);
    expect([...takenIn(once, first).keys()]).toEqual([...once.keys()]);
    const anew = takenIn(
      once,
      planned(
        [
          ['b', '2026-10-10', 0, 90],
          ['a', '2026-10-17', 0, 40],
        ],
        2,
      ),
    );
    expect([...anew.values()].map((e) => [e.startDate.toString().slice(0, 10), e.duration.toSeconds() / 60])).toEqual([
      ['2026-10-10', 90],
      ['2026-10-17', 40],
    ]);
  });

  test('an alarm where one is wanted', () => {
    const alarms = (e: ICAL.Event) => e.component.getAllSubcomponents('valarm').length;
    expect([...takenIn(new Map(), first).values()].map(alarms)).toEqual([0, 0]);
    expect([...takenIn(new Map(), first, 14).values()].map(alarms)).toEqual([1, 1]);
  });
});
