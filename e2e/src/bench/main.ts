import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readSupplies, importPlan } from '@heronstone/core/formats';
import { assessHomes, slottingOf } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { fetchFrom, makerOf, PLAIN, sceneOf } from '@heronstone/core/reach';
import { checkAnswer, type SlottingProblem, slottingTotal, solveSlotting } from '@heronstone/core/slotting';
import { randomSlotting } from '@heronstone/core/testing';
import { findingsOf } from '@heronstone/core/findings';
import { root } from '../harness.ts';
import { greedyPlusSwaps } from './greedy.ts';
import { editToRedraw } from './redraw.ts';
import { highsInProcess } from './highs-process.ts';

/**
 * `npm run bench`: slotting against greedy-plus-swaps and HiGHS at 60 s (`-- --highs N` for another limit), then reach and
 * the list of supplies. Prints Markdown; `-- --write` puts it into docs/bench.md.
 */
const args = process.argv.slice(2);
/** only the second table; `--write` then leaves the first one as it is */
const small = args.includes('--small');
const highsSeconds = args.includes('--highs') ? Number(args[args.indexOf('--highs') + 1]) : 60;
const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};

const ROOMS = [
  { lots: 40, places: 20, fill: 0.85, families: false, seconds: 2 },
  { lots: 160, places: 64, fill: 0.85, families: false, seconds: 2 },
  { lots: 160, places: 64, fill: 0.85, families: true, seconds: 2 },
  { lots: 400, places: 150, fill: 0.7, families: false, seconds: 2 },
  { lots: 400, places: 150, fill: 0.85, families: false, seconds: 2 },
  { lots: 400, places: 150, fill: 0.97, families: false, seconds: 2 },
  { lots: 400, places: 150, fill: 0.85, families: true, seconds: 2 },
  { lots: 1200, places: 400, fill: 0.85, families: false, seconds: 10 },
];

function sound(problem: SlottingProblem, homes: { lot: string; place: string }[], total: number): string {
  const wrong = checkAnswer(problem, homes);
  if (wrong.length > 0) return `WRONG: ${wrong[0]}`;
  return Math.abs(slottingTotal(problem, homes) - total) < 1e-3 ? total.toFixed(0) : 'WRONG TOTAL';
}

say(`Node ${process.version}, ${new Date().toISOString().slice(0, 10)}.`);
say('');
if (!small) {
  say(`Totals in seconds a year, less is better; rooms are generated (seed 7).`);
  say('');
  say(
    `| room | fill | families | ours | gap shown | ours s | greedy + swaps | over ours | HiGHS | over ours | HiGHS s |`,
  );
  say('| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |');
  for (const { seconds, ...shape } of ROOMS) {
    const problem = randomSlotting(7, shape);
    const ours = await solveSlotting(problem, { seconds, now: () => performance.now() });
    const greedy = greedyPlusSwaps(problem);
    const highs = shape.lots <= 400 ? await highsInProcess(problem, highsSeconds) : null;
    const over = (total: number) => `${((total / ours.total - 1) * 100).toFixed(2)} %`;
    say(
      `| ${shape.lots} × ${shape.places} | ${shape.fill} | ${shape.families ? 'yes' : 'no'} | ${sound(problem, ours.homes, ours.total)} | ${((ours.gap ?? NaN) * 100).toFixed(2)} % | ${ours.seconds.toFixed(2)} | ` +
        `${sound(problem, greedy.homes, greedy.total)} | ${over(greedy.total)} | ${highs ? `${highs.total.toFixed(0)} (${highs.status})` : 'not run'} | ${highs ? over(highs.total) : ''} | ${highs ? highs.seconds.toFixed(1) : ''} |`,
    );
  }
}
say('');
say('| what | measured | budget |');
say('| --- | --- | --- |');
const read = importPlan(readFileSync(join(root, 'demo/plans/the-pump-house.heron.json'), 'utf8'), 'bench');
if (!read.ok) throw new Error(read.reason);

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

function reachAll(plan: Plan): void {
  const scene = sceneOf(plan);
  for (const station of Object.values(plan.stations)) {
    const maker = makerOf(plan, station)!;
    for (const spot of scene.spots.values()) fetchFrom(scene, maker, spot, PLAIN);
  }
}
const stations = Object.values(read.plan.stations);
const six = {
  ...read.plan,
  stations: Object.fromEntries(
    [...stations, ...stations.map((s) => ({ ...s, id: `${s.id}-2`, x: s.x - 200, y: s.y - 300 }))].map((s) => [
      s.id,
      s,
    ]),
  ),
};
const places = Object.keys(six.places).length;
say(
  `| reach of the whole room after moving one unit, ${places} places × 6 seats | ${median(() => reachAll(moved(six))).toFixed(1)} ms | 50 ms |`,
);
say(
  `| all homes of the demo assessed after moving one unit | ${median(() => void assessHomes(moved(read.plan))).toFixed(1)} ms | – |`,
);
say(`| the demo as a slotting problem | ${median(() => void slottingOf(moved(read.plan))).toFixed(1)} ms | – |`);
say(
  `| all findings of the demo after moving one unit | ${median(() => void findingsOf(moved(read.plan))).toFixed(1)} ms | 50 ms |`,
);
const { work, frame } = await editToRedraw();
say(
  `| edit to redraw, demo on the Furniture stone: script, style and layout of one arrow key | ${work.toFixed(1)} ms | 16 ms |`,
);
say(`| the same until the frame after it is drawn | ${frame.toFixed(1)} ms | – |`);
const csv = `name,width,depth,height\n${Array.from({ length: 10_000 }, (_, i) => `Bead ${i},10,10,10`).join('\n')}`;
say(
  `| a list of 10,000 supplies read | ${median(() => void readSupplies(csv, () => 'id'), 5).toFixed(0)} ms | 5,000 ms |`,
);

if (args.includes('--write')) {
  const file = join(root, 'docs/bench.md');
  const before = readFileSync(file, 'utf8');
  const text = lines.join('\n').trim();
  const head =
    '# Bench\n\nMade by `npm run bench -- --write` (`--small` for the second table alone); figures of one run on two cores.';
  const second = text.slice(text.indexOf('| what |'));
  writeFileSync(
    file,
    small
      ? `${before.slice(0, before.indexOf('| what |'))}${second}\n\nThe second table: ${text.split('\n')[0]}\n`
      : `${head}\n\n${text}\n`,
  );
}
