import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Browser, type Page } from 'playwright-core';
import { startGuild } from './guild.ts';
import { launch, newPage, root } from './harness.ts';
import { axeFaults, until } from './support.ts';

const PASSPHRASE = 'four words that go';

/** What whoever runs the guild says. @returns what it printed */
function operator(ownerUrl: string, ...args: string[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const child: ChildProcess = spawn(
      process.execPath,
      [join(root, 'scripts/program.mjs'), 'server/src/guild/main.ts', ...args],
      { cwd: root, env: { ...process.env, NODE_OPTIONS: '', DATABASE_OWNER_URL: ownerUrl } },
    );
    let said = '';
    for (const stream of [child.stdout!, child.stderr!]) stream.on('data', (d: Buffer) => (said += d.toString()));
    child.once('exit', (code) => (code === 0 ? resolve(said) : reject(new Error(said))));
  });
}

describe('a household on a guild’s server', () => {
  let guild: Awaited<ReturnType<typeof startGuild>>;
  let browser: Browser;
  let keeper: Page;
  let errors: string[];

  const comeIn = async (page: Page, link: string, name: string) => {
    await page.goto(link);
    await page.getByLabel('Your name here').fill(name);
    await page.getByLabel('A passphrase of your own').fill(PASSPHRASE);
    await page.getByRole('button', { name: 'Come in', exact: true }).click();
    await page.getByText(`${name}, `).waitFor();
  };
  const invite = async (name: string, role: string) => {
    await keeper.goto(`${guild.origin}/household`);
    await keeper.getByLabel('Whom to invite').fill(name);
    await keeper.getByLabel('As what').selectOption(role);
    await keeper.getByRole('button', { name: 'Invite' }).click();
    return (await keeper.locator('[data-link]').textContent())!;
  };
  const openPlan = async (page: Page, name: string, stone: string) => {
    await page.goto(guild.origin);
    await page
      .locator('main li')
      .getByRole('link', { name: new RegExp(`^${name}`) })
      .first()
      .click();
    await page.waitForURL(/\/p\//);
    await page.goto(page.url().replace(/\/p\/([^/]+).*/, `/p/$1/${stone}`));
    return /\/p\/([^/]+)/.exec(page.url())![1]!;
  };
  /** The plan as a server has it. */
  const planOf = (page: Page, id: string) =>
    page.evaluate(async (at) => (await (await fetch(`/api/plans/${at}`)).json()).plan, id) as Promise<{
      head: { name: string; ceiling: number };
      supplies: Record<string, { name: string; working: number }>;
    }>;
  /** Sends a change as the page itself does, until it is answered. */
  const rename = async (page: Page, id: string, ceiling: number) => {
    const commandId = `command-ceiling-${ceiling}`;
    await until(
      () =>
        page.evaluate(
          async ([at, body]) =>
            (
              await fetch(`/api/plans/${at}/commands`, {
                method: 'POST',
                headers: { 'content-type': 'application/json' },
                body,
              }).catch(() => null)
            )?.ok === true,
          [id, JSON.stringify({ commandId, command: { type: 'setPlan', set: { ceiling } } })] as const,
        ),
      'the change is answered',
    );
  };

  beforeAll(async () => {
    guild = await startGuild();
    browser = await launch();
    const opened = await newPage(browser);
    [keeper, errors] = [opened.page, opened.errors];
  });
  afterAll(async () => {
    await browser?.close();
    await guild?.stop();
  });

  test('the first keeper comes in by the invitation; what was wrong is said; the household’s page is there for everybody', async () => {
    await keeper.goto(guild.links[0]!);
    await keeper.getByText('You are invited to').waitFor();
    expect(await axeFaults(keeper)).toEqual([]);
    await keeper.getByLabel('Your name here').fill('Ada');
    await keeper.getByLabel('A passphrase of your own').fill('short');
    await keeper.getByRole('button', { name: 'Come in', exact: true }).click();
    expect(await keeper.getByRole('alert').textContent()).toMatch(/10 letters/);
    await comeIn(keeper, guild.links[0]!, 'Ada');
    await keeper.getByRole('link', { name: 'The pump house', exact: true }).first().click();
    await keeper.getByRole('heading', { name: 'Who did what' }).waitFor();
    expect(await axeFaults(keeper)).toEqual([]);
    // once used it opens nothing
    const { page, context } = await newPage(browser);
    await page.goto(guild.links[0]!);
    await page.getByText('used, withdrawn, or is over').waitFor();
    await context.close();
    // what was refused stands in the console as the browser says it, and nothing else does
    expect(errors.filter((e) => !/status of 400/.test(e))).toEqual([]);
  });

  test('a helper on a phone sees what the keeper changes, and is told what is not theirs', async () => {
    const link = await invite('Bea', 'helper');
    const { page, context } = await newPage(browser, { viewport: { width: 390, height: 780 } });
    await comeIn(page, link, 'Bea');
    expect(await page.getByRole('button', { name: /^Rename/ }).count()).toBe(0);
    expect(await page.getByRole('heading', { name: 'A new plan' }).count()).toBe(0);
    const id = await openPlan(page, 'The pump house', 'room');
    await page.locator('[data-plan-name]').filter({ hasText: 'The pump house' }).waitFor();
    await keeper.goto(`${guild.origin}/`);
    await keeper.getByRole('button', { name: 'Rename The pump house' }).click();
    await keeper.getByLabel('New name of The pump house').fill('The pump house, upstairs');
    await keeper.getByRole('button', { name: 'Rename', exact: true }).click();
    // heard through the other server, perhaps
    await page.locator('[data-plan-name]').filter({ hasText: 'upstairs' }).waitFor();
    // not theirs: nothing happens, and why is said
    const before = (await planOf(page, id)).head.ceiling;
    await page.goto(`${guild.origin}/p/${id}/homes`);
    await page.getByRole('button', { name: /^Undo: / }).click();
    await page.getByText('The last change was not yours').waitFor();
    expect((await planOf(page, id)).head.ceiling).toBe(before);
    await context.close();
  });

  test('a guest sees the page made for them and finds things, and nothing to change', async () => {
    const { page, context, errors: mine } = await newPage(browser);
    await comeIn(page, await invite('Fay', 'guest'), 'Fay');
    await openPlan(page, 'The pump house', 'room');
    await page.getByRole('heading', { name: /^For / }).waitFor();
    expect(await page.getByRole('button', { name: /^(Undo|Nothing to undo)/ }).count()).toBe(0);
    expect(await page.getByRole('navigation').count()).toBe(0);
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole('button', { name: /Where is it/ }).click();
    await page.getByPlaceholder('Type a few letters of it').fill('felt');
    await page.locator('[cmdk-item]').first().waitFor();
    expect(mine).toEqual([]);
    await context.close();
  });

  test('a server is killed while both change: windows go on with the other, nothing is lost, nothing twice', async () => {
    const id = await openPlan(keeper, 'The pump house', 'room');
    const { page, context } = await newPage(browser);
    const link = await invite('Cal', 'keeper');
    await comeIn(page, link, 'Cal');
    await page.goto(`${guild.origin}/p/${id}/room`);
    await page.locator('[data-plan-name]').filter({ hasText: 'The pump house' }).waitFor();
    for (let n = 0; n < 6; n++) {
      if (n === 2) process.kill(guild.pids[0]!, 'SIGKILL');
      await rename(n % 2 ? page : keeper, id, 2300 + n);
    }
    expect((await planOf(keeper, id)).head.ceiling).toBe(2305);
    // the window that listened says so too, without being loaded anew
    await rename(keeper, id, 2311);
    await keeper.goto(`${guild.origin}/household`);
    await keeper.getByText('Cal').first().waitFor();
    const acts = await keeper.getByText(/Ada: |Cal: /).allTextContents();
    expect(acts.filter((a) => /ceiling|setting|change/i.test(a)).length).toBeGreaterThan(0);
    await page.getByRole('button', { name: /^Undo: / }).click();
    await until(async () => (await planOf(page, id)).head.ceiling === 2305, 'the last change is undone');
    await context.close();
  });

  test('a passkey of this device opens the household where the passphrase is not at hand', async () => {
    const { page, context } = await newPage(browser);
    const session = await context.newCDPSession(page);
    await session.send('WebAuthn.enable');
    await session.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
      },
    });
    await comeIn(page, await invite('Dee', 'helper'), 'Dee');
    await page.goto(`${guild.origin}/household`);
    await page.getByRole('button', { name: /Add a passkey/ }).click();
    const passkeys = page.getByRole('list', { name: 'Your passkeys' }).getByRole('listitem');
    await passkeys.first().waitFor();
    expect(await passkeys.count()).toBe(1);
    await page.getByRole('button', { name: 'Leave this browser' }).click();
    await page.getByRole('button', { name: 'Come in with a passkey' }).click();
    await page.getByRole('heading', { name: 'The pump house' }).waitFor();
    // and with the passphrase, under household and name
    await page.getByRole('button', { name: 'Leave this browser' }).click();
    await page.getByLabel('Household').fill('the-pump-house');
    await page.getByLabel('Your name there').fill('Dee');
    await page.getByLabel('Your passphrase').fill('not these four words');
    await page.getByRole('button', { name: 'Come in', exact: true }).click();
    await page.getByText('do not go together').waitFor();
    await page.getByLabel('Your passphrase').fill(PASSPHRASE);
    await page.getByRole('button', { name: 'Come in', exact: true }).click();
    await page.getByRole('heading', { name: 'The pump house' }).waitFor();
    // one that is taken away opens nothing any more
    await page.goto(`${guild.origin}/household`);
    await passkeys.getByRole('button', { name: /^Take away the passkey/ }).click();
    await page.getByRole('alertdialog').getByRole('button', { name: 'Take it away' }).click();
    await page.getByText('no passkey yet').waitFor();
    await page.getByRole('button', { name: 'Add a passkey' }).click();
    await passkeys.first().waitFor();
    // leaving for good ends where one comes in, and nothing opens any more
    const leave = page.getByRole('button', { name: 'Leave this household' });
    await leave.click();
    const asked = page.getByRole('alertdialog', { name: 'Leave The pump house for good?' });
    await asked.waitFor();
    expect(await axeFaults(page)).toEqual([]);
    // Escape is a no, and one is back where one was
    await page.keyboard.press('Escape');
    await asked.waitFor({ state: 'detached' });
    await page.waitForFunction(() => document.activeElement?.textContent === 'Leave this household');
    await leave.click();
    await asked.getByRole('button', { name: 'Leave for good' }).click();
    await page.getByRole('button', { name: 'Come in with a passkey' }).click();
    await page.getByText('This passkey opens nothing here').waitFor();
    await context.close();
  });

  test('a link to look, a copy for another household with its receipt, a plan to begin from', async () => {
    await keeper.goto(`${guild.origin}/household`);
    await keeper.getByLabel('Who may look').fill('The customer');
    await keeper.getByRole('button', { name: 'Make a link to look' }).click();
    const look = (await keeper.locator('[data-link]').textContent())!;
    const { page: guest, context: guests } = await newPage(browser);
    await guest.goto(look);
    await guest.waitForURL(/\/p\/.*\/homes/);
    expect(await guest.getByRole('button', { name: /^(Undo|Nothing to undo)/ }).count()).toBe(0);
    await guest.goto(guild.origin);
    await guest.getByText('you look by a link').waitFor();
    await guest.locator('main li a').first().waitFor();
    expect(await guest.locator('main li a').count()).toBe(1);
    await guests.close();

    await keeper.getByRole('button', { name: 'Done' }).click();
    await keeper.getByLabel('What it is for').fill('A first room under an eave');
    await keeper.getByRole('button', { name: 'Put it out to begin from' }).click();
    await keeper.getByText(/is put out to begin from, as of/).waitFor();
    await keeper.getByRole('button', { name: 'Give a copy to another household' }).click();
    const gift = (await keeper.locator('[data-link]').textContent())!;

    const said = await operator(guild.ownerUrl, 'household', 'add', 'The ferry', '--origin', guild.origin);
    const { page, context } = await newPage(browser);
    await comeIn(page, /http:\S+/.exec(said)![0], 'Eli');
    await page.getByText('A first room under an eave').waitFor();
    await page.goto(gift);
    await page.getByRole('button', { name: 'Take it' }).click();
    await page.waitForURL(/\/p\/.*\/homes/);
    await page.goto(`${guild.origin}/household`);
    await page.getByText(/was taken by Eli; it was given by Ada of The pump house/).waitFor();
    await page.goto(guild.origin);
    await page.getByRole('button', { name: /^Begin from/ }).click();
    await page.waitForURL(/\/p\/.*\/room/);
    await context.close();
  });
});
