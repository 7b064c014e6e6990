import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { describe, expect, test } from '@jest/globals';
import { importPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { run } from './run.ts';

const asked = promisify(execFile);
const root = fileURLToPath(new URL('../../', import.meta.url));
const file = `${root}demo/plans/one-cupboard-and-a-table.heron.json`;

function demo(): Plan {
  const read = importPlan(readFileSync(file, 'utf8'), 'pump');
  if (!read.ok) throw new Error(read.reason);
  return read.plan;
}

describe('heronstone arrange', () => {
  // in processes of their own: the test runner’s sandbox makes arithmetic many times slower
  test('one cupboard and a table: offers break no hard rule, save something with homes found before and after, and over four searches the best of them beat the best of 1,000 random ones each', async () => {
    const plan = demo();
    // one search may have good or bad luck: four together tell
    const seeds = ['5', '6', '7', '8'];
    const program = async (...args: string[]) => {
      const env = { ...process.env, NODE_OPTIONS: '' };
      return asked(process.execPath, [`${root}scripts/program.mjs`, ...args], { env, maxBuffer: 1e8 });
    };
    const random = program('cli/src/scenes/at-random.ts', file, ...seeds);
    let best = 0;
    for (const seed of seeds) {
      const ran = await program(
        'cli/src/main.ts',
        'arrange',
        file,
        '--seed',
        seed,
        '--steps',
        '300',
        '--searches',
        '3',
      );
      expect(ran.stderr).toBe('');
      const answer = JSON.parse(ran.stdout) as {
        now: { secondsAYear: number; broken: string[]; measure: { energy: number } };
        offers: {
          secondsAYear: number;
          broken: string[];
          measure: { energy: number; broken: number };
          units: { id: string }[];
        }[];
      };
      expect(answer.offers.length).toBeGreaterThan(0);
      best += Math.min(...answer.offers.map((o) => o.secondsAYear));
      for (const offer of answer.offers) {
        expect(offer.broken).toEqual([]);
        expect(offer.secondsAYear).toBeLessThan(answer.now.secondsAYear);
        expect(offer.measure.broken).toBeLessThan(1);
        for (const { id } of offer.units) expect(plan.units[id]!.pinned).toBe(false);
      }
    }
    const atRandom = (JSON.parse((await random).stdout) as number[]).reduce((sum, n) => sum + n, 0);
    expect(best).toBeLessThan(atRandom);
  });

  test('bad words are told', async () => {
    expect(await run(['arrange', file, '--steps', '0.5'])).toMatchObject({
      code: 2,
      error: expect.stringMatching(/whole number/),
    });
    expect(await run(['arrange', file, '--searches', 'x'])).toMatchObject({ code: 2 });
  });
});
