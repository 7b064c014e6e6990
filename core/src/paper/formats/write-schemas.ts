import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { MeasureFile } from '../../measures/picture/index.ts';
import { CutFile } from '../../things/cutting/index.ts';
import { CalendarFile } from '../../better/doing/index.ts';
import { ScheduleProblem } from '../../better/schedule/index.ts';
import { SlottingFile, SlottingProblem1, SlottingProblem2 } from '../../living/slotting/index.ts';
import { PLAN_VERSION, PlanFile } from './plan-file.ts';

/** Writes the JSON Schemas of the open formats to docs/formats; `npm run formats`. */
const out = new URL('../../../../docs/formats/', import.meta.url);
const schemas = {
  [`heronstone-plan-${PLAN_VERSION}`]: PlanFile,
  'heronstone-slotting-1': SlottingProblem1,
  'heronstone-slotting-2': SlottingProblem2,
  'heronstone-slotting-3': SlottingFile,
  'heronstone-cut-1': CutFile,
  'heronstone-measure-1': MeasureFile,
  'heronstone-doing-1': ScheduleProblem,
  'heronstone-calendar-1': CalendarFile,
};
for (const [name, schema] of Object.entries(schemas))
  writeFileSync(
    new URL(`${name}.schema.json`, out),
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`,
  );
