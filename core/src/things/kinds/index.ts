export { KINDS, kindOf, liesOf, naturesFor, ofKind, type KindOfSupply } from './kinds.ts';
export { likelyKinds, pluralOf, wordsOf, type LikelyKind } from './search.ts';
