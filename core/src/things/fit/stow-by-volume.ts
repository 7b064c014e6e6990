import { CLOSE } from './piece.ts';
import { type Standing, type Loose, type Stowage, markOver } from './stowage.ts';

const litres = ({ width, depth, height }: { width: number; depth: number; height: number }) =>
  (width * depth * height) / 1e6;

export function fillBulk(standing: readonly Standing[], boxes: readonly Loose[], out: Stowage): void {
  out.used = [...standing, ...boxes].reduce((sum, b) => sum + litres(b), 0);
  for (const thing of out.things) out.used += thing.use;
  const over = out.used - out.capacity;
  if (over > CLOSE && !out.things.some((t) => !t.alone.ok))
    out.faults.push(`over-full by ${(Math.ceil(over * 10 - 1e-6) / 10).toFixed(1)} l`);
  markOver(out);
}

export function fillPockets(out: Stowage): void {
  for (const thing of out.things) out.used += thing.use;
  if (out.used > out.capacity) out.faults.push(`needs ${out.used - out.capacity} more pockets`);
  markOver(out);
}
