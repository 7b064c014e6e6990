import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { linked, pageOf, PAGES, titleOf } from './pages.ts';

const guide = new URL('../../../../docs/guide/', import.meta.url);
const textOf = (page: string) => readFileSync(new URL(`${page}.md`, guide), 'utf8');

describe('the guide', () => {
  test('has every page that is listed and no other, each with a heading and a short one', () => {
    expect(
      readdirSync(guide)
        .filter((f) => f !== 'README.md')
        .sort(),
    ).toEqual(PAGES.map((p) => `${p}.md`).sort());
    for (const page of PAGES) {
      expect(titleOf(textOf(page))).not.toBe('');
      expect(textOf(page).split(/\s+/).length).toBeLessThan(450);
    }
  });

  test('shows pictures that are there, and leads nowhere that is not', () => {
    for (const page of [...PAGES, 'README'])
      for (const [, href] of textOf(page).matchAll(/\]\(([^)]+)\)/g))
        expect([page, href, existsSync(new URL(href!, guide))]).toEqual([page, href, true]);
  });

  test('every page is reached from another one', () => {
    const reached = new Set(PAGES.flatMap((p) => [...textOf(p).matchAll(/\]\(([^)]+)\)/g)].map((m) => linked(m[1]!))));
    expect(PAGES.filter((p) => !reached.has(p) && p !== 'one-cupboard')).toEqual([]);
  });

  test('each stone has its page, and views that have one of their own', () => {
    expect(pageOf('homes', null)).toBe('homes');
    expect(pageOf('homes', 'crossing')).toBe('carrying-over');
    expect(pageOf('supplies', 'picture')).toBe('pictures');
    expect(pageOf('', null)).toBe('one-cupboard');
    const stones = ['room', 'furniture', 'activities', 'supplies', 'homes', 'tryout', 'keepup'];
    expect(new Set(stones.map((s) => pageOf(s, 'uses'))).size).toBe(stones.length);
  });

  test('links out of the guide are words only', () => {
    expect(linked('homes.md')).toBe('homes');
    for (const out of ['../guild.md', 'nowhere.md', 'https://example.org/homes.md', '']) expect(linked(out)).toBeNull();
  });
});
