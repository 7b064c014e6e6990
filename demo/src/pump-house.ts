import { BY_TAPE, keepFromAt, type Plan } from '@heronstone/core/plan';
import { keepUp } from './keep-up.ts';
import { demoPictures } from './pictures.ts';
import { Builder, type LineRow, type SupplyRow } from './build.ts';

const SUMMER = [3, 4, 5, 6, 7, 8];
const AUTUMN = [9, 10, 11, 12];
const LIGHT = [4, 5, 6, 7, 8, 9];
const YEAR = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

/** The pump house as it is today: everything invented, homes untidy on purpose. */
export function pumpHouse({ pictures = true } = {}): Plan {
  const b = new Builder({
    name: 'The pump house',
    measure: 'metric',
    ceiling: 2600,
    growth: 0.2,
    grouping: 'nature',
    region: 'uk',
    latitude: 53.4,
    longitude: 0,
    bearing: 0,
  })
    .walls(['west', 3200, 90], ['north', 4100, 90], ['east', 2700, 45], ['chimney', 707.1, 45], ['south', 3600, 90])
    .run({
      type: 'addOpening',
      opening: {
        id: 'door',
        wallId: 'wall-west',
        kind: 'door',
        left: 250,
        width: 850,
        sill: 0,
        head: 2000,
        hinge: 'left',
        swing: 'out',
        ...BY_TAPE,
      },
    })
    .run({
      type: 'addOpening',
      opening: {
        id: 'east-window',
        wallId: 'wall-east',
        kind: 'window',
        left: 900,
        width: 1100,
        sill: 950,
        head: 2050,
        hinge: 'left',
        swing: 'in',
        ...BY_TAPE,
      },
    })
    .run({
      type: 'addOpening',
      opening: {
        id: 'south-window',
        wallId: 'wall-south',
        kind: 'window',
        left: 1200,
        width: 1200,
        sill: 1000,
        head: 2000,
        hinge: 'left',
        swing: 'in',
        ...BY_TAPE,
      },
    })
    .run({ type: 'addSlope', slope: { id: 'eave', wallId: 'wall-north', knee: 1550, run: 1800 } })
    .onWall('fuse-board', 'fuseBoard', 'Fuse board', 'wall-south', 3120, {})
    .onWall('heater', 'heater', 'Heater', 'wall-east', 150, { width: 600, circuit: 'B', heat: 'electric' })
    .onWall('sink', 'sink', 'Deep sink', 'wall-east', 1940, { bottom: 620, height: 240 })
    .onWall('socket-corner', 'socket', 'Socket in the corner', 'wall-north', 700, { circuit: 'A' })
    .onWall('socket-table', 'socket', 'Socket over the table', 'wall-north', 2050, { bottom: 900, circuit: 'A' })
    .onWall('socket-east', 'socket', 'East socket', 'wall-east', 780, { circuit: 'B' })
    .onWall('socket-south', 'socket', 'South socket', 'wall-south', 1250, { circuit: 'B' })
    .onWall('socket-board', 'socket', 'Socket behind the board', 'wall-west', 1400, { bottom: 1150, circuit: 'A' })
    .lamp('lamp-table', 'Table lamp', 2150, 2300, 1700, 1200, 110)
    .lamp('lamp-room', 'Ceiling lamp', 2050, 1300, 2450, 2000, 160)
    .run({
      type: 'addFloorUse',
      floorUse: {
        id: 'bicycles',
        name: 'two bicycles',
        x: 1000,
        y: 1560,
        facing: 0,
        width: 1800,
        depth: 600,
        height: 1050,
        months: [11, 12, 1, 2, 3],
      },
    })
    .person('ash', 'Ash', 1620, { hand: 'left' })
    .person('rowan', 'Rowan', 1860, { mayKneel: false, mayClimb: false })
    .person('pip', 'Pip', 1280, { child: true, age: 8, keepFrom: keepFromAt(8) })
    .unit('table', 'worktable', 'Long table', 2050, 2825, 180, {
      width: 1800,
      depth: 750,
      height: 760,
      watts: 260,
      cord: 1800,
    })
    .unit('left', 'pedestal', 'Left pedestal', 1370, 2710, 180, {
      rows: 5,
      width: 400,
      depth: 500,
      height: 660,
      rowSizes: [70, 70, 90, 110, 140],
      hostId: 'table',
    })
    .unit('right', 'pedestal', 'Right pedestal', 2730, 2710, 180, {
      rows: 5,
      width: 400,
      depth: 500,
      height: 660,
      hostId: 'table',
    })
    .unit('shelves', 'wallShelves', 'Shelves over the table', 2050, 3080, 180, {
      width: 1500,
      depth: 240,
      height: 380,
      rows: 2,
      columns: 3,
      bottom: 1160,
      ratedLoad: 40_000,
    })
    .unit('block', 'smallDrawers', 'Small-drawer block', 2700, 3100, 180, {
      rows: 4,
      columns: 3,
      bottom: 760,
      height: 300,
      hostId: 'table',
    })
    .unit('chest', 'lowChest', 'Window chest', 3875, 1770, 270, { width: 880 })
    .unit('cubes', 'cubeUnit', 'Cube unit', 198, 2350, 90, {
      width: 1054,
      columns: 3,
      rows: 4,
      inserts: ['2.1 shelves 2', '3.2 drawers 3'],
    })
    .unit('sheets', 'sheetChest', 'Sheet chest', 1500, 380, 0, { width: 1100, depth: 760, rows: 6, height: 600 })
    .unit('cart', 'rollingCart', 'Rolling cart', 1010, 1690, 90)
    .unit('board', 'wallBoard', 'Wall board', 60, 1480, 90, { width: 620, bottom: 1050 })
    .unit('cupboard', 'cupboard', 'Tall cupboard', 2950, 210, 0, { width: 800, rows: 6 })
    .unit('bench', 'baseCabinet', 'Wet bench', 3810, 960, 270, {
      width: 680,
      fixed: true,
      pinned: true,
      watts: 1200,
      cord: 1500,
    })
    .unit('loft', 'away', 'Loft hatch', 0, 0, 0, { rows: 1, awayMinutes: 4 })
    .unit('shed', 'away', 'Shed', 0, 0, 0, { rows: 1, awayMinutes: 6 })
    .run({
      type: 'addParking',
      parking: { id: 'cart-at-table', unitId: 'cart', name: 'by the table', x: 950, y: 2420, facing: 90 },
    })
    .run({
      type: 'addParking',
      parking: { id: 'cart-at-chest', unitId: 'cart', name: 'by the sheet chest', x: 620, y: 420, facing: 0 },
    })
    .organiser('deep-bin', 'Deep bin', [160, 340, 250], { packOf: 2, nature: 'bulk', carried: true }, [
      ['cubes.2.0', 2],
    ])
    .organiser('drawer-tray', 'Drawer tray', [120, 300, 50], { packOf: 4 }, [
      ['chest.2.0', 2],
      ['left.0.0', 2],
    ])
    .organiser('lid-box', 'Box with a lid', [190, 330, 110], { lid: true, lidRise: 90, packOf: 1, have: 1 }, [
      ['cubes.2.2', 1],
    ])
    .organiser('file-box', 'File box', [280, 330, 260], { packOf: 1, nature: 'row' }, [
      ['cupboard.3.0', 1],
      ['cubes.1.2', 1],
    ])
    .organiser('clear-box', 'Clear box', [150, 190, 95], { seeThrough: true, packOf: 4, have: 6, carried: true }, [
      ['cubes.0.2', 4],
      ['cupboard.1.0', 3],
    ])
    .organiser('slot-insert', 'Paper-slot insert', [320, 370, 310], { divided: 'slots 12', nature: 'row' }, [
      ['cubes.0.1', 1],
    ])
    .organiser('binder', 'Binder of templates', [60, 280, 320], { nature: 'pockets', pockets: 30, carried: true }, [
      ['cubes.1.1', 1],
    ])
    .organiser(
      'jar',
      'Jar',
      [85, 85, 120],
      { lid: true, lidRise: 0, seeThrough: true, nature: 'bulk', packOf: 6, have: 4 },
      [['shelves.0.2', 4]],
    )
    .organiser('tool-roll', 'Tool roll', [300, 110, 60], { nature: 'pockets', pockets: 12, carried: true, have: 1 }, [
      ['left.2.0', 1],
    ])
    .organiser('parts-tray', 'Parts tray', [200, 160, 40], { divided: 'lanes rest,rest,rest', packOf: 2, have: 2 }, [
      ['right.2.0', 2],
    ])
    .run({ type: 'divide', id: 'right.0.0', into: 'lanes 80,80,rest' })
    .run({ type: 'divide', id: 'left.1.0', into: 'rows 150,150,rest' })
    .unit('felt-box', 'carryBox', 'Felting box', 2200, 400, 0, { keptInId: 'cupboard.4.0', hostId: 'cupboard' })
    .activity('kites', 'Kites', 6, 120, SUMMER, { posture: 'sitting', surfaceWidth: 800, surfaceDepth: 500 })
    .activity('lanterns', 'Paper lanterns', 8, 90, AUTUMN, {
      work: 'light',
      surfaceWidth: 1200,
      surfaceDepth: 600,
      lux: 750,
    })
    .activity('prints', 'Sun prints', 5, 75, LIGHT, { posture: 'standing', surfaceWidth: 600, traits: ['wet', 'dark'] })
    .activity('felting', 'Needle felting', 4, 60, YEAR, {
      posture: 'sitting',
      work: 'fine',
      surfaceWidth: 600,
      lux: 1000,
      traits: ['quiet'],
    })
    .activity('marbling', 'Marbled papers', 3, 100, LIGHT, {
      posture: 'standing',
      surfaceWidth: 900,
      surfaceDepth: 600,
      traits: ['wet'],
    })
    .activity('packing', 'Packing corner', 6, 45, [11, 12], {
      posture: 'standing',
      work: 'heavy',
      surfaceWidth: 800,
      traits: ['dusty', 'noisy'],
    })
    .zone('zone-kites', 'Kites', 'first', 0, ['kites'], ['chest', 'left', 'board'])
    .zone('zone-lanterns', 'Lanterns', 'first', 1, ['lanterns'], ['sheets', 'shelves', 'block'])
    .zone('zone-wet', 'The wet corner', 'only', 2, ['prints', 'marbling'], ['bench'])
    .zone('zone-felting', 'Felting with Pip', 'first', 3, ['felting'], ['felt-box'])
    .zone('zone-packing', 'Packing', 'first', 4, ['packing'], ['cart', 'right'])
    .zone('zone-archive', 'Archive', 'only', 5, [], ['shed'])
    .run({ type: 'setPlace', id: 'cubes.0.0', set: { zoneId: 'zone-wet' } })
    .run({ type: 'setPlace', id: 'cubes.2.2', set: { zoneId: 'zone-felting' } })
    .run({ type: 'setPlace', id: 'cupboard.4.0', set: { zoneId: 'zone-felting' } })
    .run({ type: 'setPlace', id: 'cubes.3.0', set: { keptOut: 'the radio' } })
    // the pedestal and the cupboard have keys
    .run({
      type: 'several',
      words: 'say what has a lock',
      commands: ['left.0.0', 'left.1.0', 'cupboard.0.0', 'cupboard.1.0', 'cupboard.2.0', 'cupboard.3.0'].map((id) => ({
        type: 'setPlace' as const,
        id,
        set: { lockable: true },
      })),
    })
    .flow('kites', 'packing', 0.5)
    .flow('lanterns', 'packing', 1)
    .flow('marbling', 'lanterns', 1)
    .machine('prints', 'bench')
    .station('kite-seat', 'Kite bench', 'kites', 'ash', {
      unitId: 'table',
      x: 1900,
      y: 2130,
      heading: 0,
      seatHeight: 460,
    })
    .station('lantern-seat', 'Lantern end', 'lanterns', 'rowan', {
      unitId: 'table',
      x: 2450,
      y: 2220,
      heading: 0,
      standing: true,
    })
    .station('felt-seat', 'Felting with Pip', 'felting', 'ash', {
      unitId: 'table',
      x: 1380,
      y: 2130,
      heading: 0,
      seatHeight: 460,
      housing: 'kit',
      travellerId: 'felt-box',
      together: 'Saturdays',
    })
    .station('marble-seat', 'Marbling', 'marbling', 'ash', {
      unitId: 'bench',
      x: 3240,
      y: 860,
      heading: 90,
      standing: true,
      lastUsed: '2026-06-20',
    })
    .station('packing-seat', 'Packing', 'packing', 'rowan', {
      unitId: 'table',
      x: 2750,
      y: 2230,
      heading: 0,
      standing: true,
      housing: 'cart',
      travellerId: 'cart',
      together: 'Saturdays',
    })
    .station('print-seat', 'Wet bench', 'prints', 'rowan', {
      unitId: 'bench',
      x: 3240,
      y: 960,
      heading: 90,
      standing: true,
    });
  for (const row of SUPPLIES) b.supply(row);
  for (const row of LINES) b.line(row);
  for (const [supplyId, name, width, depth, grain, have, keep, below] of CUT)
    b.run({
      type: 'addCutPiece',
      cutPiece: {
        id: `${supplyId}-${name.toLowerCase()}`,
        supplyId,
        name,
        width,
        depth,
        grain,
        have,
        keep,
        below,
        placeId: 'cubes.3.2.1',
      },
    });
  for (const [i, [supplyId, width, depth, count]] of SCRAPS.entries()) {
    const { colour } = b.plan.supplies[supplyId]!;
    const scrap = { id: `scrap-${i + 1}`, supplyId, colour, width, depth, count, placeId: 'cubes.3.2.1' };
    b.run({ type: 'addScrap', scrap });
  }
  const { plan } = keepUp(b);
  if (pictures) for (const picture of demoPictures(plan)) b.run({ type: 'addPicture', picture });
  return b.plan;
}

