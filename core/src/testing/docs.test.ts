import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';

const root = join(import.meta.dirname, '../../..');
const files = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes('node_modules') && !name.startsWith('dist'))
    .map((name) => join(folder, name));

test('every formula that a comment points at stands in docs/computation.md', () => {
  const page = readFileSync(join(root, 'docs/computation.md'), 'utf8');
  const wanted = ['core/src', 'server/src', 'web/src', 'cli/src']
    .flatMap(files)
    .flatMap((file) =>
      [
        ...readFileSync(join(root, file), 'utf8').matchAll(/docs\/computation\.md((?:(?: |, | and )\d+\.\d+)+)/g),
      ].flatMap(([, list]) => (list!.match(/\d+\.\d+/g) ?? []).map((number) => [file, number] as const)),
    );
  expect(wanted.length).toBeGreaterThan(10);
  for (const [file, number] of wanted)
    expect([file, number, page.includes(`**${number}**`)]).toEqual([file, number, true]);
});
