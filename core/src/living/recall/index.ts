export { KNOWN_AFTER, rememberedWith } from './remembered.ts';
export { DIGGING_OUT, isInView, LOST_THREAD, lookSeconds, MOST_LOOKS } from './motions.ts';
export { type Looked, type LookedIn, type LookFrom, Looking, MATCHES, type Sought } from './looks.ts';
