import { type Share, type Supply } from '@heronstone/core/plan';

/** A thing in hand: which share of it is to be given a home. */
export type Held = { supply: Supply; share: Share };
