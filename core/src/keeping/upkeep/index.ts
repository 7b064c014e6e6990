export { type GatheredMonth, gatheredMonths, olderThanAYear } from './gathered.ts';
export {
  jotting,
  holdingEntries,
  entriesOf,
  daysOf,
  monthOfYear,
  sumsOf,
  sessionGoingOn,
  lastUsed,
  timesUsed,
  daysBetween,
  dayWords,
  dayAfter,
} from './log.ts';
export { loggedUses, usesFromLog, weighedRate, GUESS_WORTH, type LoggedUse, type Weighed } from './uses-logged.ts';
export { putBackRound, toPutBack, type PutBackRound, type Stop } from './put-back.ts';
export { monthsInRoom, seasonBoxes, seasonChanges, type SeasonBox, type SeasonChange } from './season.ts';
export {
  newcomers,
  kitsTogether,
  nextOfKit,
  reviewsToCome,
  unusedForAYear,
  MERGE_AFTER,
  ASK_AFTER,
  UNUSED_AFTER,
  type Kit,
  type Newcomer,
} from './life.ts';
export { toBuy, byShop, usedUpPerDay, type ToBuy } from './reorder.ts';
export { asksToday, putOffCommand } from './today.ts';
export { endProject, RESTS_DAYS } from './asks-of-projects.ts';
export { type Ask, type AskKind, type Answer } from './ask.ts';
export { reslot, REPAID_MONTHS, type PayingMove, type Reslotting } from './reslot.ts';
export { whereElse, type Elsewhere } from './find-again.ts';
export { packingList, packedWords, type PackFrom, type ToPack } from './packing.ts';
export { thingsFor, type ForGuest } from './guests.ts';
export { type ByHeart, knownByHeart, TRIAL_DAYS } from './by-heart.ts';
export { isThere, livingWhereLooked, QUESTIONS, questionsFor } from './look-test.ts';