const K = (fetches: number) => ({ kites: fetches });
const L = (fetches: number) => ({ lanterns: fetches });
const P = (fetches: number) => ({ prints: fetches });
const flat = { lies: ['flat' as const] };
const hang = { lies: ['hanging' as const, 'flat' as const] };
const blade = { hazards: ['blade' as const] };
const dark = { sensitive: ['sun' as const] };
const toxic = { hazards: ['toxic' as const], ...dark };

type Cut = [
  supplyId: string,
  name: string,
  width: number,
  depth: number,
  grain: 'any' | 'width' | 'depth',
  number,
  number,
  number,
];
// what Ash keeps cut of the card: bases to be folded, and tags
// prettier-ignore
const CUT: Cut[] = [
  ['red-card', 'Base', 148, 105, 'depth', 2, 8, 3],
  ['white-card', 'Base', 148, 105, 'depth', 9, 10, 3],
  ['yellow-card', 'Base', 148, 105, 'depth', 1, 8, 3],
  ['black-card', 'Base', 148, 105, 'depth', 0, 8, 3],
  ['ripstop-red', 'Panel', 600, 450, 'any', 1, 4, 2],
  ['red-card', 'Tag', 50, 90, 'any', 3, 12, 6],
  ['white-card', 'Tag', 50, 90, 'any', 14, 12, 6],
];
// prettier-ignore
const SCRAPS: [supplyId: string, width: number, depth: number, count: number][] = [
  ['red-card', 95, 70, 1], ['red-card', 200, 60, 1], ['orange-card', 120, 100, 2], ['teal-card', 150, 40, 1],
  ['white-card', 300, 45, 4], ['black-card', 110, 110, 1], ['kraft-card', 140, 90, 1], ['navy-card', 45, 40, 3],
];

