import { factsOf, type UnitKind } from './kinds.ts';
import { type Mount, type PlaceShape, type UnitShape } from './shapes.ts';
import { LOAD } from './styles.ts';
import { tidy, positive } from './places.ts';

/** Row under which the top of a unit is a place of its own. */
const TOP_ROW = 1000;

/** So high things stand on a top before they are in the way of what hangs above, mm (own assumption). */
const TOP_CLEAR = 400;

const HAS_TOP: readonly string[] = ['drawers', 'shelves', 'shut'];

/**
 * The top of a unit as a place: every fixed worktop, and the top of what stands on the floor and is not opened from above. Null for all else.
 */
export function topPlace(unitKind: UnitKind, mount: Mount, shape: UnitShape): PlaceShape | null {
  const facts = factsOf(unitKind);
  const lidded = facts.places?.opens === 'top';
  const holds = facts.worktop ? !facts.mobile || unitKind === 'island' : HAS_TOP.includes(facts.group);
  if (mount !== 'floor' || lidded || !holds) return null;
  return {
    row: TOP_ROW,
    column: 0,
    part: 0,
    name: 'top',
    kind: 'top',
    left: 0,
    bottom: tidy(shape.height),
    front: 0,
    width: positive(shape.width),
    height: TOP_CLEAR,
    depth: positive(shape.depth),
    opens: 'top',
    covers: [],
    seen: true,
    load: LOAD.top,
    through: null,
  };
}
