import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readSupplies, importPlan } from '@heronstone/core/formats';
import { assessHomes, slottingOf } from '@heronstone/core/homes';
import { contentsOf, holderOf, stow } from '@heronstone/core/fit';
import { type Out, type Plan } from '@heronstone/core/plan';
import { fetchFrom, makerOf, PLAIN, sceneOf } from '@heronstone/core/reach';
import { solveSlotting } from '@heronstone/core/slotting';
import { arrangeRoom, bestAtRandom, quickMeasureOf, standMap } from '@heronstone/core/arrange';
import { helpMost, runAt, simulate } from '@heronstone/core/tryout';
import { asksToday, putBackRound } from '@heronstone/core/upkeep';
import { labelRun } from '@heronstone/core/labels';
import { parkingMap, seatMap } from '@heronstone/core/stations';
import { randomSlotting } from '@heronstone/core/testing';
import { cutTogether } from '@heronstone/core/cutting';
import { findingsOf } from '@heronstone/core/findings';
import { root } from '../harness.ts';
import { handRows } from './hand.ts';
import { homesTimes } from './homes.ts';
import { editToRedraw } from './redraw.ts';
import { crowdedRoom, largeRoom, nestedRoom } from './rooms.ts';
import { foundAgainRows } from './found-again.ts';
import { offerRows } from './offers.ts';
import { steadyRows } from './steady.ts';
import { supplyRows } from './supplies.ts';
import { slottingRows } from './slotting.ts';
import { turningRows } from './turning.ts';
import { visitRows } from './visits.ts';
import { doingRows } from './doing.ts';

/**
 * `npm run bench`: slotting against greedy-plus-swaps and HiGHS at 60 s (`-- --highs N` for another limit), then reach and
 * the list of supplies. Prints Markdown; `-- --write` puts it into docs/bench.md.
 */
const args = process.argv.slice(2);
/** only the second table; `--write` then leaves the first one as it is */
const small = args.includes('--small');
const highsSeconds = args.includes('--highs') ? Number(args[args.indexOf('--highs') + 1]) : 60;
const VERSION = `Node ${process.version}, ${new Date().toISOString().slice(0, 10)}.`;
const BENCH = join(root, 'docs/bench.md');

/** What stands before the first of some words, and what from there. */
function partedAt(text: string, words: string): [before: string, from: string] {
  const at = text.indexOf(words);
  return at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at)];
}

/** Sections of their own: by what asks for them, and before which other section they stand where they are new. */
const SECTIONS = {
  '--found-again': {
    title: 'Found again',
    note: 'Three seconds of search, three seeds, the middle one of each figure.',
    rows: foundAgainRows,
    before: '\n## Torture\n',
  },
  '--steady': {
    title: 'Steady',
    note: 'Find homes with five seeds and five limits: what of the total depends on chance and patience.',
    rows: steadyRows,
    before: '\n## Torture\n',
  },
  '--visits': {
    title: 'Visits',
    note: 'Generated rooms in which every activity pays a visit to each unit it gets something from, with families: ours two seconds, HiGHS sixty.',
    rows: visitRows,
    before: '\n## Torture\n',
  },
  '--offers': {
    title: 'Offers',
    note: 'What would help most, thirty seconds: each offer taken over and homes found again, three seconds by another seed, with it and without.',
    rows: offerRows,
    before: '\n## Torture\n',
  },
  '--hand': {
    title: 'What a hand does',
    note: 'The browser tests’ own scripts, every key, press and drag counted (Card, Moran and Newell 1980, from memory: a key 0.28 s, pointing 1.1, a button 0.1, a hand moved 0.4, a thought 1.35); measuring, reading and wondering come on top.',
    rows: handRows,
    before: '\n## Torture\n',
  },
  '--turning': {
    title: 'Turning and printing',
    note: 'Round and step closer in headless Chromium without a graphics card; plan books in a process of their own.',
    rows: turningRows,
    before: '\n## Torture\n',
  },
} as const;

