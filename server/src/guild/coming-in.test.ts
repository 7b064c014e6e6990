import { request as rawRequest } from 'node:http';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { craftedCommands, craftedPlan } from '../crafted.ts';
import { exportPlan } from '@heronstone/core/formats';
import { isHelping } from '@heronstone/core/plan';
import { comeIn, cookieOf, type GuildBackend, newHousehold, onGuild } from '../testing-engines.ts';
import { NOBODY, Pool } from './pool.ts';
import { type RunningGuild } from './serve-guild.ts';

const PASSPHRASE = 'four words that go';

describe('coming in to a household', () => {
  let guild: GuildBackend;
  let second: RunningGuild;
  let house: { id: string; cookie: string };
  let planId: string;

  const to = (server: RunningGuild) => `http://127.0.0.1:${server.port}`;
  const ask = async (
    path: string,
    {
      cookie = '',
      body,
      from,
      base = guild.url,
    }: { cookie?: string; body?: unknown; from?: string; base?: string } = {},
  ) => {
    const answer = await fetch(`${base}/api${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: {
        cookie,
        ...(from !== undefined && { 'x-forwarded-for': from }),
        ...(body !== undefined && { 'content-type': 'application/json' }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
    const text = await answer.text();
    const json = (text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : {}) as Record<string, string>;
    return { status: answer.status, json, cookie: cookieOf(answer) };
  };
  const tokenOf = (link: string) => link.slice(link.indexOf('#') + 1);
  const invite = async (forWhom: string, role = 'helper', member: string | null = null) => {
    const made = await ask('/household/invitations', { cookie: house.cookie, body: { forWhom, role, member } });
    expect(made.status).toBe(201);
    return tokenOf(made.json.link!);
  };
  const household = async (cookie = house.cookie) =>
    (await ask('/household', { cookie })).json as unknown as {
      members: { id: string; name: string; role: string; leftAt: string | null }[];
      sessions: { digest: string; own: boolean; member: string }[];
      acts: { words: string; byWhom: string; plan: string }[];
      links: { digest: string }[];
    };
  const command = (cookie: string, body: unknown, n = Math.random()) =>
    ask(`/plans/${planId}/commands`, { cookie, body: { commandId: `command-${n}`, command: body } });

  beforeAll(async () => {
    guild = await onGuild({ trustProxy: 1 });
    second = await guild.another();
    house = await newHousehold(guild.households, guild.url, 'The mill');
    planId = (await ask('/plans', { cookie: house.cookie, body: { file: exportPlan(craftedPlan()) } })).json.id!;
  });
  afterAll(() => guild.close());

  test('an invitation opens once: of ten at once on two servers one comes in; again, late, withdrawn, made up it opens nothing', async () => {
    const token = await invite('Bea');
    expect((await ask('/access/invitation', { body: { token } })).json).toEqual({
      household: 'The mill',
      word: house.id,
      role: 'helper',
      forWhom: 'Bea',
    });
    // whom a slow machine tells that there is too much to do just now, asks again
    const come = async (i: number): ReturnType<typeof ask> => {
      const base = i % 2 ? guild.url : to(second);
      const answer = await ask('/access/come', { base, body: { token, name: `Bea ${i}`, passphrase: PASSPHRASE } });
      return answer.status === 503 ? come(i) : answer;
    };
    const all = await Promise.all(Array.from({ length: 10 }, (_, i) => come(i)));
    expect(all.map((a) => a.status).sort()).toEqual([200, ...Array<number>(9).fill(409)]);
    expect((await ask('/access/invitation', { body: { token } })).status).toBe(404);
    const withdrawn = await invite('Cal');
    const digest = (
      (await ask('/household', { cookie: house.cookie })).json as unknown as { invitations: { digest: string }[] }
    ).invitations[0]!.digest;
    await ask(`/household/invitations/${digest}/withdraw`, { cookie: house.cookie, body: {} });
    const late = await invite('Dee');
    await guild.cluster.super(`UPDATE invitations SET ends_at = now() - interval '1 second' WHERE for_whom = 'Dee'`);
    for (const wrong of [token, withdrawn, late, 'x'.repeat(43)])
      expect((await ask('/access/come', { body: { token: wrong, name: 'Eve', passphrase: PASSPHRASE } })).status).toBe(
        409,
      );
    expect((await household()).members.map((m) => m.name).filter((n) => /Cal|Dee|Eve/.test(n))).toEqual([]);
    // a name that is taken leaves the invitation as it was
    const same = await invite('Keeper of The mill');
    const taken = await ask('/access/come', {
      body: { token: same, name: 'keeper of the MILL', passphrase: PASSPHRASE },
    });
    expect([taken.status, taken.json.detail]).toEqual([409, expect.stringMatching(/in this household already/)]);
    expect((await ask('/access/come', { body: { token: same, name: 'Gus', passphrase: 'short' } })).status).toBe(400);
    expect((await ask('/access/come', { body: { token: same, name: 'Gus', passphrase: PASSPHRASE } })).status).toBe(
      200,
    );
  });

  test('a passphrase lets in under its household and name alone; what is wrong sounds alike, known or not', async () => {
    const right = await ask('/access/enter', {
      body: { household: house.id, name: ' keeper of the mill ', passphrase: PASSPHRASE },
      from: '10.0.0.1',
    });
    expect(right.status).toBe(200);
    expect((await ask('/plans', { cookie: right.cookie })).status).toBe(200);
    const wrong = [
      { household: house.id, name: 'Keeper of The mill', passphrase: 'five words that go not' },
      { household: house.id, name: 'Nobody', passphrase: PASSPHRASE },
      { household: 'the-pump-house', name: 'Keeper of The mill', passphrase: PASSPHRASE },
      { household: 'nowhere', name: 'Keeper of The mill', passphrase: PASSPHRASE },
    ];
    const answers = await Promise.all(wrong.map((body) => ask('/access/enter', { body, from: '10.0.0.2' })));
    expect(new Set(answers.map((a) => `${a.status} ${a.json.detail}`))).toEqual(
      new Set(['403 Household, name and passphrase do not go together.']),
    );
  });

  test('ten wrong ones from an address on one server are ten on the other; who knows it comes in from elsewhere', async () => {
    const guess = (base: string, from: string, passphrase: string) =>
      ask('/access/enter', { base, from, body: { household: house.id, name: 'Gus', passphrase } });
    const first = await Promise.all(
      Array.from({ length: 16 }, (_, i) => guess(i % 2 ? guild.url : to(second), '10.0.1.1', `wrong words ${i}`)),
    );
    expect(first.filter((a) => a.status === 403)).toHaveLength(10);
    expect(first.filter((a) => a.status === 429)).toHaveLength(6);
    expect((await guess(to(second), '10.0.1.1', PASSPHRASE)).status).toBe(429);
    expect((await guess(to(second), '10.0.1.2', PASSPHRASE)).status).toBe(200);
  });

  test('a session belongs to whom it was given: not taken from what a browser brings, ended everywhere at once, not replayed', async () => {
    const fixed = 'heronstone-guild=of-somebody-elses-choosing-0123456789abcdef';
    const came = await ask('/access/enter', {
      cookie: fixed,
      from: '10.0.2.1',
      body: { household: house.id, name: 'Gus', passphrase: PASSPHRASE },
    });
    expect(came.cookie).not.toBe(fixed);
    expect((await ask('/plans', { cookie: fixed })).status).toBe(401);
    // seen and ended by a keeper, on another server than the one that knows it
    expect((await ask('/plans', { cookie: came.cookie, base: to(second) })).status).toBe(200);
    const gus = (await household()).members.find((m) => m.name === 'Gus')!;
    for (const s of (await household()).sessions.filter((one) => one.member === gus.id))
      await ask(`/household/sessions/${s.digest}/end`, { cookie: house.cookie, body: {} });
    await until(async () => (await ask('/plans', { cookie: came.cookie, base: to(second) })).status === 401);
    // leaving a browser ends what was copied out of it
    const again = await ask('/access/enter', {
      from: '10.0.2.1',
      body: { household: house.id, name: 'Gus', passphrase: PASSPHRASE },
    });
    expect((await ask('/access/leave', { cookie: again.cookie, body: {} })).status).toBe(200);
    expect((await ask('/plans', { cookie: again.cookie })).status).toBe(401);
    expect((await ask('/access/leave', { cookie: again.cookie, body: {} })).status).toBe(401);
  });

  test('helpers tick, count, log and undo what is theirs; guests look; both are refused the rest with a reason', async () => {
    const helper = await comeIn(guild.url, await invite('Hal'), 'Hal');
    const guest = await comeIn(guild.url, await invite('Gin', 'guest'), 'Gin');
    for (const one of craftedCommands()) {
      const answer = await command(helper, one);
      expect([one.type, answer.status === 403]).toEqual([one.type, !isHelping(one)]);
      expect([one.type, (await command(guest, one)).status]).toEqual([one.type, 403]);
    }
    const count = { type: 'countSupply', id: 'a', by: { working: -1 } };
    const before = await command(house.cookie, { type: 'setPlan', set: { ceiling: 2510 } });
    expect(before.status).toBe(200);
    // the last change is a keeper's
    const notMine = await ask(`/plans/${planId}/undo`, { cookie: helper, body: {} });
    expect([notMine.status, notMine.json.detail]).toEqual([403, expect.stringMatching(/not yours/)]);
    expect((await command(helper, count)).status).toBe(200);
    expect((await ask(`/plans/${planId}/undo`, { cookie: helper, body: {} })).status).toBe(200);
    for (const [cookie, most] of [
      [helper, 200],
      [guest, 200],
    ] as const) {
      expect((await ask(`/plans/${planId}`, { cookie })).status).toBe(most);
      for (const path of [
        '/household/invitations',
        '/household/name',
        `/plans/${planId}/away`,
        '/plans',
        '/household/links',
      ])
        expect([path, (await ask(path, { cookie, body: {} })).status]).toEqual([path, 403]);
    }
    expect((await household(helper)).acts).toBeUndefined();
    const acts = (await household()).acts;
    expect(acts.slice(0, 3).map((a) => a.byWhom)).toEqual(['Hal', 'Hal', 'Keeper of The mill']);
    expect(acts[0]!.words).toMatch(/^undo: /);
  });

  test('somebody leaves: nothing opens any more, what they did stays under their name; the last keeper does not', async () => {
    const ivy = await comeIn(guild.url, await invite('Ivy', 'keeper'), 'Ivy');
    expect((await command(ivy, { type: 'setPlan', set: { ceiling: 2520 } })).status).toBe(200);
    const { members } = await household();
    const id = members.find((m) => m.name === 'Ivy')!.id;
    expect((await ask('/household/mine/leave', { cookie: ivy, body: {} })).status).toBe(200);
    expect((await ask('/plans', { cookie: ivy })).status).toBe(401);
    const lost = await ask('/access/enter', {
      from: '10.0.3.1',
      body: { household: house.id, name: 'Ivy', passphrase: PASSPHRASE },
    });
    expect(lost.status).toBe(403);
    const after = await household();
    expect(after.members.find((m) => m.id === id)!.leftAt).not.toBeNull();
    expect(after.acts.some((a) => a.byWhom === 'Ivy' && a.plan !== '')).toBe(true);
    const last = await ask('/household/mine/leave', { cookie: house.cookie, body: {} });
    expect([last.status, last.json.detail]).toEqual([409, expect.stringMatching(/last keeper/)]);
    const own = after.members.find((m) => m.name === 'Keeper of The mill')!;
    expect(
      (await ask(`/household/members/${own.id}/role`, { cookie: house.cookie, body: { role: 'guest' } })).status,
    ).toBe(409);
    // two keepers who leave each other at once: one stays
    const [jo, kit] = [
      await newHousehold(guild.households, guild.url, 'The weir'),
      await newHousehold(guild.households, guild.url, 'The lock'),
    ];
    expect(jo.id).not.toBe(kit.id);
    // a role taken away is gone at once, on the other server too
    const lou = await comeIn(guild.url, await invite('Lou', 'keeper'), 'Lou');
    expect((await ask('/household', { cookie: lou, base: to(second) })).status).toBe(200);
    const lousId = (await household()).members.find((m) => m.name === 'Lou')!.id;
    await ask(`/household/members/${lousId}/role`, { cookie: house.cookie, body: { role: 'guest' } });
    await until(async () => (await ask('/plans', { cookie: lou, base: to(second), body: {} })).status === 403);
    const asked = await ask('/household/invitations', {
      cookie: jo.cookie,
      body: { forWhom: 'Jo', role: 'keeper', member: null },
    });
    const two = await comeIn(guild.url, tokenOf(asked.json.link!), 'Jo');
    const both = await Promise.all(
      [jo.cookie, two].map((cookie) => ask('/household/mine/leave', { cookie, body: {} })),
    );
    expect(both.map((b) => b.status).sort()).toEqual([200, 409]);
  });

  test('a new link for somebody who has lost the passphrase: the same person, whose other sessions end', async () => {
    const kim = await comeIn(guild.url, await invite('Kim'), 'Kim');
    const id = (await household()).members.find((m) => m.name === 'Kim')!.id;
    const again = await comeIn(guild.url, await invite('whoever', 'keeper', id), 'Kim');
    await until(async () => (await ask('/plans', { cookie: kim })).status === 401);
    const told = await ask('/access', { cookie: again });
    expect([told.json.role, (told.json.member as unknown as { id: string }).id]).toEqual(['helper', id]);
  });

  test('a link to look shows one plan until its day and changes nothing; ended, it is shut at once', async () => {
    const other = (await ask('/plans', { cookie: house.cookie, body: { head: { name: 'Another plan' } } })).json.id!;
    const made = await ask('/household/links', { cookie: house.cookie, body: { planId, forWhom: 'Lea', days: 2 } });
    const token = tokenOf(made.json.link!);
    const looks = await ask('/access/look', { body: { token } });
    expect(looks.json.plan).toBe(planId);
    const { cookie } = looks;
    expect((await ask(`/plans/${planId}`, { cookie })).status).toBe(200);
    for (const path of [`/plans/${other}`, '/household', '/household/templates', '/photos'])
      expect([path, (await ask(path, { cookie })).status]).toEqual([path, 403]);
    const listed = (await ask('/plans', { cookie })).json as unknown as { id: string }[];
    expect(listed.map((p) => p.id)).toEqual([planId]);
    expect((await command(cookie, { type: 'countSupply', id: 'a', by: { working: 1 } })).status).toBe(403);
    expect(
      (await ask('/household/links', { cookie: house.cookie, body: { planId: 'nowhere', forWhom: 'L', days: 2 } }))
        .status,
    ).toBe(404);
    expect(
      (await ask('/household/links', { cookie: house.cookie, body: { planId, forWhom: 'L', days: 4000 } })).status,
    ).toBe(400);
    const { links } = await household();
    await ask(`/household/links/${links[0]!.digest}/end`, { cookie: house.cookie, body: {} });
    await until(async () => (await ask(`/plans/${planId}`, { cookie })).status === 401);
    expect((await ask('/access/look', { body: { token } })).status).toBe(404);
  });

  test('a copy is given once, with a receipt on both sides; a plan put out is begun from by anybody and stays whose it is', async () => {
    const taker = await newHousehold(guild.households, guild.url, 'The ferry');
    const token = tokenOf((await ask('/household/gifts', { cookie: house.cookie, body: { planId } })).json.link!);
    expect((await ask('/household/gift', { cookie: taker.cookie, body: { token } })).json).toMatchObject({
      fromName: 'The mill',
      byWhom: 'Keeper of The mill',
    });
    const both = await Promise.all([1, 2].map(() => ask('/household/take', { cookie: taker.cookie, body: { token } })));
    const taken = both.filter((b) => b.status === 201);
    expect(taken.length).toBeGreaterThan(0);
    expect(new Set(taken.map((t) => t.json.id)).size).toBe(1);
    const plans = (await ask('/plans', { cookie: taker.cookie })).json as unknown as { id: string }[];
    expect(plans).toHaveLength(1);
    expect((await ask('/household/take', { cookie: house.cookie, body: { token } })).status).toBe(404);
    for (const cookie of [house.cookie, taker.cookie]) {
      const { receipts } = (await ask('/household', { cookie })).json as unknown as { receipts: { words: string }[] };
      expect(receipts.map((r) => r.words)).toEqual([expect.stringMatching(/The ferry|The mill/)]);
    }
    await ask('/household/templates', { cookie: house.cookie, body: { planId, words: 'For a first room' } });
    const [template] = (await ask('/household/templates', { cookie: taker.cookie })).json as unknown as {
      id: string;
      own: boolean;
    }[];
    expect(template!.own).toBe(false);
    expect((await ask(`/household/templates/${template!.id}/begin`, { cookie: taker.cookie, body: {} })).status).toBe(
      201,
    );
    await ask(`/household/templates/${template!.id}/withdraw`, { cookie: taker.cookie, body: {} });
    expect((await ask('/household/templates', { cookie: taker.cookie })).json).toHaveLength(1);
    await ask(`/household/templates/${template!.id}/withdraw`, { cookie: house.cookie, body: {} });
    expect((await ask('/household/templates', { cookie: taker.cookie })).json).toHaveLength(0);
  });

  test('limits of a household are said, and bite with a reason; more is given by the operator alone', async () => {
    const small = await newHousehold(guild.households, guild.url, 'The sluice');
    await guild.households.setLimits(small.id, { plans: 1, pictures: 0, changes: 3 });
    const add = () => ask('/plans', { cookie: small.cookie, body: { head: { name: 'Room' } } });
    const { id } = (await add()).json;
    const more = await add();
    expect([more.status, more.json.detail]).toEqual([409, expect.stringMatching(/may have 1 plans/)]);
    const picture = await ask('/photos', { cookie: small.cookie, body: { jpeg: PIXEL } });
    expect([picture.status, picture.json.detail]).toEqual([409, expect.stringMatching(/may have 0 pictures/)]);
    const change = (n: number) =>
      ask(`/plans/${id}/commands`, {
        cookie: small.cookie,
        body: { commandId: `command-${n}`, command: { type: 'setPlan', set: { ceiling: 2400 + n } } },
      });
    const answers = [];
    for (let n = 1; n <= 4; n++) answers.push(await change(n));
    const slow = answers.at(-1)!;
    // it passes: the browser keeps the change and sends it again
    expect([slow.status, slow.json.detail]).toEqual([503, expect.stringMatching(/goes on by itself/)]);
    // copies and what is put out take room too
    await guild.cluster.super(`UPDATE households SET most_bytes = 10 WHERE id = '${small.id}'`);
    const gift = await ask('/household/gifts', { cookie: small.cookie, body: { planId: id } });
    expect([gift.status, gift.json.detail]).toEqual([409, expect.stringMatching(/would be too much/)]);
    // what was thrown away a month ago goes when somebody comes by, and no sooner
    await guild.cluster.super(`UPDATE plans SET away_since = now() - interval '29 days' WHERE id = '${id}'`);
    const third = await guild.another();
    const list = async (base: string) =>
      ((await ask('/plans', { cookie: small.cookie, base })).json as unknown as { id: string }[]).map((p) => p.id);
    expect(await list(to(third))).toEqual([id]);
    await guild.cluster.super(`UPDATE plans SET away_since = now() - interval '31 days' WHERE id = '${id}'`);
    const fourth = await guild.another();
    await until(async () => (await list(to(fourth))).length === 0);
    const { limits } = (await ask('/household', { cookie: small.cookie })).json as unknown as {
      limits: { plans: object };
    };
    expect(limits.plans).toEqual({ most: 1, now: 0 });
    await expect(guild.households.setLimits('nowhere', { plans: 3 })).rejects.toThrow(/no household nowhere/);
  });

  test('it answers under its own address alone, wherever it stands', async () => {
    const far = await guild.another({ origin: 'https://guild.example' });
    const get = (host: string, server: RunningGuild) =>
      new Promise<number>((resolve) =>
        rawRequest({ port: server.port, host: '127.0.0.1', path: '/api/access', headers: { host } }, (res) =>
          resolve(res.resume().statusCode!),
        ).end(),
      );
    expect(await get('guild.example', far)).toBe(200);
    expect(await get(`127.0.0.1:${far.port}`, far)).toBe(403);
    expect(await get('guild.example', guild.guild)).toBe(403);
    const foreign = await fetch(`${guild.url}/api/plans`, {
      method: 'POST',
      headers: { cookie: house.cookie, origin: 'https://evil.example', 'content-type': 'application/json' },
      body: '{}',
    });
    expect(foreign.status).toBe(403);
  });

  test('passkeys are taken away one by one, by nobody else; the only way in is not', async () => {
    const came = await ask('/access/come', {
      body: { token: await invite('Eve'), name: 'Eve', passphrase: PASSPHRASE },
    });
    const other = await ask('/access/come', {
      body: { token: await invite('Fay'), name: 'Fay', passphrase: PASSPHRASE },
    });
    const mine = async () =>
      ((await household(came.cookie)) as unknown as { me: { id: string; passkeys: { id: string }[] } }).me;
    const { id } = await mine();
    const owner = new Pool({ url: guild.cluster.ownerUrl, role: null, connections: 1 });
    const sql = owner.as(NOBODY);
    const put = (key: string) =>
      sql.query(
        "INSERT INTO passkeys (household_id, id, member_id, public_key, counter, transports) VALUES ($1, $2, $3, '\\x00', 0, '{}')",
        [house.id, key, id],
      );
    await put('key-one');
    await put('key-two');
    expect((await mine()).passkeys.map((k) => k.id).sort()).toEqual(['key-one', 'key-two']);
    const remove = (key: string, cookie = came.cookie) =>
      ask(`/household/mine/passkeys/${key}/remove`, { cookie, body: {} });
    expect((await remove('key-one', other.cookie)).status).toBe(404);
    expect((await remove('no-such')).status).toBe(404);
    expect((await remove('key-one')).status).toBe(200);
    expect((await mine()).passkeys.map((k) => k.id)).toEqual(['key-two']);
    await sql.query('UPDATE members SET salt = NULL, hash = NULL WHERE id = $1', [id]);
    const only = await remove('key-two');
    expect([only.status, only.json.detail]).toEqual([409, expect.stringMatching(/your only way in/)]);
    await put('key-three');
    // both at once: one stays
    const both = await Promise.all([remove('key-two'), remove('key-three')]);
    expect(both.map((a) => a.status).sort()).toEqual([200, 409]);
    expect((await mine()).passkeys).toHaveLength(1);
    expect((await household()).acts.filter((a) => a.words === 'take a passkey away')).toHaveLength(2);
    await owner.close();
  });
});

const PIXEL =
  '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=';

/** Waits until something is so. */
async function until(is: () => Promise<boolean>): Promise<void> {
  while (!(await is())) await new Promise((go) => setTimeout(go, 20));
}
