import { readSlotting, solveSlotting } from '@heronstone/core/slotting';
import { json, jsonOf, now, number, type Result, Trouble, type Values } from '../input.ts';
import { type Verb } from './verb.ts';

export const slotVerb: Verb = {
  usage: ['slot FILE [--seconds N | --work N] [--seed N]'],
  flags: ['seconds', 'work', 'seed'],
  run: slot,
};

async function slot(file: string, values: Values): Promise<Result> {
  const got = readSlotting(jsonOf(file));
  if (!got.ok) throw new Trouble(`${file}: ${got.reason}`);
  const seed = number(values.seed, 'seed', 1, 2 ** 31 - 1);
  if (values.work !== undefined && values.seconds !== undefined)
    throw new Trouble('give --seconds or --work, not both');
  const limit =
    values.work === undefined
      ? { seconds: number(values.seconds, 'seconds', 2, 3600) }
      : { work: number(values.work, 'work', 0, 1e12) };
  // what room is worth is for another search of the same process
  return { code: 0, out: json({ ...(await solveSlotting(got.problem, { ...limit, seed, now })), prices: undefined }) };
}
