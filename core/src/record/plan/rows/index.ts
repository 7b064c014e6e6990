/** Row schemas of every entity. */
export * from './activities.ts';
export * from './doing.ts';
export * from './findings.ts';
export * from './furniture.ts';
export * from './homes.ts';
export * from './lists.ts';
export * from './people.ts';
export * from './pictures.ts';
export * from './pieces.ts';
export * from './places.ts';
export * from './plan-head.ts';
export * from './room.ts';
export { type Side, SIDES } from './shared-fields.ts';
export * from './supplies.ts';
export * from './upkeep.ts';
