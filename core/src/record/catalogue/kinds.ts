import { drawer, fileDrawer, type KindFacts, kind, lidded, open, sheetDrawer, shut, TOP } from './styles.ts';
import { type UnitShape } from './shapes.ts';

/** Drawers on the right hand under a top, at most 450 mm wide. */
const deskDrawers = ({ width, height }: UnitShape) => ({
  left: Math.max(0, width - Math.min(450, width * 0.4)),
  right: 0,
  top: TOP,
  bottom: Math.max(0, height * 0.15),
});
/** One shallow drawer right under the top, over the whole width. */
const underTop = ({ height }: UnitShape) => ({
  left: 60,
  right: 60,
  top: TOP,
  bottom: Math.max(0, height - TOP - 140),
});
/** Below a basin: pipes and trap take the upper part. */
const belowBasin = ({ height }: UnitShape) => ({ left: 0, right: 0, top: Math.min(260, height * 0.3), bottom: 0 });
/** Legs or wheels under the lowest place (wheels with their plates: 100 mm, common practice). */
const onLegs = (mm: number) => () => ({ left: 0, right: 0, top: 0, bottom: mm });

/** The generic kinds of unit; default sizes in mm (common practice, no source), every one can be changed. One kind a line or two. */
// prettier-ignore
export const CATALOGUE = {
  worktable: kind('Work table', 'a top to sit at, open underneath', 'work', 'floor', [1400, 700, 740], [0, 0], null, { worktop: true, body: 'top' }),
  standingTable: kind('Standing table', 'a top to stand at', 'work', 'floor', [1400, 700, 950], [0, 0], null, { worktop: true, body: 'top' }),
  foldingTable: kind('Folding table', 'comes out when it is needed', 'work', 'floor', [1200, 600, 740], [0, 0], null, { worktop: true, body: 'top', mobile: true }),
  raisedTop: kind('Raised worktop', 'stands on a lower table, room beneath it', 'work', 'on', [900, 500, 200], [1, 1], open('shelf', 20), { worktop: true, body: 'top', bottom: 740 }),
  desk: kind('Desk with drawers', 'a top with drawers on the right', 'work', 'floor', [1300, 650, 740], [3, 1], drawer, { worktop: true, body: 'topAndPlaces', margins: deskDrawers }),
  machineTable: kind('Machine table', 'a top for a machine, one flat drawer', 'work', 'floor', [1100, 550, 740], [1, 1], drawer, { worktop: true, body: 'topAndPlaces', margins: underTop }),
  island: kind('Movable island', 'a high top on wheels with shelves below', 'work', 'floor', [1200, 700, 900], [2, 2], open('shelf'), { worktop: true, mobile: true }),
  ironingBoard: kind('Ironing board', 'a long narrow top to stand at', 'work', 'floor', [1350, 400, 880], [0, 0], null, { worktop: true, body: 'top', mobile: true }),
  sinkUnit: kind('Sink unit', 'a basin in a top, doors below', 'work', 'floor', [800, 600, 860], [1, 1], shut('shelf'), { worktop: true, margins: belowBasin }),
  baseCabinet: kind('Base cabinet', 'low shelves behind doors, a top to work on', 'work', 'floor', [800, 580, 860], [2, 1], shut('shelf'), { worktop: true }),
  pedestal: kind('Drawer pedestal', 'drawers that go under a worktop', 'drawers', 'under', [400, 500, 620], [4, 1], drawer),
  lowChest: kind('Low chest', 'drawers up to table height', 'drawers', 'floor', [900, 450, 780], [4, 1], drawer),
  tallChest: kind('Tall chest', 'drawers to shoulder height', 'drawers', 'floor', [500, 450, 1250], [6, 1], drawer),
  sheetChest: kind('Sheet chest', 'shallow drawers for paper lying flat', 'drawers', 'floor', [950, 700, 520], [6, 1], sheetDrawer),
  fileDrawer: kind('Hanging-file drawer', 'deep drawers for hanging files', 'drawers', 'floor', [420, 600, 680], [2, 1], fileDrawer),
  hungDrawer: kind('Drawer hung under a top', 'a flat drawer screwed under a worktop', 'drawers', 'under', [360, 400, 90], [1, 1], drawer, { bottom: 620 }),
  smallDrawers: kind('Small-drawer block', 'many little drawers, on a table or wall', 'drawers', 'on', [420, 170, 340], [5, 4], drawer, { bottom: 740 }),
  boxTower: kind('Drawer tower of clear boxes', 'light see-through drawers in a frame', 'drawers', 'floor', [340, 400, 700], [5, 1], { ...drawer, board: 4, seen: true }),
  cubeUnit: kind('Cube unit', 'square open cubbies, standing either way', 'shelves', 'floor', [708, 396, 1400], [4, 2], open('cubby')),
  bookcase: kind('Bookcase', 'open movable shelves from the floor up', 'shelves', 'floor', [800, 300, 1900], [6, 1], open('shelf')),
  paperSlots: kind('Paper slots', 'upright slots, on a table or shelf', 'shelves', 'on', [600, 330, 340], [1, 8], open('slot', 4), { bottom: 740 }),
  wallShelves: kind('Wall shelves', 'open shelves hung on the wall', 'shelves', 'wall', [1000, 220, 700], [3, 1], open('shelf'), { bottom: 1200 }),
  floatingShelf: kind('Floating shelf', 'one board without a frame', 'shelves', 'wall', [900, 240, 250], [1, 1], open('shelf', 0), { bottom: 1400, body: 'none' }),
  cupboard: kind('Tall cupboard', 'shelves behind doors', 'shut', 'floor', [800, 420, 1900], [5, 1], shut('shelf')),
  wardrobe: kind('Wardrobe, fitted out', 'a rail above, shelves below, behind doors', 'shut', 'floor', [1000, 580, 2000], [3, 2], { ...shut('shelf'), topRow: 'hanger' }),
  wallCabinet: kind('Wall cabinet', 'shelves behind doors, hung on the wall', 'shut', 'wall', [1000, 320, 620], [3, 1], shut('shelf'), { bottom: 1300 }),
  cornerCabinet: kind('Corner cabinet', 'a door beside the corner, a deep end behind it', 'shut', 'floor', [1000, 580, 860], [2, 2], shut('shelf'), { worktop: true }),
  lidBox: kind('Box bench', 'one big box under a lid', 'shut', 'floor', [1000, 450, 450], [1, 1], lidded('box')),
  underBedBox: kind('Under-bed box', 'a flat box on rollers', 'shut', 'under', [700, 800, 180], [1, 1], lidded('box'), { mobile: true }),
  topBox: kind('Top-of-cupboard box', 'a box up where a chair is needed', 'shut', 'on', [500, 380, 280], [1, 1], lidded('box'), { bottom: 1900 }),
  rollingCart: kind('Three-tier cart', 'three open tiers on wheels', 'wheels', 'floor', [440, 350, 800], [3, 1], open('tier', 0), { mobile: true, margins: onLegs(100) }),
  slimCart: kind('Slim cart', 'a narrow cart that goes into a gap', 'wheels', 'floor', [200, 500, 850], [3, 1], open('tier', 0), { mobile: true, margins: onLegs(100) }),
  wallBoard: kind('Peg board', 'a board with holes at one inch', 'wall', 'wall', [1000, 120, 800], [1, 1], open('board', 0), { bottom: 1000, body: 'none' }),
  hookRail: kind('Rail with hooks', 'hooks or little pots in one row', 'wall', 'wall', [800, 100, 300], [1, 4], open('hook', 0), { bottom: 1250, body: 'none' }),
  magnetStrip: kind('Magnetic strip', 'scissors and tools held by magnets', 'wall', 'wall', [450, 60, 250], [1, 3], open('hook', 0), { bottom: 1200, body: 'none' }),
  ledge: kind('Picture ledge', 'a shallow lip for frames and inks', 'wall', 'wall', [800, 90, 250], [1, 1], open('shelf', 0), { bottom: 1300, body: 'none' }),
  hungBasket: kind('Basket hung under a top', 'an open basket below a worktop or shelf', 'wall', 'under', [400, 300, 120], [1, 1], open('tier', 0), { bottom: 590, body: 'none' }),
  rollRack: kind('Dowel rack for rolls', 'rolls on rods, one above the other', 'wall', 'wall', [900, 160, 600], [4, 1], open('dowel', 0), { bottom: 1000 }),
  threadRack: kind('Thread or bottle rack', 'little tiers in rows', 'wall', 'wall', [600, 80, 500], [6, 1], open('shelf', 6), { bottom: 1150 }),
  doorRack: kind('Door-back rack', 'baskets on the inside of a door', 'wall', 'door', [450, 130, 1400], [5, 1], open('tier', 0), { bottom: 350 }),
  turningCaddy: kind('Turning caddy', 'a round stand on the table, turned with a finger', 'small', 'on', [260, 260, 240], [1, 4], open('cubby', 3), { bottom: 740 }),
  carryBox: kind('Carry box', 'packed for one activity and carried to a seat', 'small', 'on', [400, 300, 180], [1, 1], { ...lidded('box'), covers: [] }, { bottom: 740, mobile: true }),
  machine: kind('Tabletop machine', 'cutter, press, sewing machine: mind its feed', 'small', 'on', [420, 180, 170], [0, 0], null, { bottom: 740 }),
  chair: kind('Chair', 'what one sits on', 'other', 'floor', [450, 450, 460], [0, 0], null, { mobile: true, body: 'none' }),
  stepStool: kind('Step stool', 'to get at what is high', 'other', 'floor', [420, 380, 400], [0, 0], null, { mobile: true }),
  kiln: kind('Kiln', 'fires clay, glass, enamel: keeps clear of all that burns', 'other', 'floor', [650, 650, 900], [0, 0], null),
  cameraStand: kind('Camera on a tripod', 'the ground of its legs', 'other', 'floor', [900, 900, 1500], [0, 0], null, { mobile: true, body: 'none' }),
  backdrop: kind('Backdrop', 'paper or cloth to photograph things before', 'other', 'floor', [1400, 500, 2000], [0, 0], null, { mobile: true, body: 'none' }),
  bed: kind('Bed or sofa', 'something else the room must hold', 'other', 'floor', [900, 2000, 450], [0, 0], null),
  away: kind('Outside the room', 'loft, shed, hall cupboard', 'away', 'away', [1200, 500, 1200], [2, 1], { ...open('away', 0), seen: false }, { margins: onLegs(0) }),
} satisfies Record<string, KindFacts>;

export type UnitKind = keyof typeof CATALOGUE;
export const UNIT_KINDS = Object.keys(CATALOGUE) as [UnitKind, ...UnitKind[]];

/** Facts of a kind, with every field of {@link KindFacts}. */
export const factsOf = (unitKind: UnitKind): KindFacts => CATALOGUE[unitKind];

/** Default outside sizes of a kind: round centimetres, or, in an inch plan, the same to the nearest whole inch. Millimetres. */
export function defaultsOf(unitKind: UnitKind, measure: 'metric' | 'imperial'): UnitShape & { bottom: number } {
  const { defaults } = factsOf(unitKind);
  if (measure === 'metric') return defaults;
  const inches = (mm: number) => (mm === 0 ? 0 : Math.max(1, Math.round(mm / 25.4)) * 25.4);
  return {
    ...defaults,
    width: inches(defaults.width),
    depth: inches(defaults.depth),
    height: inches(defaults.height),
    bottom: inches(defaults.bottom),
  };
}
