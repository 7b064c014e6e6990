import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { blankUnit } from '@heronstone/core/plan';
import { addDemoPlan, post } from './harness.ts';
import { axeFaults, planIdOf, serverPlan, until, withApp } from './support.ts';

const app = withApp();

describe('as a new user would', () => {
  test('in inches: shown and typed so, centimetres taken too', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'furniture?unit=table');
    const width = app.page.getByLabel('width', { exact: true });
    expect(await width.inputValue()).toBe('48"');
    await width.fill('4\' 1 1/2"');
    await width.press('Enter');
    await until(
      async () => Math.abs((await serverPlan(app.server.url, id)).plan.units.table!.width - 1257.3) < 0.01,
      '49 1/2 in',
    );
    expect(await width.inputValue()).toBe('49 1/2"');
    await width.fill('120 cm');
    await width.press('Enter');
    await until(async () => (await serverPlan(app.server.url, id)).plan.units.table!.width === 1200, '120 cm');
    await app.open(id, 'room');
    await app.page.getByLabel('Lengths in').selectOption('metric');
    expect(await app.page.getByLabel('Length of wall 1').inputValue()).toBe('299.7 cm');
  });

  test('letters, nothing, zero and less in the fields of a unit and a supply: a word beside the field, Escape takes it back', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'furniture?unit=chest');
    const before = await serverPlan(app.server.url, id);
    const width = app.page.getByLabel('width', { exact: true });
    for (const [text, why] of [
      ['wide', /not a length/],
      ['0', /more than zero/],
      ['-3', /cannot be negative/],
      ['', /Type a length/],
    ] as const) {
      await width.fill(text);
      await width.press('Enter');
      expect(await app.page.locator('[role=alert]').first().innerText()).toMatch(why);
    }
    await width.press('Escape');
    expect(await width.inputValue()).toBe('88 cm');
    await app.page.getByRole('tab', { name: 'Split its front' }).click();
    const rows = app.page.getByLabel('rows');
    await rows.fill('2.5');
    await rows.press('Enter');
    expect(await app.page.locator('[role=alert]').first().innerText()).toMatch(/whole number/);
    await app.open(id, 'supplies?supply=hot-knife');
    await app.page.getByLabel('at hand').fill('many');
    await app.page.getByLabel('at hand').press('Enter');
    expect(await app.page.locator('[role=alert]').first().innerText()).toMatch(/“many” is not a number/);
    expect(await serverPlan(app.server.url, id)).toEqual(before);
  });

  test('taking out a unit leaves its supplies without a home, and one undo brings all of it back', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'furniture?unit=cubes');
    const before = (await serverPlan(app.server.url, id)).plan;
    await app.page.getByRole('button', { name: 'Take it out' }).click();
    await until(async () => !(await serverPlan(app.server.url, id)).plan.units.cubes, 'taken out');
    const without = (await serverPlan(app.server.url, id)).plan;
    expect(Object.keys(without.supplies)).toEqual(Object.keys(before.supplies));
    expect(Object.keys(without.homes).length).toBeLessThan(Object.keys(before.homes).length);
    await app.page.getByRole('button', { name: /^Undo/ }).click();
    await until(async () => Boolean((await serverPlan(app.server.url, id)).plan.units.cubes), 'back');
    expect((await serverPlan(app.server.url, id)).plan).toEqual(before);
  });

  test('find homes can be stopped at once and says what it did; a person who is still needed is not taken out', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'homes');
    await app.page.getByRole('button', { name: 'Find homes' }).click();
    await app.page.getByRole('button', { name: 'Enough' }).click();
    await app.page.waitForSelector('text=/homes changed/');
    // shown at once, saved a moment later
    const homes = async () => Object.keys((await serverPlan(app.server.url, id)).plan.homes).length;
    await until(async () => (await homes()) > 90, 'the found homes are saved');
    await app.open(id, 'activities');
    await app.page.getByRole('button', { name: /^Ash/ }).click();
    await app.page.getByRole('region', { name: 'People' }).getByRole('button', { name: 'Take out' }).click();
    await app.page.waitForSelector('text=/Ash works at .* Give that station to someone else first/');
  });

  test('the list as CSV and the plan as a file come down and go in again', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'supplies?view=table');
    const [csv] = await Promise.all([
      app.page.waitForEvent('download'),
      app.page.getByRole('button', { name: 'All as CSV' }).click(),
    ]);
    const list = join(app.server.folder, 'down.csv');
    await csv.saveAs(list);
    const [file] = await Promise.all([
      app.page.waitForEvent('download'),
      app.page.getByRole('button', { name: 'Save the whole plan as a file' }).click(),
    ]);
    const plan = join(app.server.folder, 'down.heron.json');
    await file.saveAs(plan);
    await app.page.goto(app.server.url);
    await app.page.locator('input[aria-label="Plan file"]').setInputFiles(plan);
    await app.page.waitForSelector('text=Walk round with a tape');
    const again = planIdOf(app.page);
    expect({ ...(await serverPlan(app.server.url, again)).plan, id: '' }).toEqual({
      ...(await serverPlan(app.server.url, id)).plan,
      id: '',
    });
    // read where it came from it changes nothing; in an empty plan it brings everything
    await app.open(again, 'supplies?view=table');
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(list);
    await app.page.waitForSelector('text=/0 new supplies, 0 changed, 148 as they were/');
    await app.open(await addDemoPlan(app.server, 'cupboard'), 'supplies?view=table');
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(list);
    await app.page.getByRole('button', { name: /^Take over 1\d\d/ }).click();
    await app.page.waitForSelector('text=/^1[345]\\d supplies/');
  });

  test('an empty plan says at every stone what to do next', async () => {
    await app.page.goto(app.server.url);
    await app.page.fill('#new-name', 'Empty');
    await app.page.getByRole('button', { name: 'Begin' }).click();
    await app.page.waitForSelector('text=The room appears here while you type');
    for (const [stone, words] of [
      ['Activities', /Name one thing that is made/],
      ['Supplies', /Take everything out and count it/],
      ['Furniture', /Nothing stands here yet/],
      ['Homes', /Nothing stands here yet: bring in a table/],
      ['Try-out', /Nothing stands here yet: bring in a table/],
    ] as const) {
      await app.page.getByRole('link', { name: stone }).first().click();
      await app.page.waitForSelector(`text=${words}`);
      expect(await axeFaults(app.page)).toEqual([]);
    }
    // with a table in it the first seat is one press at the empty stone itself
    const id = planIdOf(app.page);
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: 'command-a-table-comes',
      command: { type: 'placeUnit', unit: blankUnit('table', 'worktable') },
    });
    await app.page.getByRole('button', { name: 'Sit down at Work table' }).click();
    await until(
      async () => Object.keys((await serverPlan(app.server.url, id)).plan.stations).length === 1,
      'there is a seat',
    );
    await app.page.getByRole('button', { name: 'Sit down at Work table' }).waitFor({ state: 'detached' });
  });
});