/** One section made anew, the rest of the page as it is. */
async function remade(asked: keyof typeof SECTIONS, plan: Plan): Promise<void> {
  const { title, note, rows: rowsOf, before: next } = SECTIONS[asked];
  const rows = await rowsOf(plan);
  console.log(rows.join('\n'));
  if (!args.includes('--write')) return;
  const section = `\n## ${title}\n\nMade by \`npm run bench -- ${asked} --write\`. ${VERSION} ${note}\n\n${rows.join('\n')}\n`;
  const [before, from] = partedAt(readFileSync(BENCH, 'utf8'), `\n## ${title}\n`);
  const [head, rest] = from === '' ? partedAt(before, next) : [before, partedAt(from.slice(1), '\n## ')[1]];
  writeFileSync(BENCH, head + section + rest);
}

const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};

const read = importPlan(readFileSync(join(root, 'demo/plans/the-pump-house.heron.json'), 'utf8'), 'bench');
if (!read.ok) throw new Error(read.reason);
const alone = (Object.keys(SECTIONS) as (keyof typeof SECTIONS)[]).find((asked) => args.includes(asked));
if (alone) {
  await remade(alone, read.plan);
  process.exit();
}

say(VERSION);
say('');
if (!small) {
  for (const line of await slottingRows(highsSeconds)) say(line);
}
say('');
say('| what | measured | budget |');
say('| --- | --- | --- |');

/** Median of some runs after a few to warm up, ms. */
function median(work: () => void, runs = 15): number {
  for (let i = 0; i < 5; i++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)]!;
}

/** The same plan with one unit moved, so that nothing worked out before can be used again. */
let nudge = 0;
function moved(plan: Plan): Plan {
  const unit = plan.units.chest!;
  return { ...plan, units: { ...plan.units, chest: { ...unit, x: unit.x - (nudge = (nudge + 1) % 7) } } };
}

/** The same plan with one thing given another home. */
function rehomed(plan: Plan): Plan {
  const [id, h] = Object.entries(plan.homes)[(nudge = (nudge + 1) % 7)]!;
  return { ...plan, homes: { ...plan.homes, [id]: { ...h, placeId: Object.keys(plan.places)[nudge]! } } };
}

async function timed<T>(work: () => Promise<T>): Promise<{ ms: number; value: T }> {
  const start = performance.now();
  const value = await work();
  return { ms: performance.now() - start, value };
}

function reachAll(plan: Plan): void {
  const scene = sceneOf(plan);
  for (const station of Object.values(plan.stations)) {
    const maker = makerOf(plan, station)!;
    for (const spot of scene.spots.values()) fetchFrom(scene, maker, spot, PLAIN);
  }
}
const six = read.plan;
const places = Object.keys(six.places).length;
say(
  `| reach of the whole room after moving one unit, ${places} places × ${Object.keys(six.stations).length} seats | ${median(() => reachAll(moved(six))).toFixed(1)} ms | 50 ms |`,
);
const large = largeRoom();
say(
  `| the same, ${Object.keys(large.places).length} places × ${Object.keys(large.stations).length} seats, in 8 × 10 m | ${median(() => reachAll(moved(large)), 5).toFixed(0)} ms | 400 ms |`,
);
const nested = nestedRoom();
const within = Object.values(nested.places).filter((p) => p.inId !== null).length;
const of300 = `${Object.keys(nested.places).length} places, ${within} of them within others, ${Object.keys(nested.stations).length} seats, 400 things`;
say(
  `| ${of300}: reach of the whole room after moving one unit | ${median(() => reachAll(moved(nested)), 7).toFixed(0)} ms | 400 ms |`,
);
say(`| the same: all findings | ${median(() => void findingsOf(moved(nested)), 7).toFixed(0)} ms | 50 ms |`);
say(`| the same: all homes assessed | ${median(() => void assessHomes(moved(nested)), 7).toFixed(0)} ms | – |`);
say(
  `| the same: homes assessed after one home is changed | ${median(() => void assessHomes(rehomed(nested)), 7).toFixed(0)} ms | 50 ms |`,
);
say(
  `| every place of the demo laid (\`fill\`), ${places} places | ${median(() => void Object.values(read.plan.places).map((p) => stow(holderOf(p), contentsOf(read.plan, p.id)))).toFixed(1)} ms | 50 ms |`,
);
const wanted = importPlan(readFileSync(join(root, 'demo/plans/spring.heron.json'), 'utf8'), 'bench');
if (wanted.ok) await doingRows(say, read.plan, wanted.plan);
const seats = await timed(() => seatMap(read.plan, read.plan.stations['kite-seat']!, 150));
say(`| where should I sit, demo, every 15 cm | ${seats.ms.toFixed(0)} ms | – |`);
const cart = await timed(() => parkingMap(read.plan, read.plan.units.cart!, 200));
say(`| where should the cart park, demo, every 20 cm, four ways round | ${cart.ms.toFixed(0)} ms | – |`);
const stand = await timed(() => standMap(read.plan, 'chest', 150, { now: () => performance.now() }));
say(`| where should the chest stand, demo, every 15 cm, homes found for the best | ${stand.ms.toFixed(0)} ms | – |`);
const asks = await timed(async () => [0, 1, 2, 3, 4].map((i) => asksToday({ ...read.plan }, `2026-11-2${i}`)));
say(`| what asks for a hand today, demo | ${(asks.ms / 5).toFixed(1)} ms | – |`);
const lying: Out[] = Object.values(read.plan.supplies)
  .slice(0, 40)
  .map((s) => ({
    ...{ id: s.id, supplyId: s.id, projectId: null, count: 1, state: 'out', double: false, placeId: null },
    since: '2026-11-26',
  }));
