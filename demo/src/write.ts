import { writeFileSync } from 'node:fs';
import { exportPlan, planFileName } from '@heronstone/core/formats';
import { cupboardAndTable } from './cupboard-and-table.ts';
import { photosWith } from './pictures.ts';
import { pumpHouse } from './pump-house.ts';
import { spring } from './spring.ts';
import { withDaysToSpring } from './days-to-spring.ts';

/** Writes demo/plans from the sources beside this file; `npm run demo:write`. */
const better = await spring();
for (const plan of [await withDaysToSpring(pumpHouse(), better), better, cupboardAndTable()])
  writeFileSync(new URL(`../plans/${planFileName(plan)}`, import.meta.url), exportPlan(plan, photosWith(plan)));