// one row a line, as in the list it is
// prettier-ignore
const SUPPLIES: SupplyRow[] = [
  ['Ripstop, red', 'Ripstop', 'soft', [380, 280, 60], 300, [2, 1], K(3), 'cupboard.5.0', { colour: '#b5443c', openWidth: 1500, openLength: 4200 }],
  ['Ripstop, yellow', 'Ripstop', 'soft', [380, 280, 60], 300, [2, 0], K(3), 'cupboard.5.0', { colour: '#d9b13b' }],
  ['Ripstop, blue', 'Ripstop', 'soft', [380, 280, 60], 300, [1, 1], K(2), 'cupboard.4.0', { colour: '#3c6fb5' }],
  ['Ripstop, white', 'Ripstop', 'soft', [380, 280, 60], 300, [2, 1], K(4), 'loft.0.0', { colour: '#f2f0ea' }],
  ['Ripstop, offcuts', 'Ripstop', 'soft', [300, 300, 150], 450, [1, 0], K(5), null],
  ['Spar connectors', 'Kite parts', 'loose', [90, 60, 40], 60, [4, 2], K(8), 'deep-bin.cubes.2.0.1'],
  ['Spreader tubes', 'Kite parts', 'stick', [520, 60, 60], 400, [1, 0], K(4), 'cupboard.0.0'],
  ['Nocks and end caps', 'Kite parts', 'loose', [90, 60, 30], 40, [3, 3], K(7), 'block.3.2', { hazards: ['small'] }],
  ['Split rings', 'Kite parts', 'loose', [70, 50, 25], 50, [2, 2], K(5), 'block.0.0', { hazards: ['small'] }],
  ['Line reel, 40 daN', 'Line', 'spool', [150, 150, 70], 260, [3, 1], K(3), 'shelves.0.0'],
  ['Line reel, 70 daN', 'Line', 'spool', [150, 150, 70], 310, [2, 1], K(2), 'shelves.0.0'],
  ['Bridle line', 'Line', 'spool', [90, 90, 60], 120, [3, 2], K(6), 'cupboard.1.0'],
  ['Sleeving kit', 'Line', 'block', [180, 120, 50], 180, [1, 0], K(2), 'cubes.2.1.1'],
  ['Hot knife', 'Cutting', 'machine', [260, 90, 70], 420, [1, 0], K(9), 'chest.3.0', { hazards: ['hot', 'blade'] }],
  ['Cutting mat, large', 'Cutting', 'pocket', [620, 460, 4], 900, [1, 0], { kites: 2, lanterns: 2 }, 'sheets.4.0'],
  ['Steel rule, 600', 'Cutting', 'stick', [640, 32, 3], 200, [1, 0], { kites: 6, lanterns: 5 }, 'sheets.4.0'],
  ['Craft knife', 'Cutting', 'stick', [150, 20, 15], 40, [2, 0], { kites: 8, lanterns: 10 }, 'cubes.3.1', blade],
  ['Spare blades', 'Cutting', 'block', [60, 40, 15], 45, [2, 4], { kites: 1, lanterns: 1 }, 'cubes.3.1', { ...blade, usedUp: 1 }],
  ['Fabric scissors', 'Cutting', 'stick', [230, 80, 20], 220, [2, 0], K(8), 'cart.2.0', { ...blade, ...hang }],
  ['Paper scissors', 'Cutting', 'stick', [180, 70, 15], 120, [2, 0], L(9), 'cart.2.0', { ...blade, ...hang }],
  ['Seam tape, 6 mm', 'Tape', 'spool', [110, 110, 20], 70, [4, 4], K(10), 'shelves.0.1', { usedUp: 1 }],
  ['Seam tape, 12 mm', 'Tape', 'spool', [110, 110, 25], 80, [3, 3], K(7), 'shelves.0.1', { usedUp: 1 }],
  ['Masking tape', 'Tape', 'spool', [120, 120, 26], 90, [3, 3], { kites: 4, lanterns: 5, prints: 4 }, 'shelves.1.1'],
  ['Sewing machine', 'Sewing', 'machine', [440, 210, 310], 8200, [1, 0], K(1), 'cupboard.0.0', { hazards: ['heavy'] }],
  ['Thread, polyester', 'Sewing', 'spool', [45, 45, 60], 30, [12, 4], K(5), 'cubes.1.1'],
  ['Machine needles', 'Sewing', 'block', [70, 45, 8], 12, [4, 2], K(1), 'cubes.3.1', blade],
  ['Bobbins', 'Sewing', 'loose', [22, 22, 11], 6, [20, 0], K(4), 'block.2.1', { hazards: ['small'] }],
  ['Pattern card', 'Templates', 'sheet', [500, 700, null], 140, [12, 0], K(2), null, { grammage: 400 }],
  ['Kite templates', 'Templates', 'pocket', [600, 420, 3], 250, [6, 0], K(3), 'sheets.0.0'],
  ['Chalk pencils', 'Marking', 'stick', [180, 10, 10], 9, [10, 6], { kites: 6 }, 'board.0.0'],
  ['Mulberry paper, 640 × 970', 'Lantern paper', 'sheet', [640, 970, null], 25, [35, 60], L(6), 'loft.0.0', { grammage: 40, usedUp: 6 }],
  ['Tissue, white', 'Lantern paper', 'sheet', [500, 750, null], 7, [80, 200], L(5), 'sheets.1.0', { grammage: 18, usedUp: 5 }],
  ['Tissue, colours', 'Lantern paper', 'sheet', [500, 750, null], 7, [120, 100], L(6), 'sheets.1.0', { grammage: 18, usedUp: 6 }],
  ['Parchment, A3', 'Lantern paper', 'sheet', [297, 420, null], 11, [50, 50], L(3), 'sheets.2.0', { grammage: 90, usedUp: 3 }],
  ['Lantern wire, 1.2 mm', 'Wire', 'spool', [160, 160, 45], 500, [3, 1], L(6), 'cubes.2.0'],
  ['Lantern wire, 2 mm', 'Wire', 'spool', [180, 180, 50], 700, [2, 1], L(4), 'cubes.2.0'],
  ['Wire hoops', 'Wire', 'pocket', [320, 320, 6], 60, [10, 10], L(4), null],
  ['Pliers, round', 'Tools', 'stick', [150, 70, 25], 160, [2, 0], L(8), 'chest.2.0', hang],
  ['Pliers, cutting', 'Tools', 'stick', [160, 70, 25], 190, [2, 0], { lanterns: 6, kites: 2 }, 'chest.2.0', { ...blade, ...hang }],
  ['Wheat paste', 'Paste', 'bottle', [95, 95, 140], 700, [2, 2], L(4), 'cupboard.3.0', { sensitive: ['damp'] }],
  ['Paste brush, wide', 'Brushes', 'stick', [220, 60, 15], 60, [3, 0], L(7), 'board.0.0', hang],
  ['Paste brush, fine', 'Brushes', 'stick', [200, 20, 10], 20, [6, 0], L(6), 'board.0.0', hang],
  ['Paste bowl', 'Paste', 'block', [180, 180, 80], 240, [3, 0], L(3), 'cupboard.2.0'],
  ['Bone folder', 'Tools', 'stick', [160, 25, 5], 30, [2, 0], L(9), null],
  ['LED strings, warm', 'Light', 'block', [140, 90, 45], 120, [8, 6], L(5), 'deep-bin.cubes.2.0.1', { usedUp: 5 }],
  ['LED strings, white', 'Light', 'block', [140, 90, 45], 120, [4, 4], L(2), 'cubes.0.2', { usedUp: 2 }],
  ['Button cells', 'Light', 'block', [90, 60, 12], 40, [6, 6], L(4), 'cubes.3.1', { hazards: ['small', 'toxic'] }],
  ['Tassels', 'Trim', 'soft', [120, 30, 20], 10, [40, 0], L(3), 'block.1.1'],
  ['Bamboo strips', 'Wood', 'long', [880, 60, 40], 350, [1, 1], L(4), 'cupboard.0.0'],
  ['Finished lantern frames', 'Work in hand', 'block', [300, 300, 280], 250, [3, 0], L(2), 'cubes.1.0'],
  ['Sensitiser A, brown bottle', 'Sun-print chemistry', 'bottle', [70, 70, 160], 560, [2, 1], P(6), 'cubes.0.0', toxic],
  ['Sensitiser B, brown bottle', 'Sun-print chemistry', 'bottle', [70, 70, 160], 560, [2, 1], P(6), 'cubes.0.0', toxic],
  ['Hydrogen peroxide, 3 %', 'Sun-print chemistry', 'bottle', [75, 75, 190], 520, [1, 1], P(2), 'chest.0.0', { hazards: ['toxic'], ...dark }],
  ['Citric acid', 'Sun-print chemistry', 'bottle', [90, 90, 120], 540, [1, 0], P(2), 'cupboard.1.0', { hazards: ['toxic'] }],
  ['Nitrile gloves', 'Protection', 'block', [240, 120, 75], 350, [1, 2], P(4), 'cubes.2.2', { usedUp: 4 }],
  ['Safety glasses', 'Protection', 'block', [170, 70, 70], 60, [2, 0], { prints: 3, kites: 1 }, 'board.0.0', hang],
  ['Apron', 'Protection', 'soft', [300, 260, 40], 350, [2, 0], { prints: 1, lanterns: 1 }, 'board.0.0', { lies: ['flat'] }],
  ['Contact frames, A4', 'Sun-print frames', 'block', [340, 250, 30], 900, [4, 0], P(6), 'cubes.1.2'],
  ['Contact frames, A3', 'Sun-print frames', 'block', [460, 340, 30], 1600, [4, 0], P(4), null, flat],
  ['Print paper, A4', 'Sun-print paper', 'sheet', [210, 297, null], 19, [60, 100], P(8), 'sheets.3.0', { grammage: 300, usedUp: 8, ...dark }],
  ['Print paper, A3', 'Sun-print paper', 'sheet', [297, 420, null], 37, [30, 50], P(4), 'sheets.3.0', { grammage: 300, usedUp: 4, ...dark }],
  ['Hake brush', 'Brushes', 'stick', [190, 80, 12], 50, [2, 0], P(6), 'cart.1.0', hang],
  ['Measuring jugs', 'Wet tools', 'block', [120, 120, 150], 120, [3, 0], P(6), 'cupboard.2.0'],
  ['Scales, small', 'Wet tools', 'machine', [160, 120, 30], 350, [1, 0], P(3), 'cubes.1.1'],
  ['Rinse trays, A3', 'Wet tools', 'block', [480, 360, 80], 650, [3, 0], P(3), 'bench.1.0'],
  ['Tongs', 'Wet tools', 'stick', [210, 30, 20], 60, [4, 0], P(5), 'bench.0.0', hang],
  ['Negatives, filed', 'Sun-print paper', 'pocket', [320, 260, 2], 20, [24, 0], P(4), 'left.0.0'],
  ['Blotting sheets', 'Sun-print paper', 'sheet', [420, 594, null], 75, [20, 0], P(4), null, { grammage: 300 }],
  ['Needle felting kit', 'Felting', 'block', [260, 180, 90], 600, [1, 0], { felting: 1 }, 'left.4.0', { hazards: ['blade'] }],
  ['Felting needles', 'Felting', 'stick', [90, 60, 15], 60, [1, 2], { felting: 6 }, 'cart.1.0', { hazards: ['blade'] }],
  ['Wool tops', 'Felting', 'soft', [300, 300, 200], 500, [2, 0], { felting: 4 }, 'cubes.1.0'],
  ['Felting mat', 'Felting', 'block', [200, 150, 40], 90, [2, 0], { felting: 2 }, 'felt-box.0.0'],
  ['Finger guards', 'Felting', 'loose', [60, 40, 30], 20, [4, 0], { felting: 2 }, 'felt-box.0.0'],
  ['Glass eyes', 'Felting', 'loose', [50, 40, 20], 30, [6, 2], { felting: 1 }, 'block.1.2', { hazards: ['small'] }],
  ['Size, carrageen', 'Marbling', 'bottle', [90, 90, 180], 900, [2, 1], { marbling: 2 }, 'cupboard.3.0', { sensitive: ['damp'] }],
  ['Marbling inks', 'Marbling', 'bottle', [50, 50, 110], 140, [12, 4], { marbling: 9 }, 'cubes.2.1.2', { hazards: ['toxic'] }],
  ['Marbling combs', 'Marbling', 'pocket', [400, 80, 20], 180, [3, 0], { marbling: 4 }, 'sheets.5.0'],
  ['Ox gall', 'Marbling', 'bottle', [50, 50, 110], 120, [1, 1], { marbling: 3 }, 'cupboard.2.0', { hazards: ['toxic'] }],
  ['Drying lines', 'Marbling', 'spool', [120, 120, 60], 220, [2, 0], { marbling: 1 }, 'cubes.1.1'],
  ['Shipping boxes, flat', 'Packing', 'pocket', [600, 400, 60], 1800, [2, 1], { packing: 4 }, null, { usedUp: 4 }],
  ['Tape dispenser', 'Packing', 'block', [220, 90, 120], 700, [1, 0], { packing: 8 }, 'cart.1.0'],
  ['Paper fill', 'Packing', 'soft', [300, 300, 150], 400, [1, 1], { packing: 5 }, 'shed.0.0', { usedUp: 1 }],
  ['Address labels', 'Packing', 'block', [150, 110, 40], 200, [2, 2], { packing: 6 }, 'right.1.0', { usedUp: 6 }],
  ['Festival banners', 'Season', 'soft', [320, 260, 120], 900, [2, 0], {}, 'shelves.1.2', { months: [6, 7, 8] }],
  ['Packing tape', 'Packing', 'spool', [120, 120, 50], 180, [3, 6], { packing: 9, lanterns: 1 }, 'right.4.0'],
  ['Bubble sleeves', 'Packing', 'soft', [340, 240, 100], 300, [1, 2], { packing: 5 }, null, { usedUp: 2, months: [11, 12] }],
  ['Price tags', 'Packing', 'loose', [60, 40, 20], 40, [3, 2], { packing: 6 }, 'right.0.0', { usedUp: 1 }],
  ['Ballast bags, 2 kg', 'Kite parts', 'soft', [180, 120, 70], 2000, [8, 0], K(1), 'cupboard.1.0', { hazards: ['heavy'] }],
  ['Ground stakes, steel', 'Kite parts', 'stick', [300, 20, 20], 420, [12, 0], K(2), 'cupboard.1.0', { months: SUMMER }],
  ['Old wallpaper rolls', 'Wood', 'roll', [null, null, null], 700, [3, 0], {}, null],
];

