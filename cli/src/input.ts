import { readFileSync, writeFileSync } from 'node:fs';
import { importPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';

export type Result = { code: 0 | 2; out?: string; error?: string };

/** Trouble the user can mend: one line on stderr, exit code 2. */
export class Trouble extends Error {}

export type Values = {
  'finding-again'?: string | undefined;
  seconds?: string | undefined;
  work?: string | undefined;
  seed?: string | undefined;
  steps?: string | undefined;
  searches?: string | undefined;
  seat?: string | undefined;
  activity?: string | undefined;
  sessions?: string | undefined;
  out?: string | undefined;
  find?: boolean | undefined;
  measure?: string | undefined;
  paper?: string | undefined;
  chapters?: string | undefined;
  unit?: string | undefined;
  cut?: string | undefined;
  trial?: boolean | undefined;
  pictures?: boolean | undefined;
  calendar?: string | undefined;
  problem?: string | undefined;
  help?: boolean | undefined;
};

export function number(text: string | undefined, flag: string, fallback: number, most: number): number {
  if (text === undefined) return fallback;
  const n = Number(text);
  if (text.trim() === '' || !Number.isFinite(n) || n < 0 || n > most)
    throw new Trouble(`--${flag} takes a number from 0 to ${most}, not “${text}”`);
  return n;
}

export function whole(text: string | undefined, flag: string, fallback: number, most: number): number {
  const n = number(text, flag, fallback, most);
  if (!Number.isInteger(n) || n < 1) throw new Trouble(`--${flag} takes a whole number from 1 on, not “${text}”`);
  return n;
}

export const textOf = (file: string): string => bytesOf(file).toString('utf8');

export function bytesOf(file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new Trouble(code === 'ENOENT' ? `there is no file ${file}` : `cannot read ${file} (${code})`);
  }
}

export const planOf = (file: string): Plan => picturedPlanOf(file).plan;

/** A plan with the pictures in its file, JPEG by hash. */
export function picturedPlanOf(file: string): { plan: Plan; photos: ReadonlyMap<string, Uint8Array> } {
  const got = importPlan(textOf(file), 'plan');
  if (!got.ok) throw new Trouble(`${file}: ${got.reason}`);
  const photos = Object.entries(got.photos ?? {}).map(
    ([hash, base64]) => [hash, new Uint8Array(Buffer.from(base64, 'base64'))] as const,
  );
  return { plan: got.plan, photos: new Map(photos) };
}

export const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;
export const now = () => performance.now();
/** Today, yyyy-mm-dd. */
export const today = (): string => new Date().toISOString().slice(0, 10);

export const round = (n: number) => Math.round(n * 1000) / 1000;

export function write(out: string, text: string | Uint8Array): void {
  try {
    writeFileSync(out, text);
  } catch (error) {
    throw new Trouble(`cannot write ${out} (${(error as NodeJS.ErrnoException).code})`);
  }
}

/** What stands in a JSON file. */
export function jsonOf(file: string): unknown {
  const text = textOf(file);
  try {
    return JSON.parse(text);
  } catch {
    throw new Trouble(`${file} is not whole JSON`);
  }
}
