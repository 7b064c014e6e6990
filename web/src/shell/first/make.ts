import { beginCupboard, beginRoom } from '@heronstone/core/beginning';
import { type UnitKind } from '@heronstone/core/catalogue';
import { exportPlan, importPlan } from '@heronstone/core/formats';
import { type PlanHead } from '@heronstone/core/plan';

type Head = Pick<PlanHead, 'name' | 'measure'>;

/** The plans one begins with, as plan files for the server. */
export const cupboardFile = (kind: UnitKind, head: Head): string => exportPlan(beginCupboard(kind, head));
export const roomFile = (lengths: readonly number[], head: Head): string => exportPlan(beginRoom(lengths, head));

/** A plan file said in another measure. */
export function inMeasure(file: string, measure: PlanHead['measure']): string {
  const read = importPlan(file, 'read');
  if (!read.ok) throw new Error(read.reason);
  // the way to another plan stays behind: that plan is not brought along
  const without = { doings: {}, freeTimes: {}, jobs: {}, sittings: {} };
  return exportPlan({ ...read.plan, ...without, head: { ...read.plan.head, measure } }, read.photos ?? {});
}