// typed on a Sunday afternoon, as lines; what they do not say is what such things usually are
// prettier-ignore
const LINES: LineRow[] = [
  ['2 packs of 50 white A6 card blanks', { packing: 2 }, 'right.3.0', { usedUp: 2 }],
  ['100 C6 envelopes', { packing: 2 }, 'right.3.0', { usedUp: 2 }],
  ['25 kraft card 12x12 216 g', { lanterns: 1 }, 'cubes.0.0'],
  ['15 red card 12x12 216 g', { lanterns: 0.3 }, 'slot-insert.cubes.0.1.1.d4', { usedUp: 0.5, line: 'Ember' }],
  ['20 white card 12x12 216 g', { lanterns: 1, packing: 1 }, 'slot-insert.cubes.0.1.1.d1', { usedUp: 1 }],
  ['12 navy card 12x12 216 g', { lanterns: 0.3 }, 'slot-insert.cubes.0.1.1.d2', { usedUp: 0.5, line: 'Harbour' }],
  ['30 yellow card 12x12 216 g', { lanterns: 0.4 }, 'slot-insert.cubes.0.1.1.d6', { usedUp: 0.5, line: 'Ember' }],
  ['8 teal card 12x12 216 g', { lanterns: 0.2 }, 'slot-insert.cubes.0.1.1.d3', { usedUp: 0.5, line: 'Harbour' }],
  ['10 orange card 12x12 216 g', { lanterns: 0.2 }, 'slot-insert.cubes.0.1.1.d9', { usedUp: 0.5, line: 'Ember' }],
  ['14 black card 12x12 216 g', { lanterns: 0.6 }, 'slot-insert.cubes.0.1.1.d8', { usedUp: 0.5 }],
  ['9 purple card 12x12 216 g', { lanterns: 0.2 }, null, { usedUp: 0.5, line: 'Harbour' }],
  ['30 A4 tracing paper 100 g', { lanterns: 2, kites: 1 }, 'sheets.2.0', { usedUp: 2 }],
  ['4 patterned paper pads', { lanterns: 1 }, 'cubes.1.0'],
  ['50 gift tags', { packing: 4 }, 'right.3.0', { usedUp: 4 }],
  ['40 cello bags 13 x 18', { packing: 4 }, 'right.4.0', { usedUp: 4 }],
  ['10 gift bags', { packing: 3 }, null, { usedUp: 3, months: [11, 12], theme: 'winter' }],
  ['3 rolls of wrapping paper 70 cm', { packing: 2 }, 'cupboard.0.0', { usedUp: 1, months: [11, 12], theme: 'winter' }],
  ['20 padded envelopes', { packing: 3 }, 'loft.0.0', { usedUp: 3, months: [11, 12] }],
  ['bubble wrap', { packing: 3 }, 'shed.0.0'],
  ['6 label sheets', { packing: 1 }, 'right.2.0', { usedUp: 1 }],
  ['2 permanent markers', { packing: 5 }, 'cart.0.0'],
  ['12 fineliners', { lanterns: 3, kites: 1 }, 'left.3.0'],
  ['24 coloured pencils', { lanterns: 1 }, 'cubes.3.2.1'],
  ['12 pencils', { kites: 3, lanterns: 3 }, 'shelves.1.0'],
  ['3 erasers', { lanterns: 2 }, 'shelves.1.0'],
  ['2 pencil sharpeners', { lanterns: 1 }, 'shelves.1.0'],
  ['3 glue sticks + 3 spare', { lanterns: 3, packing: 2 }, 'left.3.0', { usedUp: 1 }],
  ['2 bottles of PVA glue', { lanterns: 2 }, 'cupboard.2.0'],
  ['super glue', { kites: 2 }, 'block.2.0'],
  ['hot glue gun', { kites: 1, lanterns: 1 }, null],
  ['20 hot glue sticks', { kites: 1 }, 'cupboard.4.0'],
  ['6 double sided tapes', { lanterns: 4, kites: 2 }, 'shelves.0.1', { usedUp: 1 }],
  ['hook and loop dots', { kites: 2 }, 'cupboard.2.0'],
  ['6 washi tapes', { packing: 2 }, 'shelves.0.2'],
  ['30 cm ruler', { lanterns: 4, kites: 2 }, 'left.3.0'],
  ['2 tape measures', { kites: 3 }, 'block.2.2'],
  ['2 awls', { kites: 2, lanterns: 1 }, 'cart.2.0'],
  ['tweezers', { lanterns: 2, felting: 1 }, null],
  ['hammer', { kites: 1 }, 'cupboard.5.0'],
  ['8 spring clamps', { kites: 2, lanterns: 2 }, 'cubes.2.1.1'],
  ['sandpaper 20 sheets', { kites: 1 }, null],
  ['10 fibreglass rods', { kites: 2 }, null, { lies: ['flat', 'upright', 'diagonal'] }],
  ['4 balls jute twine 8 cm dia x 8 cm', { packing: 4, lanterns: 1 }, 'cart.0.0', { usedUp: 1 }],
  ['8 red ribbon spools', { packing: 3, kites: 1 }, 'shelves.1.2'],
  ['clear box of ribbon ends', { packing: 1 }, 'clear-box.cupboard.1.0.1'],
  ['120 wooden beads', { felting: 1, lanterns: 1 }, 'jar.shelves.0.2.1', { hazards: ['small'] }],
  ['about 80 buttons', { felting: 1 }, 'jar.shelves.0.2.2'],
  ['60 pompoms', { felting: 1 }, 'jar.shelves.0.2.3'],
  ['20 safety pins', { kites: 1 }, 'block.2.0'],
  ['box of pins', { kites: 2 }, 'left.2.0'],
  ['6 felt sheets', { felting: 2 }, 'cubes.1.0'],
  ['10 embroidery flosses', { felting: 1 }, null],
  ['4 AA batteries + 8 spare', { lanterns: 2 }, 'cubes.3.1', { usedUp: 1 }],
  ['9V battery', { lanterns: 0.2 }, 'cubes.3.1'],
  ['2 spray bottles', { marbling: 3, prints: 2 }, 'bench.0.0'],
  ['6 cleaning cloths', { marbling: 3, prints: 2 }, 'bench.0.0'],
  ['kitchen roll', { marbling: 3, prints: 3 }, 'bench.1.0', { usedUp: 1 }],
  ['10 silk flowers', {}, 'cupboard.5.0'],
];
