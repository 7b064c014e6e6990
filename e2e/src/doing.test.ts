import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { homesOf, type Plan } from '@heronstone/core/plan';
import { addDemoPlan, newPage, post } from './harness.ts';
import { axeFaults, serverPlan, until, withApp } from './support.ts';

/** The first Saturday of the demo’s way to Spring. */
const FIRST = '2026-10-03T09:55:00';

describe('doing it', () => {
  const app = withApp();
  const planOf = async (id: string): Promise<Plan> => (await serverPlan(app.server.url, id)).plan;

  test('the pump house to Spring over October’s Saturdays: one walked on a phone, a job half done, a reload, planned anew, the calendar taken along', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    await addDemoPlan(app.server, 'spring');
    const { page, context } = await newPage(app.browser, { viewport: { width: 390, height: 800 } });
    try {
      await page.clock.setFixedTime(FIRST);
      await page.goto(`${app.server.url}/p/${id}/keepup?view=doing`);
      const day = page.getByRole('region', { name: 'Saturday 3 October' });
      await day.waitFor();
      const first = day.getByRole('button', { name: /^Carry \d+ things to Left pedestal/ });
      await first.click();
      await day.getByText('Left pedestal, as it will be').waitFor();
      // how it is laid out there: drawers as one looks into them, each with what it will be called
      const maps = day.getByRole('region', { name: 'How it is laid out there' });
      await maps.getByText(/^Left pedestal › drawer 1 · .*, as it will be$/).waitFor();
      expect(await maps.getByRole('group', { name: /seen from above$/ }).count()).toBe(2);
      // two of its moves, each true at once, then half done
      const moves = day.getByRole('list', { name: 'Moves' }).getByRole('listitem');
      await moves.first().waitFor();
      const name = (await moves.first().getByRole('button').getAttribute('aria-label'))!.replace('Carried: ', '');
      const before = await planOf(id);
      const [supply] = Object.values(before.supplies).filter((s) => s.name === name);
      await moves.first().getByRole('button').click();
      await until(async () => {
        const plan = await planOf(id);
        return homesOf(plan, supply!.id, 'working').some(
          (h) => h.placeId.startsWith('left') || h.placeId.includes('left'),
        );
      }, `${name} lies in the left pedestal`);
      expect((await planOf(id)).jobs['carry-left']!.state).toBe('half');
      await day.getByRole('textbox', { name: 'It took' }).fill('9');
      await day.getByRole('button', { name: 'Half done' }).click();
      await until(async () => (await planOf(id)).jobs['carry-left']!.spent === 9, 'nine minutes are written down');
      await page.reload();
      await day.getByText('Left pedestal, as it will be').waitFor();
      await day.getByRole('list', { name: 'Moves' }).waitFor();
      expect(await day.getByRole('list', { name: 'Moves' }).getByText(name, { exact: true }).count()).toBe(0);
      // another one whole, with a look at what it does to the plan
      await day.getByRole('button', { name: /^Carry \d+ things to Felting box/ }).click();
      await day.getByText('Felting box, as it will be').waitFor();
      await day.getByRole('button', { name: 'Done', exact: true }).click();
      await until(
        async () => (await planOf(id)).jobs['carry-felt-box']!.state === 'done',
        'the felting box’s job is done',
      );
      const carried = (await planOf(id)).jobs['carry-felt-box']!.about;
      const wanted = (await planOf(id)).homes;
      for (const s of carried)
        expect(Object.values(wanted).some((h) => h.supplyId === s && h.placeId.startsWith('felt-box'))).toBe(true);
      // the next Saturday: what slipped is seen, and planned anew from then on; what is done stays done
      await page.clock.setFixedTime('2026-10-09T18:00:00');
      await page.reload();
      await page.getByRole('alert').filter({ hasText: 'gone by with something left to do' }).waitFor();
      await page.getByRole('button', { name: 'Plan it anew from today' }).click();
      await until(async () => {
        const { sittings, doings } = await planOf(id);
        return (
          Object.values(doings)[0]!.planned === 2 &&
          Object.values(sittings).every((s) => s.on >= '2026-10-10' || s.jobId === 'carry-felt-box')
        );
      }, 'the days are planned anew');
      const anew = await planOf(id);
      expect(anew.jobs['carry-felt-box']!.state).toBe('done');
      // it stays on the day on which it was done
      expect(
        Object.values(anew.sittings)
          .filter((s) => s.jobId === 'carry-felt-box')
          .map((s) => s.on),
      ).toEqual(['2026-10-03']);
      expect(Object.values(anew.sittings).some((s) => s.jobId === 'carry-left')).toBe(true);
      await page.getByRole('region', { name: 'Ways of going about it' }).getByRole('table').waitFor();
      // the whole page at once, so that the bar below lies over nothing
      await page.setViewportSize({ width: 390, height: 4000 });
      expect(await axeFaults(page)).toEqual([]);
      // the calendar: days as another program reads them
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Calendar file' }).click();
      const text = readFileSync(await (await download).path(), 'utf8');
      expect(text).toContain('BEGIN:VALARM');
      // who does not want to be reminded is not, also the next time
      await page.getByLabel('Reminds of a day').selectOption({ label: 'not reminded' });
      const quiet = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Calendar file' }).click();
      expect(readFileSync(await (await quiet).path(), 'utf8')).not.toContain('VALARM');
      const events = new ICAL.Component(ICAL.parse(text) as never)
        .getAllSubcomponents('vevent')
        .map((e) => new ICAL.Event(e))
        .filter((e) => e.uid.startsWith('doing-') && e.component.getFirstPropertyValue('status') !== 'CANCELLED');
      const days = [...new Set(Object.values(anew.sittings).map((s) => s.on))].filter((d) => d >= '2026-10-09').sort();
      expect(events.map((e) => e.startDate.toString().slice(0, 10)).sort()).toEqual(days);
      expect(new Set(events.map((e) => e.sequence))).toEqual(new Set([2]));
    } finally {
      await context.close();
    }
  });

  test('from nothing: another plan chosen, Saturdays pressed, a way of one’s own, a job of one’s own, struck and taken back; by hand and by keys', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    const other = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'keepup?view=doing');
    await page.getByRole('heading', { name: 'Which room is it to become?' }).waitFor();
    // a plan of another room is refused with the reason
    await page.getByRole('button', { name: 'This one: Spring' }).first().click();
    await page.getByRole('alert').filter({ hasText: 'not a plan of this room' }).waitFor();
    expect(Object.keys((await planOf(id)).doings)).toEqual([]);
    const pump = await addDemoPlan(app.server, 'pump');
    const { doings } = await planOf(pump);
    // begun anew: without the demo’s own way
    const { jobs } = await planOf(pump);
    await post(`${app.server.url}/api/plans/${pump}/commands`, {
      commandId: 'put-the-way-away',
      command: {
        ...{ type: 'several', words: 'put the way away' },
        commands: [
          { type: 'removeDoing', id: Object.keys(doings)[0] },
          ...['saturdays', 'together', 'fair'].map((id) => ({ type: 'removeFreeTime', id })),
          ...Object.keys(jobs).map((id) => ({ type: 'removeJob', id })),
        ],
      },
    });
    await app.open(pump, 'keepup?view=doing');
    await page.getByRole('button', { name: 'This one: Spring' }).first().click();
    await until(async () => Object.values((await planOf(pump)).doings)[0]?.toName === 'Spring', 'the way is begun');
    await page.getByRole('button', { name: 'Sat', exact: true }).click();
    await until(async () => Object.keys((await planOf(pump)).sittings).length > 5, 'the days are planned');
    // not before the guests have gone: all days come later
    const later = new Date(Date.now() + 21 * 86_400_000).toISOString().slice(0, 10);
    await page.getByLabel('Not before').fill(later);
    await until(async () => {
      const days = Object.values((await planOf(pump)).sittings).map((s) => s.on);
      return days.length > 5 && days.every((on) => on >= later);
    }, 'no day is before it');
    const river = page.getByRole('group', { name: 'Days across the river' });
    await river.getByRole('button').first().waitFor();
    // by keys from stone to stone
    await river.getByRole('button', { pressed: true }).focus();
    await page.keyboard.press('ArrowRight');
    await page.waitForURL(/day=/);
    await page.getByRole('textbox', { name: 'A job of your own' }).fill('paint the north wall, 3 h');
    await page.keyboard.press('Enter');
    await until(
      async () => Object.values((await planOf(pump)).jobs).some((j) => j.kind === 'own' && j.likely === 180),
      'an own job of three hours',
    );
    const all = page.getByRole('region', { name: 'All jobs' });
    await all.getByRole('button', { name: 'paint the north wall' }).click();
    await all.getByRole('button', { name: 'Strike it' }).click();
    await all.getByRole('button', { name: 'Take it back' }).click();
    await until(
      async () => Object.values((await planOf(pump)).jobs).find((j) => j.kind === 'own')!.state === 'open',
      'it is taken back',
    );
    // too long for a Saturday of two hours: said, with what would have to give
    await page.getByRole('button', { name: 'Plan the days anew' }).click();
    await page
      .getByRole('list', { name: 'Left over' })
      .getByText(/wants 180 min in one go/)
      .waitFor();
    await page.getByRole('checkbox', { name: 'Livable every evening' }).click();
    await until(async () => {
      const plan = await planOf(pump);
      const own = Object.values(plan.jobs).find((j) => j.kind === 'own')!;
      return Object.values(plan.sittings).filter((s) => s.jobId === own.id).length > 1;
    }, 'it is parted over days');
    // another way taken
    await page.getByRole('button', { name: 'Take: All at a weekend' }).click();
    await until(async () => Object.values((await planOf(pump)).doings)[0]!.way === 'weekend', 'another way is taken');
    expect(await axeFaults(page)).toEqual([]);
    // left, and back by undo
    await page.getByRole('button', { name: 'Leave this way' }).click();
    await page.getByRole('heading', { name: 'Which room is it to become?' }).waitFor();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await river.getByRole('button').first().waitFor();
    expect(other).toBeTruthy();
  });

  test('a job parted by its places and made one again; who helps and does not lift', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    // there are more of that name by now
    const toPlanId = await addDemoPlan(app.server, 'spring');
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: 'to-this-spring',
      command: { type: 'setDoing', id: 'to-spring', set: { toPlanId } },
    });
    const jobs = async () => Object.values((await planOf(id)).jobs);
    const before = await planOf(id);
    await page.clock.setFixedTime(FIRST);
    await app.open(id, 'keepup?view=doing');
    const all = page.getByRole('region', { name: 'All jobs' });
    const job = before.jobs['carry-left']!;
    const line = all.getByRole('listitem').filter({ has: page.getByRole('button', { name: job.name, exact: true }) });
    await line.getByRole('button', { name: job.name }).click();
    await line.getByRole('button', { name: 'Part it', exact: true }).click();
    const which = line.getByRole('group', { name: 'What is to be a job of its own?' });
    // neither all nor none can be chosen
    const make = which.getByRole('button', { name: 'Make two jobs of it' });
    expect(await make.isDisabled()).toBe(true);
    await which.getByRole('checkbox').first().check();
    await make.click();
    await until(async () => (await jobs()).some((j) => j.byHand), 'there are two');
    const hand = (await jobs()).find((j) => j.byHand)!;
    expect(hand.to).toEqual(job.to.slice(0, 1));
    expect((await planOf(id)).jobs['carry-left']!.to).toEqual(job.to.slice(1));
    // it has a day of its own
    await until(
      async () => Object.values((await planOf(id)).sittings).some((s) => s.jobId === hand.id),
      'it is laid on a day',
    );
    // made one with the rest again
    const part = all.getByRole('listitem').filter({ has: page.getByRole('button', { name: hand.name, exact: true }) });
    await part.getByRole('button', { name: hand.name }).click();
    const rest = (await planOf(id)).jobs['carry-left']!.name;
    await part.getByRole('combobox', { name: 'Make it one with' }).selectOption({ label: rest });
    await until(async () => {
      const [one, ...more] = (await jobs()).filter((j) => j.to.includes(job.to[0]!));
      return more.length === 0 && one!.to.length === job.to.length;
    }, 'it is one again');
    await until(async () => {
      const { sittings, jobs: now } = await planOf(id);
      const [one] = Object.values(now).filter((j) => j.byHand);
      return Object.values(sittings).some((s) => s.jobId === one?.id);
    }, 'it is on a day');
    // notes for all of one unit at once: they wait for what is carried there alone
    const noted = (await planOf(id)).jobs['notes']!;
    const notes = all
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: noted.name, exact: true }) });
    await notes.getByRole('button', { name: noted.name }).click();
    await notes.getByRole('button', { name: 'Part it', exact: true }).click();
    await notes.getByRole('checkbox', { name: 'Felting box, all of it' }).check();
    await notes.getByRole('button', { name: 'Make two jobs of it' }).click();
    await until(async () => (await jobs()).filter((j) => j.kind === 'notes').length === 2, 'notes are parted');
    const soon = (await jobs()).find((j) => j.kind === 'notes' && j.byHand)!;
    expect(soon.about).toEqual(noted.about.filter((place) => place.startsWith('felt-box')));
    expect(soon.after).toEqual(['carry-felt-box']);
    // the wanted plan is worked on in another window: who comes back to this one plans by it
    await post(`${app.server.url}/api/plans/${toPlanId}/commands`, {
      commandId: 'called-otherwise',
      command: { type: 'setUnit', id: 'felt-box', set: { name: 'Wool chest' } },
    });
    await page.evaluate(() => window.dispatchEvent(new Event('focus')));
    await until(async () => {
      const anew = page.getByRole('button', { name: 'Plan the days anew' });
      if (await anew.isVisible()) await anew.click();
      return /Wool chest/.test((await planOf(id)).jobs['carry-felt-box']!.name);
    }, 'jobs go by the plan as it is now');
    // somebody helps who does not lift: the day says so
    await page.getByRole('textbox', { name: 'Sat 17 Oct, helpers who do not lift' }).fill('1');
    await page.keyboard.press('Enter');
    await until(async () => (await planOf(id)).freeTimes['together']!.hands === 1, 'one helps who does not lift');
    expect(await axeFaults(page)).toEqual([]);
  });

  test('two windows tick one job at once: it is done once; planned while nothing answers, the days are there once something does', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    const spring = await addDemoPlan(app.server, 'spring');
    const [doing] = Object.values((await planOf(id)).doings);
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: 'to-this-spring-for-two',
      command: { type: 'setDoing', id: doing!.id, set: { toPlanId: spring } },
    });
    const windows = await Promise.all([newPage(app.browser), newPage(app.browser)]);
    try {
      const days = windows.map(({ page }) => page.getByRole('region', { name: 'Saturday 3 October' }));
      for (const [i, { page }] of windows.entries()) {
        await page.clock.setFixedTime(FIRST);
        await page.goto(`${app.server.url}/p/${id}/keepup?view=doing`);
        await days[i]!.getByRole('button', { name: /^Carry \d+ things to Felting box/ }).click();
        await days[i]!.getByText('Felting box, as it will be').waitFor();
      }
      await Promise.all(days.map((day) => day.getByRole('button', { name: 'Done', exact: true }).click()));
      await until(async () => (await planOf(id)).jobs['carry-felt-box']!.state === 'done', 'it is done');
      const done = await planOf(id);
      for (const supplyId of done.jobs['carry-felt-box']!.about) {
        const there = Object.values(done.homes).filter(
          (h) => h.supplyId === supplyId && h.placeId.startsWith('felt-box'),
        );
        expect([supplyId, there.length]).toEqual([supplyId, 1]);
      }
      // both windows say so, and one undo takes it back
      for (const day of days)
        await day.getByRole('button', { name: 'Done', exact: true }).waitFor({ state: 'detached' });
      const [{ page, context }] = windows;
      await page.getByRole('button', { name: /^Undo/ }).click();
      await until(async () => (await planOf(id)).jobs['carry-felt-box']!.state !== 'done', 'taken back at once');

      // nothing answers: Wednesdays are pressed and the days planned all the same
      await context.setOffline(true);
      await page.getByRole('button', { name: 'Wed', exact: true }).click();
      await page.getByRole('button', { name: 'Plan the days anew' }).click();
      const river = page.getByRole('group', { name: 'Days across the river' });
      await river.getByRole('button', { name: /^Wed/ }).first().waitFor();
      expect(Object.values((await planOf(id)).freeTimes).some((f) => f.weekday === 3)).toBe(false);
      await context.setOffline(false);
      await until(
        async () => Object.values((await planOf(id)).sittings).some((s) => new Date(s.on).getUTCDay() === 3),
        'the days planned meanwhile are on the server',
      );
    } finally {
      for (const { context } of windows) await context.close();
    }
  });

  test('homes that were found become a plan of their own, and the way to it is laid day by day: the old homes are back meanwhile', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    const { jobs, doings, freeTimes, homes } = await planOf(id);
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: 'put-that-way-away',
      command: {
        ...{ type: 'several', words: 'put the way away' },
        commands: [
          { type: 'removeDoing', id: Object.keys(doings)[0] },
          ...Object.keys(freeTimes).map((f) => ({ type: 'removeFreeTime', id: f })),
          ...Object.keys(jobs).map((j) => ({ type: 'removeJob', id: j })),
        ],
      },
    });
    await app.open(id, 'homes');
    await page.getByRole('button', { name: 'Find homes', exact: true }).click();
    await page.getByRole('heading', { name: 'What lives where' }).waitFor();
    await page.getByRole('button', { name: 'Day by day' }).click();
    await page.waitForURL(/view=doing/);
    await until(async () => Object.keys((await planOf(id)).jobs).length > 5, 'what differs became jobs');
    const plan = await planOf(id);
    const wanted = await planOf(Object.values(plan.doings)[0]!.toPlanId);
    expect(wanted.head.forkedFrom).toBe(id);
    const at = (p: { homes: Plan['homes'] }) =>
      Object.values(p.homes)
        .map((h) => `${h.supplyId} ${h.share} ${h.placeId}`)
        .sort();
    expect(at(plan)).toEqual(at({ homes }));
    expect(at(wanted)).not.toEqual(at(plan));
    await page.getByText('Say beside this when you have time').waitFor();
  });
});
