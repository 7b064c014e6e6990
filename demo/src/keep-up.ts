import { isShut } from '@heronstone/core/plan';
import { type Builder } from './build.ts';

const KNOWN = '2026-03-01';

/** What the makers have learnt, what carries a note on trial, and what says nothing: the drawers of the packing corner and the tall cupboard’s box. */
function labels(b: Builder): void {
  const silent = (id: string) => id.startsWith('right.') || id.includes('clear-box');
  for (const place of Object.values(b.plan.places)) {
    if (!isShut(place) || silent(place.id)) continue;
    const trial = place.id.startsWith('left.');
    b.run({
      type: 'setPlace',
      id: place.id,
      set: trial ? { label: 'trial', labelSince: '2026-09-12' } : { label: 'learnt', labelSince: KNOWN },
    });
  }
  b.run({ type: 'setPlace', id: 'right.0.0', set: { labelShows: ['name', 'contents', 'code'] } });
}

/** Where things are bought, what they cost, what is new, and other names they go by. */
function shops(b: Builder): void {
  const buy = (id: string, shop: string, price: number, reorderAt: number | null = 1) =>
    b.run({ type: 'setSupply', id, set: { shop, price, reorderAt } });
  buy('address-labels', 'the stationer', 4.5, 2);
  buy('packing-tape', 'the stationer', 2.2, 3);
  buy('paper-fill', 'the stationer', 6, 2);
  buy('wheat-paste', 'the paper mill', 7.4, 3);
  buy('print-paper-a4', 'the paper mill', 12, 60);
  buy('mulberry-paper-640-970', 'the paper mill', 28, 30);
  buy('spar-connectors', 'the kite shop', 5.6, 3);
  buy('seam-tape-6-mm', 'the kite shop', 3.1, 2);
  const also = (id: string, alsoCalled: string) => b.run({ type: 'setSupply', id, set: { alsoCalled } });
  also('craft-knife', 'scalpel, snap-off knife');
  also('fabric-scissors', 'shears');
  also('wool-tops', 'roving, merino');
  also('split-rings', 'key rings');
  const set = { isNew: true, boughtOn: '2026-08-20', kit: 'Harvest set' };
  for (const id of ['navy-card', 'teal-card', 'purple-card']) b.run({ type: 'setSupply', id, set });
  b.run({ type: 'setSupply', id: 'silk-flowers', set: { boughtOn: '2024-05-02', usedOn: '2025-06-14' } });
  b.run({
    type: 'addTie',
    tie: { id: 'tie-delta', name: 'The delta kite', dots: [0, 3], supplyIds: ['kite-templates', 'spreader-tubes'] },
  });
}

/** What has a season rests outside the room the rest of the year. */
function seasons(b: Builder): void {
  const rest = (supplyId: string, placeId: string) =>
    b.run({ type: 'assignHome', supplyId, share: 'resting', placeId, since: KNOWN });
  rest('festival-banners', 'loft.0.0');
  rest('gift-bags', 'loft.0.0');
  rest('rolls-of-wrapping-paper', 'loft.0.0');
}

/** A delta kite on the table, a lantern that rests, a stall to pack for, and what only has to be put back. */
function projects(b: Builder): void {
  const project = { kind: 'project' as const, activityId: null, forDay: null, trayId: null, note: '' };
  b.run({
    type: 'addProject',
    project: {
      ...{ ...project, id: 'delta', name: 'Delta kite for Pip', activityId: 'kites', state: 'going' },
      ...{ since: '2026-11-02', trayId: 'cart.1.0', note: 'Sail 1.2 m, keel 300 mm. Four panels cut.' },
    },
  });
  b.run({
    type: 'addProject',
    project: {
      ...{ ...project, id: 'moon', name: 'Moon lantern', activityId: 'lanterns', state: 'resting' },
      ...{ since: '2026-07-19', trayId: 'cubes.1.0', note: 'Waits for thicker wire.' },
    },
  });
  b.run({
    type: 'addProject',
    project: {
      ...project,
      id: 'paste-papers',
      name: 'Paste papers for book covers',
      state: 'idea',
      since: '2026-10-11',
    },
  });
  b.run({
    type: 'addProject',
    project: {
      ...{ ...project, id: 'stall', name: 'Winter market stall', kind: 'trip', activityId: 'packing' },
      ...{ state: 'planned', since: '2026-11-08', forDay: '2026-12-05' },
    },
  });
  const out = (supplyId: string, projectId: string | null, state: 'wanted' | 'out', over = {}) =>
    b.run({
      type: 'addOut',
      out: {
        ...{ id: `out-${projectId ?? 'back'}-${supplyId}`, supplyId, projectId, count: 1, state },
        ...{ double: false, placeId: null, since: '2026-11-20', ...over },
      },
    });
  out('ripstop-red', 'delta', 'out');
  out('spar-connectors', 'delta', 'out');
  out('seam-tape-6-mm', 'delta', 'out');
  out('lantern-wire-2-mm', 'moon', 'out', { since: '2026-07-19' });
  out('price-tags', 'stall', 'wanted');
  out('tape-dispenser', 'stall', 'wanted');
  out('permanent-markers', 'stall', 'wanted', { double: true });
  for (const id of ['craft-knife', 'masking-tape', 'bone-folder', 'paste-bowl', 'paper-scissors'])
    out(id, null, 'out', { placeId: 'table.1000.0' });
}

/** A year’s log: sessions at the kite bench with what was fetched in them, some of the other seats. */
function diary(b: Builder): void {
  const entry = {
    ...{ stationId: null, activityId: null, supplyId: null, placeId: null, count: null, strikesId: null, words: '' },
  };
  let n = 0;
  const jot = (day: string, hour: number, what: 'began' | 'ended' | 'fetched' | 'usedUp', over: object) =>
    b.run({
      type: 'jot',
      entries: [
        {
          ...{ ...entry, id: `log-${String(++n).padStart(3, '0')}`, day, what },
          ...{ at: `${day}T${String(hour).padStart(2, '0')}:00:00Z`, ...over },
        },
      ],
    });
  const session = (day: string, stationId: string, activityId: string, fetched: [string, number][]) => {
    const at = { stationId, activityId };
    jot(day, 9, 'began', at);
    for (const [supplyId, count] of fetched) jot(day, 10, 'fetched', { ...at, supplyId, count });
    jot(day, 11, 'ended', at);
  };
  for (let i = 0; i < 14; i++) {
    const day = `2026-0${3 + Math.floor(i / 3)}-${String(4 + 9 * (i % 3)).padStart(2, '0')}`;
    // less bridle line than they thought, and the hot knife more often
    session(day, 'kite-seat', 'kites', [
      ['hot-knife', 11 + (i % 3)],
      ['bridle-line', i % 2],
      ['seam-tape-6-mm', 9],
      ['fabric-scissors', 7 + (i % 2)],
    ]);
  }
  for (const [i, day] of ['2026-10-03', '2026-10-17', '2026-11-07', '2026-11-21'].entries())
    session(day, 'lantern-seat', 'lanterns', [
      ['bone-folder', 8 + i],
      ['wheat-paste', 4],
    ]);
  jot('2026-11-21', 12, 'usedUp', { activityId: 'lanterns', supplyId: 'wheat-paste', count: 1 });
}

/** What has gathered since they moved in: labels, shops, projects, the log. */
export function keepUp(b: Builder): Builder {
  labels(b);
  shops(b);
  seasons(b);
  projects(b);
  diary(b);
  return b;
}
