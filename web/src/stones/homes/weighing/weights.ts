import { type PlanHead, WEIGHTS, WEIGHTS_OR_NONE } from '@heronstone/core/plan';

type WeightKey = 'weighAgain' | 'weighFamilies' | 'weighHarm' | 'weighOrder' | 'weighZones' | 'weighMoving';

export const WEIGHED: readonly [WeightKey, string][] = [
  ['weighAgain', 'that things are found again'],
  ['weighFamilies', 'that families lie together'],
  ['weighHarm', 'that sun, damp, heat, frost and dust keep off'],
  ['weighOrder', 'that things lie as such things should'],
  ['weighZones', 'that everything is in its zone'],
  ['weighMoving', 'that moving takes time once'],
];

/** Finding again may be left out of account. */
export const weightsFor = (key: WeightKey) => (key === 'weighAgain' ? WEIGHTS_OR_NONE : WEIGHTS);

export type Variant = { key: string; set: Partial<PlanHead> };
