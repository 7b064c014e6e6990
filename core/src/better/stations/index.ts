export { needsOf, surfaceOf, sameTime, machinesOf, type Need } from './needs/index.ts';
export { readRecipe, type Recipe } from './recipe.ts';
export { disturbs, neighboursWith } from './neighbours.ts';
export { packingOf, packCommand, suppliesOf, type Packing } from './kit.ts';
export {
  sharedTools,
  sharedTool,
  betweenCommand,
  oneEachCommand,
  WORTH,
  type SharedTool,
  type Spotting,
} from './shared.ts';
export { floorGrid, seatMap, parkingMap, type FloorMap, type Best, type Pace } from './seat-map.ts';
export { compareSchools, SCHOOLS, type School, type Comparison, type WayOfWorking } from './schools.ts';
