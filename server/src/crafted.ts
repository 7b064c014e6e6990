import {
  BY_TAPE,
  blankFixture,
  blankOrganiser,
  type Command,
  type Organiser,
  type Plan,
  unitShape,
} from '@heronstone/core/plan';
import { applied, block, person, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';

/** A small container to make plans with. */
export const organiser: Organiser = {
  ...blankOrganiser('bin', 'Bin', 120, 160, 100),
  seeThrough: true,
  packOf: 4,
  have: 1,
};

/** A small room with something of everything, to be changed by mutated commands. */
export function craftedPlan(): Plan {
  return applied(
    withUnits(
      tinyRoom(),
      unit('lowChest', { x: 900, y: 5700 }),
      unit('cubeUnit', { x: 3000, y: 5700 }),
      unit('carryBox', { x: 3000, y: 3000 }),
      unit('rollingCart', { id: 'cart', x: 2000, y: 3000 }),
    ),
    { type: 'addSupplies', supplies: ['a', 'b', 'c'].map((id) => block({ id, name: `Thing ${id}`, backstock: 2 })) },
    { type: 'assignHome', supplyId: 'a', share: 'working', placeId: 'lowChest.0.0', since: '2026-02-02' },
    { type: 'addFixture', fixture: blankFixture('socket', 'socket', 'w0', 300) },
    { type: 'addOrganiser', organiser },
    {
      type: 'standIn',
      id: 'stood',
      organiserId: 'bin',
      name: 'Stood',
      inId: 'cubeUnit.0.0',
      left: 0,
      front: 0,
      bottom: 0,
      turned: false,
    },
  );
}

/** A valid command of every kind for {@link craftedPlan}. */
export function craftedCommands(): Command[] {
  const plan = craftedPlan();
  const chest = plan.units.lowChest!;
  const [activity] = Object.values(plan.activities);
  const [station] = Object.values(plan.stations);
  const since = '2026-02-02';
  return [
    { type: 'setPlan', set: { name: 'Other', ceiling: 2500 }, was: { name: plan.head.name } },
    { type: 'addWall', wall: { id: 'extra', length: 500, turn: 90, name: '' }, at: 1 },
    { type: 'setWall', id: 'w0', set: { length: 5900, turn: 90 } },
    { type: 'removeWall', id: 'w3' },
    { type: 'spreadMisclosure' },
    { type: 'shapeWall', id: 'w1', ids: ['n1', 'n2', 'n3', 'n4'], left: 500, width: 400, depth: 200 },
    { type: 'cutCorner', id: 'w0', newId: 'cut', along: 200, next: 200 },
    {
      type: 'addOpening',
      opening: {
        id: 'door',
        wallId: 'w0',
        kind: 'door',
        left: 10,
        width: 800,
        sill: 0,
        head: 2000,
        hinge: 'left',
        swing: 'in',
        ...BY_TAPE,
      },
    },
    { type: 'addSlope', slope: { id: 'slope', wallId: 'w1', knee: 1200, run: 900 } },
    { type: 'setFixture', id: 'socket', set: { left: 400, circuit: 'B' } },
    { type: 'addDiagonal', diagonal: { id: 'diagonal', fromWallId: 'w0', toWallId: 'w2', length: 8000 } },
    {
      type: 'addFloorUse',
      floorUse: { id: 'bed', name: 'Bed', x: 1, y: 2, facing: 3, width: 4, depth: 5, height: 6, months: [1, 12] },
    },
    { type: 'addPerson', person: person({ id: 'guest', name: 'Guest' }) },
    { type: 'setPerson', id: 'maker', set: { stature: 1700, keepFrom: ['blade'] } },
    { type: 'placeUnit', unit: { ...unit('bookcase', { id: 'case', x: 4000 }), hostId: 'lowChest' } },
    { type: 'setUnit', id: 'cubeUnit', set: { rows: 2, columns: 3, rowSizes: [300, 400], inserts: ['0.0 drawers 2'] } },
    { type: 'setUnit', id: 'carryBox', set: { keptInId: 'cubeUnit.0.0' } },
    { type: 'setUnit', id: 'lowChest', set: { x: 1000, facing: 90, bottom: 0 }, was: { x: chest.x } },
    { type: 'removeUnit', id: 'cubeUnit' },
    { type: 'addParking', parking: { id: 'spot', unitId: 'cart', name: 'Spot', x: 1, y: 2, facing: 90 } },
    { type: 'addOwnKind', ownKind: { id: 'mine', name: 'Mine', kind: 'lowChest', ...unitShape(chest) } as never },
    { type: 'setOrganiser', id: 'bin', set: { have: 3, width: 120 } },
    {
      type: 'standIn',
      id: 'box',
      organiserId: 'bin',
      name: 'Box',
      inId: 'lowChest.0.0',
      left: 0,
      front: 0,
      bottom: 0,
      turned: false,
    },
    { type: 'moveContainer', id: 'stood', inId: 'cubeUnit.0.1', left: 5, front: 3, bottom: 0, turned: true },
    { type: 'takeOut', id: 'stood' },
    { type: 'divide', id: 'lowChest.1.0', into: 'lanes 70,rest,100' },
    { type: 'addZone', zone: { id: 'zone', name: 'Kites', rule: 'first', mark: 3 } },
    { type: 'addBan', ban: { id: 'ban', supplyId: 'a', unitId: 'cubeUnit', above: 1400, below: null } },
    { type: 'acknowledge', acknowledgement: { id: 'tipping:lowChest', reason: 'soon', since } },
    { type: 'setPlace', id: 'lowChest.0.0', set: { lockable: true, nature: 'bulk', keptOut: 'the radio' } },
    { type: 'addSupplies', supplies: [block({ id: 'new', name: 'New', note: 'x', hazards: ['blade'] })] },
    { type: 'setSupply', id: 'b', set: { name: 'Tin', working: 3, lies: ['flat'], colour: '#aabbcc' } },
    {
      type: 'setSupply',
      id: 'b',
      set: {
        kind: 'ink-pad',
        usual: ['width'],
        unsure: [],
        packOf: 4,
        reorderAt: 2,
        storage: 'edge',
        decision: 'undecided',
        decideBy: since,
      },
    },
    { type: 'setPlace', id: 'lowChest.1.0', set: { touredOn: since } },
    {
      type: 'addListView',
      listView: {
        id: 'view',
        name: 'Inks',
        columns: ['name'],
        sortBy: 'name',
        descending: false,
        groupBy: '',
        filter: '',
      },
    },
    {
      type: 'addOwnList',
      ownList: { id: 'list', name: 'Hers', headings: ['Item'], meanings: ['name'], measure: 'imperial' },
    },
    { type: 'mergeSupplies', id: 'a', others: ['b'] },
    {
      type: 'addWay',
      way: { id: 'way', family: 'Inks', zoneId: null, seen: 'shut', grouping: 'kind', packaging: null, growth: 0.1 },
    },
    {
      type: 'planMoves',
      moves: [
        {
          id: 'move',
          seq: 0,
          supplyId: 'a',
          share: 'working',
          count: null,
          fromId: 'lowChest.0.0',
          toId: 'lowChest.1.0',
          seconds: 20,
          doneOn: null,
        },
      ],
    },
    { type: 'makeMove', id: 'move', since },
    { type: 'removeSupply', id: 'c' },
    { type: 'addActivity', activity: { ...activity!, id: 'mending', name: 'Mending' } },
    { type: 'addUse', use: use('b', 3, activity!.id) },
    { type: 'addFlow', flow: { id: 'flow', fromId: activity!.id, toId: 'mending', times: 2 } },
    { type: 'addMachineUse', machineUse: { id: 'machine', activityId: activity!.id, unitId: 'lowChest' } },
    { type: 'addStation', station: { ...station!, id: 'second', name: 'Second' } },
    { type: 'setStation', id: station!.id, set: { housing: 'cart', travellerId: 'cart', lastUsed: since } },
    { type: 'assignHome', supplyId: 'b', share: 'working', placeId: 'lowChest.1.0', since, pinned: true },
    { type: 'pinHome', supplyId: 'a', share: 'working', pinned: true },
    { type: 'assignHome', supplyId: 'a', share: 'backstock', placeId: 'stood', since, count: 1 },
    { type: 'settle', since, homes: [{ supplyId: 'a', share: 'backstock', placeId: 'lowChest.0.0' }] },
    {
      type: 'several',
      words: 'two things',
      commands: [
        { type: 'setSupply', id: 'a', set: { note: 'x' } },
        { type: 'leaveHome', supplyId: 'a', share: 'working' },
      ],
    },
  ];
}
