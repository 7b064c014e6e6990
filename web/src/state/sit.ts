import { toast } from 'sonner';
import { newId } from '@heronstone/core/plan';
import { bestSeatAt, type SeatAt, sitAtCommand } from '@heronstone/core/room';
import { usePlan } from './plan-store.ts';

/** Puts a seat at a unit in one act, with somebody and something to do where there is none yet. @param seat the best free side where none is said */
export function sitDown(unitId: string, seat?: SeatAt): void {
  const { plan, dispatch } = usePlan.getState();
  const unit = plan.units[unitId];
  if (!unit) return;
  const ids = { station: newId('station'), person: newId('person'), activity: newId('activity') };
  if (dispatch(sitAtCommand(plan, unit, seat ?? bestSeatAt(plan, unit), ids)))
    toast.success('There is a seat. Who works there, and at what, is said at Activities.');
}