const back = await timed(async () => putBackRound(read.plan, read.plan.stations['kite-seat']!, lying, 11));
say(`| put-back round over ${back.value.stops.length} places, demo | ${back.ms.toFixed(0)} ms | – |`);
const notes = await timed(async () => labelRun(read.plan));
say(`| the label run with what each label saves, demo | ${notes.ms.toFixed(0)} ms | – |`);
const runs = Object.values(read.plan.stations).flatMap((station) => runAt(read.plan, station) ?? []);
const played = await timed(async () => runs.map((run) => simulate(run, { sessions: 1000 })));
say(
  `| 1,000 sessions at each of ${runs.length} seats of the demo | ${(played.ms / runs.length).toFixed(0)} ms a seat | 1,000 ms |`,
);
let tenth = 0;
const helpBegan = performance.now();
const helped = await timed(() =>
  helpMost(read.plan, {
    now: () => performance.now(),
    since: '2026-11-26',
    onFound: (_, tried) => void (tried === 10 && (tenth ||= performance.now() - helpBegan)),
  }),
);
say(
  `| what would help most, demo: the tenth change tried (of ${helped.value?.tried ?? 0} in ${(helped.ms / 1000).toFixed(0)} s) | ${(tenth / 1000).toFixed(1)} s | 5 s |`,
);
const arranged = await timed(() => arrangeRoom(read.plan, { seed: 1, now: () => performance.now() }));
const offers = arranged.value.ok ? arranged.value.offers.map((o) => Math.round(o.saves)) : [];
say(
  `| arrange for me, demo: ${arranged.value.ok ? arranged.value.tried : 0} changes priced, ${offers.length} offers (seconds a year saved, homes found before and after: ${offers.join(', ')}; ${arranged.value.ok ? ((100 * (offers[0] ?? 0)) / arranged.value.now.total).toFixed(1) : 0} %) | ${(arranged.value.ok ? arranged.ms / 1000 : 0).toFixed(1)} s | 30 s, 10 % |`,
);
say(
  `| best of 1,000 random arrangements by the search’s measure, against today’s and the first offer | ${[bestAtRandom(read.plan, 1000, 1), quickMeasureOf(read.plan), quickMeasureOf(arranged.value.ok ? (arranged.value.offers[0]?.plan ?? read.plan) : read.plan)].map((e) => Math.round(e.energy)).join(' / ')} | – |`,
);
say(
  `| all homes of the demo assessed after moving one unit | ${median(() => void assessHomes(moved(read.plan))).toFixed(1)} ms | – |`,
);
say(`| the demo as a slotting problem | ${median(() => void slottingOf(moved(read.plan))).toFixed(1)} ms | – |`);
say(
  `| all findings of the demo after moving one unit | ${median(() => void findingsOf(moved(read.plan))).toFixed(1)} ms | 50 ms |`,
);
for (const more of [0, 500, 2000]) {
  const { work, frame, drag, bringIn } = await editToRedraw(more);
  const of = more === 0 ? 'demo' : `demo and ${more} supplies more`;
  say(
    `| ${of}: edit to redraw, script, style and layout of one arrow key | ${work.toFixed(1)} ms | ${more === 0 ? '16' : '50'} ms |`,
  );
  say(`| the same until the frame after it is drawn | ${frame.toFixed(1)} ms | – |`);
  say(`| ${of}: a step of dragging a unit until the frame after it | ${drag.toFixed(1)} ms | – |`);
  say(`| ${of}: bring in a unit, until the frame after it | ${bringIn.toFixed(1)} ms | 100 ms |`);
}
const crowded = await homesTimes(crowdedRoom());
const of2000 = '2,000 supplies × 300 places × 9 seats';
say(`| ${of2000}: find homes, first number | ${crowded.first.toFixed(0)} ms | 1,000 ms |`);
say(`| the same: answer on the screen | ${crowded.answer.toFixed(1)} s | 10 s |`);
say(`| the same: longest wait of the page meanwhile | ${crowded.waited.toFixed(0)} ms | 50 ms |`);
say(`| the same: the answer put on the screen | ${crowded.put.toFixed(0)} ms | – |`);
say(
  `| the same: one home changed, until the frame after it: median, slowest | ${crowded.change.toFixed(0)}, ${crowded.slowest.toFixed(0)} ms | 50 ms |`,
);
const crowd = randomSlotting(1, { lots: 10_000, places: 300, fill: 0.9, families: true, reachable: 0.3 });
let heard = 0;
let longest = 0;
const listen = async () => {
  longest = Math.max(longest, performance.now() - heard);
  heard = performance.now();
};
heard = performance.now();
await solveSlotting(crowd, { seconds: 20, now: () => performance.now(), breathe: listen });
say(`| 10,000 lots × 300 places: longest wait until the engine hears “enough” | ${longest.toFixed(0)} ms | 200 ms |`);
const csv = `name,width,depth,height\n${Array.from({ length: 10_000 }, (_, i) => `Bead ${i},10,10,10`).join('\n')}`;
say(
  `| a list of 10,000 supplies read | ${median(() => void readSupplies(csv, () => 'id'), 5).toFixed(0)} ms | 5,000 ms |`,
);

