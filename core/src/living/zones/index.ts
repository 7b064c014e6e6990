export { balanceOf, isShort, isTop, needOf, offerOf, type Balance, type Need } from './balance.ts';
export { togetherOf, unitsOfZone, seatOfZone, type Together, type Lie } from './together.ts';
export { badNeighbours, type BadNeighbours } from './neighbours.ts';
export {
  zonesFromActivities,
  proposeZones,
  proposalCosts,
  keepCommand,
  withoutGround,
  zonable,
  type Proposal,
  type Territory,
} from './propose.ts';
export { zonesForMe, type ZonesForMe } from './for-me.ts';
export { balanceWords } from './words.ts';
