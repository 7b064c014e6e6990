import { type Point, type Point3, type Prism } from '../../measures/geometry/index.ts';
import { type Place, type Unit } from '../../record/plan/index.ts';
import { type FreeFloor, type Obstacle } from '../room/index.ts';

/** Where a place is in the room and how a hand gets into it. Millimetres. */
export type Spot = {
  place: Place;
  unit: Unit;
  /** what it lies in outside the room: the unit whose minutes are paid to get there; null inside */
  away: Unit | null;
  /** where the hand closes */
  grip: Point3;
  /** middle of the opening in the front plane (top opening: of the rim): an arm or a look must get here */
  mouth: Point3;
  /** out of the front */
  normal: Point;
  /** shut, unlabelled places that look the same and among which it is looked for; 1: labelled, learnt, or open */
  alike: number;
  /** the drawer's pull, else 0 */
  pull: number;
  /** bottom left and top right of the opening, as one stands before it */
  left: Point;
  right: Point;
  low: number;
  high: number;
  /** of what lies in a drawer: where the drawer’s front is in the unit, and how deep it is, mm */
  drawerFront?: number;
  drawerDepth?: number;
};

/** A plan's room as reach sees it. */
export type Scene = {
  /** one and the same for scenes in which everything stands alike, whatever the places in it: what ways are kept by */
  ground: object;
  outline: Point[];
  solids: { unitId: string; prism: Prism }[];
  /** what stands on the floor: furniture, posts, stair openings, open doors */
  floor: Obstacle[];
  spots: Map<string, Spot>;
  /** the free floor to walk on, worked out when somebody first walks; null while the walls do not close */
  walkable: () => FreeFloor | null;
};