const IN = 25.4;
const wantedPieces = [
  [4.25, 11],
  [5.5, 4.25],
  [4, 5.25],
  [2, 3],
  [2.5, 3.5],
].map(([w, d], i) => ({ id: `p${i}`, width: w! * IN, depth: d! * IN, grain: 'any' as const }));
let shift = 0;
/** different counts every time, so that nothing worked out before can be used again */
const cutJobs = () =>
  Array.from({ length: 24 }, (_, i) => ({
    id: `c${i}`,
    sheet: { width: 12 * IN, depth: 12 * IN, grain: null },
    caliper: 0.27,
    wanted: [3 + ((i * 7 + shift) % 9), (i * 5) % 11, 8 + (i % 4), 10 + ((i * 3) % 7), (i * 11) % 13],
  }));
say(
  `| cut list of 24 colours × 5 pieces | ${median(() => void (shift++, cutTogether(cutJobs(), wantedPieces, 0, 5)), 9).toFixed(0)} ms | 200 ms |`,
);

for (const row of await supplyRows(read.plan)) say(row);

if (args.includes('--write')) {
  const [before, rest] = partedAt(readFileSync(BENCH, 'utf8'), '\n## ');
  const text = lines.join('\n').trim();
  const head =
    '# Bench\n\nMade by `npm run bench -- --write` (`--small` for the second table alone, `--found-again`, `--steady`, `--visits`, `--offers` and `--turning` for these sections alone); figures of one run on two cores.';
  const second = text.slice(text.indexOf('| what |'));
  const tables = small
    ? `${before.slice(0, before.indexOf('| what |'))}${second}\n\nThe second table: ${text.split('\n')[0]}\n`
    : `${head}\n\n${text}\n`;
  writeFileSync(BENCH, tables + rest);
}
if (!small) for (const asked of Object.keys(SECTIONS) as (keyof typeof SECTIONS)[]) await remade(asked, read.plan);
