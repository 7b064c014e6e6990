export { CHECKS, type CheckName, FIRST } from './checks.ts';
export { type Finding } from './finding.ts';
export { findingsOf, standingFindings } from './findings.ts';
export { PASSAGE, PASSAGE_WHEELCHAIR, passageWanted } from './passage.ts';
export { CHAIR_ROOM, CHAIR_WIDE, PERSON } from './opening.ts';
export {
  ALIKE,
  FINDING_GROUPS,
  groupedFindings,
  groupOfFinding,
  worstOf,
  type FindingGroup,
  type FindingLine,
  type GroupedFindings,
} from './groups.ts';
export { FUSE_SPACE, KILN_SPACE, WINDOW_REACH, WINDOW_STAND } from './keep-free.ts';
// what stations are asked about is looked at with the same tools
export { type Look, lookAt } from './finding.ts';
export { circuitLoads, cordTrouble, freeOutlets, type Outlet } from './power.ts';
export { lampsOf, topPoints } from './light.ts';
export { ELBOW_ROOM } from './stations.ts';
export { machineFeeds, type Feed } from './space.ts';
