export { needsOf } from './needs-of.ts';
export { type Need } from './need.ts';
export { sameTime, surfaceOf } from './surface.ts';
export { machinesOf } from './power.ts';
