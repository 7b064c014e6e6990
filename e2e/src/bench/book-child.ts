import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { planBook } from '@heronstone/core/book';
import { importPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { applied, block } from '@heronstone/core/testing';
import { FACE_PARTS, faceFile, type Weight } from '@heronstone/core/type';
import { crowdedRoom } from './rooms.ts';

const root = fileURLToPath(new URL('../../../', import.meta.url));
const face = (weight: Weight) =>
  FACE_PARTS.map((part) => {
    const file = join(root, 'node_modules/@fontsource/source-sans-3/files', faceFile(part, weight));
    return new Uint8Array(readFileSync(file));
  });
const faces = { regular: face('regular'), bold: face('bold') };

function demo(): Plan {
  const read = importPlan(readFileSync(join(root, 'demo/plans/the-pump-house.heron.json'), 'utf8'), 'bench');
  if (!read.ok) throw new Error(read.reason);
  return read.plan;
}
const many = () => {
  const supplies = Array.from({ length: 10_000 }, (_, i) => block({ id: `many-${i}`, name: `Thing number ${i}` }));
  return applied(demo(), { type: 'addSupplies', supplies });
};
const plans: Record<string, () => Plan> = { demo, crowded: crowdedRoom, many };
const plan = plans[process.argv[2]!]!();
const MB = 1024 * 1024;
const held: number[] = [];
let seconds = 0;
let pages = 0;
for (let i = 0; i < 5; i++) {
  const began = performance.now();
  const bound = await planBook(plan, { paper: 'a4', faces, day: '2026-12-01' });
  if (i === 0) [seconds, pages] = [(performance.now() - began) / 1000, bound.pages];
  (globalThis as { gc?: () => void }).gc!();
  held.push(process.memoryUsage().heapUsed / MB);
}
console.log(JSON.stringify({ pages, seconds, held, most: process.resourceUsage().maxRSS / 1024 }));
