import { type StorageForm, type Supply } from '../../record/plan/index.ts';
import { TMU } from './mtm.ts';

/** How the thing itself is found, taken and put back. */
export type Handling = {
  grasp: 'clear' | 'flat' | 'jumble';
  /** largest side, mm: decides how hard it is to pick from a jumble */
  size: number;
  /** kinds that show where it lies */
  kinds: number;
  /** things in front of it or on top of it */
  covered: number;
  /** used up: nothing to put back */
  consumed: boolean;
  /** how it is kept there */
  storage: StorageForm;
};

export const PLAIN: Handling = {
  grasp: 'clear',
  size: 100,
  kinds: 1,
  covered: 0,
  consumed: false,
  storage: 'asBought',
};

/** How a supply is handled where `kinds` kinds show; where things are thrown in they are picked from a jumble. */
export function handlingOf(supply: Supply, kinds: number, consumed: boolean, thrownIn = false): Handling {
  const flat = supply.form === 'sheet' || supply.form === 'pocket';
  return {
    ...PLAIN,
    grasp:
      supply.form === 'loose' || supply.storage === 'loose' || (thrownIn && kinds + supply.working > 2)
        ? 'jumble'
        : flat
          ? 'flat'
          : 'clear',
    size: Math.max(supply.width ?? 100, supply.depth ?? 100, supply.height ?? 0),
    kinds: Math.max(1, kinds),
    consumed,
    storage: supply.storage,
  };
}

/** Sizes that bound the three jumble grasps, mm: 1 in and 1/4 in cubes (MTM-1, from memory). */
const LARGE = 25.4;
const SMALL = 6.35;

export function graspOf(handling: Handling): { code: string; tmu: number; text: string } {
  if (handling.grasp === 'flat') return { code: 'G1B', tmu: TMU.graspFlat, text: 'grasp it flat' };
  if (handling.grasp === 'clear') return { code: 'G1A', tmu: TMU.graspClear, text: 'grasp' };
  if (handling.size > LARGE) return { code: 'G4A', tmu: TMU.graspJumbleLarge, text: 'pick from the jumble' };
  if (handling.size >= SMALL) return { code: 'G4B', tmu: TMU.graspJumbleMedium, text: 'pick from the jumble' };
  return { code: 'G4C', tmu: TMU.graspJumbleSmall, text: 'pick the small thing from the jumble' };
}
