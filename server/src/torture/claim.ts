import { createInterface } from 'node:readline';
import { type Ownership, takeFolder } from '../store/owner.ts';

/** Reaches for the folder named on each line of its input, at the moment named before it; says whether it got it; an empty line lets it go. */
let mine: Ownership | null = null;
for await (const line of createInterface({ input: process.stdin })) {
  if (line === '') {
    mine?.release();
    mine = null;
    process.stdout.write('free\n');
    continue;
  }
  const [at, folder] = [Number(line.slice(0, 13)), line.slice(14)];
  while (Date.now() < at) {
    // nothing: both must go in the same millisecond
  }
  mine = await takeFolder(folder, { beat: 500, patience: 3000 }).catch(() => null);
  process.stdout.write(mine ? 'owned\n' : 'refused\n');
}
