export { leftToWorkOn } from './worktop.ts';
export { hasHolder, tableRoom, WORK, type TableRoom } from './table.ts';
export {
  areaInUse,
  consumedPerFetch,
  inMonths,
  inUseIn,
  type InUse,
  type InUses,
  leavesOut,
  liesOut,
  LOAD,
  loadsOf,
  sessionsAt,
  sessionsOf,
  SURE,
  volumeOf,
  walksForStanding,
  type WhyBack,
} from './in-use.ts';
export { tableLaid, type TableLaid } from './lay-out.ts';
export { loadShares, loadsIn, type Taken, visitSeconds, visitShares } from './visit.ts';
export {
  familyUses,
  fetchesOfEach,
  fetchesOfSession,
  ofFamily,
  familyCommands,
  usualFetches,
  usuallyWanted,
  type FamilyUses,
} from './usual-uses.ts';
