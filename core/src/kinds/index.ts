export { KINDS, kindOf, naturesFor, ofKind, type KindOfSupply } from './kinds.ts';
export { likelyKinds, pluralOf, wordsOf, type LikelyKind } from './search.ts';
