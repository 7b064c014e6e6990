import { findHomes } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { pumpHouse } from './pump-house.ts';

/** “Spring”: the same room with the homes that *find homes* gives; limited by work, so that it is the same on every machine. */
export async function spring(): Promise<Plan> {
  const untidy = pumpHouse();
  // of eight seeds the third best: the best costs two thousandths less and leaves the peg board half empty, the second has two papers in one slot
  const found = await findHomes(untidy, { work: 900_000, seed: 4, now: () => 0, since: '2026-03-01' });
  if (!found) throw new Error('no homes were found');
  return { ...found.plan, id: 'spring', head: { ...found.plan.head, name: 'Spring' } };
}
