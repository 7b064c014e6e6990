import { parseArgs } from 'node:util';
import { arrangeRoom, quickMeasureOf, SEARCHES, STEPS } from '@heronstone/core/arrange';
import { CHECKS, findingsOf, FIRST } from '@heronstone/core/findings';
import { decodeText, exportPlan, readList } from '@heronstone/core/formats';
import { stowageOf } from '@heronstone/core/fit';
import { isOddsAndEnds, nameOfPlace, togetherThatMustBeApart } from '@heronstone/core/concepts';
import { findHomes, foundAgainIn, foundAgainSum, isWorse, placeFilling } from '@heronstone/core/homes';
import {
  apply,
  emptyPlan,
  homesIn,
  placeTitle,
  type Plan,
  type Supply,
  WEIGHTS_OR_NONE,
  zoneOf,
} from '@heronstone/core/plan';
import { BANDS, fetchFrom, makerOf, PLAIN, sceneAt } from '@heronstone/core/reach';
import { balanceOf, zonesForMe, zonesFromActivities } from '@heronstone/core/zones';
import { CutFile, cutTogether, drawnOf } from '@heronstone/core/cutting';
import { type Doubt } from '@heronstone/core/lines';
import { budgetOf } from '@heronstone/core/stock';
import { readSlotting, solveSlotting } from '@heronstone/core/slotting';
import {
  bytesOf,
  json,
  jsonOf,
  now,
  number,
  planOf,
  type Result,
  round,
  today,
  Trouble,
  type Values,
  whole,
  write,
} from './input.ts';
import { helpMostOf } from './help-most.ts';
import { doing } from './doing.ts';
import { measure } from './measure.ts';
import { book, maps } from './print.ts';
import { tryout } from './tryout.ts';

const USAGE = `heronstone slot FILE [--seconds N | --work N] [--seed N]
heronstone reach PLAN.heron.json [--seat NAME]
heronstone homes PLAN.heron.json [--seconds N] [--seed N] [--finding-again none|little|some|much] [--out FILE]
heronstone check PLAN.heron.json
heronstone fill PLAN.heron.json
heronstone zones PLAN.heron.json [--find] [--seconds S]
heronstone read-list FILE [--measure metric|imperial]
heronstone budget PLAN.heron.json
heronstone cut FILE
heronstone doing FROM.heron.json TO.heron.json --calendar FILE.json [--out PLAN.ics] [--seconds N | --work N]
heronstone doing --problem FILE.json [--seconds N | --work N] [--seed N]
heronstone measure FILE
heronstone tryout PLAN.heron.json [--activity NAME] [--sessions N] [--seed N]
heronstone help-most PLAN.heron.json [--seconds N]
heronstone arrange PLAN.heron.json [--seed N] [--steps N] [--searches N] [--out FILE]
heronstone book PLAN.heron.json --out FILE.pdf [--chapters room,zones,…] [--paper a4|letter] [--pictures]
heronstone maps PLAN.heron.json --out FILE.pdf [--unit NAME] [--paper a4|letter] [--cut door|WIDTHxHEIGHT] [--trial] [--pictures]
`;

/** Runs one command line. JSON on stdout; on bad input one line why on stderr and exit code 2. */
export async function run(args: string[]): Promise<Result> {
  try {
    const { command, file, to, values } = read(args);
    if (command === 'help') return { code: 0, out: USAGE };
    if (command === 'slot') return await slot(file, values);
    if (command === 'reach') return reach(file, values.seat);
    if (command === 'check') return check(file);
    if (command === 'fill') return fill(file);
    if (command === 'zones') return await zones(file, values);
    if (command === 'read-list') return list(file, values.measure);
    if (command === 'budget') return budget(file);
    if (command === 'cut') return cut(file);
    if (command === 'doing') return await doing(file, to, values);
    if (command === 'measure') return measure(file);
    if (command === 'tryout') return tryout(file, values);
    if (command === 'help-most') return await helpMostOf(file, values);
    if (command === 'arrange') return await arrange(file, values);
    if (command === 'book') return await book(file, values);
    if (command === 'maps') return await maps(file, values);
    return await homes(file, values);
  } catch (error) {
    if (error instanceof Trouble) return { code: 2, error: `heronstone: ${error.message}` };
    throw error;
  }
}

const FLAGS: Record<string, readonly string[]> = {
  slot: ['seconds', 'work', 'seed'],
  reach: ['seat'],
  homes: ['seconds', 'seed', 'finding-again', 'out'],
  check: [],
  fill: [],
  zones: ['find', 'seconds'],
  'read-list': ['measure'],
  budget: [],
  cut: [],
  measure: [],
  doing: ['calendar', 'problem', 'out', 'seconds', 'work', 'seed'],
  'help-most': ['seconds'],
  tryout: ['activity', 'sessions', 'seed'],
  arrange: ['seed', 'steps', 'searches', 'out'],
  book: ['out', 'chapters', 'paper', 'pictures'],
  maps: ['out', 'unit', 'paper', 'cut', 'trial', 'pictures'],
};

function read(args: string[]): { command: string; file: string; to: string; values: Values } {
  let parsed;
  try {
    parsed = parseArgs({
      args,
      allowPositionals: true,
      options: {
        seconds: { type: 'string' },
        work: { type: 'string' },
        seed: { type: 'string' },
        steps: { type: 'string' },
        searches: { type: 'string' },
        seat: { type: 'string' },
        activity: { type: 'string' },
        sessions: { type: 'string' },
        out: { type: 'string' },
        'finding-again': { type: 'string' },
        find: { type: 'boolean' },
        measure: { type: 'string' },
        paper: { type: 'string' },
        chapters: { type: 'string' },
        unit: { type: 'string' },
        cut: { type: 'string' },
        trial: { type: 'boolean' },
        pictures: { type: 'boolean' },
        calendar: { type: 'string' },
        problem: { type: 'string' },
        help: { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new Trouble((error as Error).message.split('\n')[0]!);
  }
  const [command, file, ...rest] = parsed.positionals;
  if (parsed.values.help || command === 'help') return { command: 'help', file: '', to: '', values: parsed.values };
  if (!command || !FLAGS[command])
    throw new Trouble(
      `say slot, reach, homes, check, fill, zones, read-list, budget, cut, doing, measure, tryout, help-most, arrange, book or maps${command ? `, not “${command}”` : ''}; --help tells more`,
    );
  const [to, ...more] = command === 'doing' ? rest : ['', ...rest];
  if (!file && parsed.values.problem === undefined) throw new Trouble(`${command} needs a file`);
  if (more.length > 0) throw new Trouble(`one file at a time, not also “${more[0]}”`);
  for (const flag of Object.keys(parsed.values))
    if (!FLAGS[command].includes(flag)) throw new Trouble(`${command} does not take --${flag}`);
  return { command, file: file ?? '', to: to ?? '', values: parsed.values };
}

async function slot(file: string, values: Values): Promise<Result> {
  const got = readSlotting(jsonOf(file));
  if (!got.ok) throw new Trouble(`${file}: ${got.reason}`);
  const seed = number(values.seed, 'seed', 1, 2 ** 31 - 1);
  if (values.work !== undefined && values.seconds !== undefined)
    throw new Trouble('give --seconds or --work, not both');
  const limit =
    values.work === undefined
      ? { seconds: number(values.seconds, 'seconds', 2, 3600) }
      : { work: number(values.work, 'work', 0, 1e12) };
  // what room is worth is for another search of the same process
  return { code: 0, out: json({ ...(await solveSlotting(got.problem, { ...limit, seed, now })), prices: undefined }) };
}

/** Every finding of a plan, with where its limit comes from and the caution. */
function check(file: string): Result {
  const rows = findingsOf(planOf(file)).map(({ key, check: name, words, unitIds, placeIds, acknowledged }) => ({
    key,
    check: CHECKS[name].title,
    words,
    units: unitIds,
    places: placeIds,
    source: CHECKS[name].source,
    care: CHECKS[name].care && `${CHECKS[name].care} ${FIRST}`,
    acknowledged: acknowledged && { reason: acknowledged.reason, since: acknowledged.since },
  }));
  return { code: 0, out: json(rows) };
}

function reach(file: string, seat: string | undefined): Result {
  const plan = planOf(file);
  const stations = Object.values(plan.stations).filter((s) => seat === undefined || s.name === seat || s.id === seat);
  if (stations.length === 0) {
    const names = Object.values(plan.stations).map((s) => s.name);
    throw new Trouble(
      seat === undefined
        ? 'the plan has no station to reach from'
        : `there is no seat “${seat}”; there ${names.length === 1 ? 'is' : 'are'} ${names.join(', ') || 'none'}`,
    );
  }
  const rows = stations.flatMap((station) => {
    const maker = makerOf(plan, station)!;
    const scene = sceneAt(plan, station);
    return [...scene.spots.values()].map((spot) => {
      const fetch = fetchFrom(scene, maker, spot, {
        ...PLAIN,
        kinds: Math.max(1, homesIn(plan, spot.place.id).length),
      });
      const who = {
        seat: station.name,
        unit: spot.unit.name,
        place: spot.place.name,
        path: placeTitle(plan, plan.places[spot.place.id]!),
      };
      if (!fetch.ok) return { ...who, band: null, seconds: null, motions: [], reason: fetch.reason };
      return {
        ...who,
        band: BANDS[fetch.band],
        seconds: round(fetch.seconds),
        motions: fetch.motions.map(({ code, tmu, text }) => ({ code, tmu: round(tmu), text })),
      };
    });
  });
  return { code: 0, out: json(rows) };
}

/** Offers as JSON, best first; with --out the best one as a plan file. */
async function arrange(file: string, values: Values): Promise<Result> {
  const plan = planOf(file);
  const done = await arrangeRoom(plan, {
    seed: whole(values.seed, 'seed', 1, 2 ** 31 - 1),
    steps: whole(values.steps, 'steps', STEPS, 1_000_000),
    searches: whole(values.searches, 'searches', SEARCHES, 1000),
    now,
  });
  if (!done.ok) throw new Trouble(done.reason);
  if (values.out && done.offers[0]) write(values.out, exportPlan(done.offers[0].plan));
  return {
    code: 0,
    out: json({
      now: {
        secondsAYear: round(done.now.total),
        homes: { year: round(done.now.tally.year), without: done.now.tally.without.length },
        measure: quickMeasureOf(plan),
        broken: done.now.standing.broken.map((f) => f.words),
      },
      offers: done.offers.map((o) => ({
        secondsAYear: round(o.score.total),
        homes: { year: round(o.score.tally.year), without: o.score.tally.without.length },
        saves: round(o.saves),
        measure: quickMeasureOf(o.plan),
        broken: o.score.standing.broken.map((f) => f.words),
        mends: o.gone,
        brings: o.come,
        units: o.moved.flatMap(({ unitId }) => {
          const unit = o.plan.units[unitId ?? ''];
          return unit ? [{ id: unit.id, x: unit.x, y: unit.y, facing: unit.facing }] : [];
        }),
        seats: o.moved.flatMap(({ stationId }) => {
          const seat = o.plan.stations[stationId ?? ''];
          return seat ? [{ id: seat.id, x: seat.x, y: seat.y, heading: seat.heading }] : [];
        }),
      })),
      tried: done.tried,
    }),
  };
}

/** Every place, nested ones included, with what it holds and how that is laid. Millimetres, grams; capacity and use in the nature’s own measure. */
function fill(file: string): Result {
  const plan = planOf(file);
  const rows = Object.values(plan.places)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((place) => {
      const laid = stowageOf(plan, place);
      const zoneId = zoneOf(plan, place);
      const { faults, mass } = placeFilling(plan, place);
      return {
        unit: plan.units[place.unitId]!.name,
        place: place.name,
        path: placeTitle(plan, place),
        name: nameOfPlace(plan, place.id)?.words ?? null,
        oddsAndEnds: isOddsAndEnds(nameOfPlace(plan, place.id) ?? { uncovered: [] }),
        kind: place.kind,
        nature: laid.nature,
        width: place.width,
        depth: place.depth,
        height: place.height,
        capacity: laid.capacity,
        used: laid.used,
        mass,
        load: place.load,
        zone: zoneId === null ? null : (plan.zones[zoneId]?.name ?? null),
        things: laid.things.map((thing) => ({
          supply: thing.supply.name,
          count: thing.count,
          rects: laid.stacks
            .filter((s) => s.id === thing.id)
            .map(({ x, y, width, depth, layers }) => ({ x, y, w: width, h: depth, layers })),
        })),
        faults,
      };
    });
  return { code: 0, out: json(rows) };
}

/** A list as it would be taken in: CSV of any headings, or plain lines. Millimetres, grams. */
function list(file: string, measure = 'metric'): Result {
  if (measure !== 'metric' && measure !== 'imperial')
    throw new Trouble(`--measure takes metric or imperial, not “${measure}”`);
  const decoded = decodeText(bytesOf(file));
  if (!decoded.ok) throw new Trouble(`${file}: ${decoded.reason}`);
  let n = 0;
  const read = readList(decoded.text, emptyPlan('list', { measure }), { measure, makeId: () => `supply-${++n}` });
  const asked = (doubts: readonly Doubt[]) => doubts.map(({ why, candidates }) => ({ why, candidates }));
  if (read.what === 'lines') {
    const rows = read.lines.flatMap(({ line, text, read: got }) =>
      got.what === 'supply'
        ? [
            {
              line,
              text,
              supply: got.supply,
              guessed: got.guessed,
              doubts: asked(got.doubts),
              container: got.container,
            },
          ]
        : [],
    );
    const troubles = read.lines.flatMap(({ line, text, read: got }) =>
      got.what === 'nothing'
        ? [{ line, text, reason: got.reason }]
        : got.what === 'containers'
          ? [{ line, text, reason: 'Containers stand in a place: say them on the tour.' }]
          : [],
    );
    return { code: 0, out: json({ what: read.what, rows, troubles }) };
  }
  const { fresh, troubles, activities, kept } = read.reading;
  const columns =
    read.what === 'table'
      ? read.table.headings.map((heading, i) => ({ heading, meaning: read.meanings[i] || null }))
      : undefined;
  const rows = fresh.map(({ line, text, supply, guessed, doubts, uses }) => {
    const bare: Partial<Supply> = { ...supply };
    delete bare.id;
    return { line, text, supply: bare, guessed, doubts: asked(doubts), uses };
  });
  return { code: 0, out: json({ what: read.what, columns, rows, troubles, activities, kept }) };
}

/** Room asked for and offered, per zone and kind of room, in its own measure: mm, mm², litres, pockets. */
function budget(file: string): Result {
  const plan = planOf(file);
  const { tapes, unmeasured, nowhere, guessed } = budgetOf(plan);
  const names = (ids: readonly string[]) => ids.map((id) => plan.supplies[id]!.name);
  return {
    code: 0,
    out: json({
      growth: plan.head.growth,
      guessed: round(guessed),
      room: tapes.map(({ zoneId, tape, nature, demand, offer, more }) => ({
        zone: zoneId === null ? null : plan.zones[zoneId]!.name,
        room: tape,
        nature,
        low: round(demand.low),
        likely: round(demand.likely),
        high: round(demand.high),
        offer: round(offer),
        more: more.map(({ place, count }) => ({ like: placeTitle(plan, plan.places[place]!), count })),
      })),
      unmeasured: names(unmeasured),
      nowhere: names(nowhere),
    }),
  };
}

/** Balance and findings of zones; with `find` also which unit each should be kept for, and what keeping zones costs against free placement. */
async function zones(file: string, values: Values): Promise<Result> {
  const plan = planOf(file);
  const findings = findingsOf(plan).filter((f) => f.check.startsWith('zone'));
  const balance = [...balanceOf(plan)].map(([id, natures]) => ({
    zone: plan.zones[id]!.name,
    rule: plan.zones[id]!.rule,
    natures,
  }));
  const out: Record<string, unknown> = {
    balance,
    findings: findings.map(({ check, words }) => ({ check, words })),
  };
  if (values.find) {
    const named = zonesFromActivities(plan, ids());
    const done = named ? apply(plan, named) : null;
    const zoned = done?.ok ? done.plan : plan;
    const since = today();
    const found = await zonesForMe(zoned, { seconds: number(values.seconds, 'seconds', 2, 3600), now, since });
    if (!found) throw new Trouble('stopped before there was an answer');
    out.proposal = {
      units: [...found.territory].map(([unit, zone]) => ({
        unit: zoned.units[unit]!.name,
        zone: zoned.zones[zone]!.name,
      })),
      // with homes found for both
      secondsFree: round(found.free.total),
      secondsZoned: round(found.zoned.total),
    };
  }
  return { code: 0, out: json(out) };
}

const ids = () => {
  let n = 0;
  return () => `zone-${++n}`;
};

async function homes(file: string, values: Values): Promise<Result> {
  const plan = counting(planOf(file), values['finding-again']);
  if (Object.keys(plan.stations).length === 0)
    throw new Trouble('the plan has no station yet, so nothing can be near or far');
  const since = today();
  const seed = number(values.seed, 'seed', 1, 2 ** 31 - 1);
  const found = await findHomes(plan, { seconds: number(values.seconds, 'seconds', 3, 3600), seed, now, since });
  if (!found) throw new Trouble('stopped before there was an answer');
  const { answer, before, after } = found;
  const worse = isWorse(found);
  const text = exportPlan(worse ? plan : found.plan);
  if (!values.out) return { code: 0, out: text };
  write(values.out, text);
  return {
    code: 0,
    out: json({
      out: values.out,
      worse,
      secondsAYearBefore: round(before.total),
      secondsAYear: round(after.total),
      withoutHomeBefore: before.without.length,
      withoutHome: after.without.length,
      growthGaveWay: found.growthGaveWay,
      ...againOf(worse ? plan : found.plan),
      homes: answer.homes.length,
      unplaced: answer.unplaced,
      total: answer.total,
      bound: answer.bound,
      gap: answer.gap,
    }),
  };
}

/** A plan in which finding again counts as said. */
function counting(plan: Plan, said: string | undefined): Plan {
  if (said === undefined) return plan;
  const weighAgain = WEIGHTS_OR_NONE.find((w) => w === said);
  if (!weighAgain) throw new Trouble(`--finding-again takes ${WEIGHTS_OR_NONE.join(', ')}, not “${said}”`);
  return { ...plan, head: { ...plan.head, weighAgain } };
}

/** How well homes are found again: what each place is called, looks for each home, hours a year, and what lies together that must be apart. */
function againOf(plan: Plan) {
  const sum = foundAgainSum(plan);
  const path = (id: string) => placeTitle(plan, plan.places[id]!);
  return {
    places: Object.values(plan.places).flatMap((place) => {
      const name = nameOfPlace(plan, place.id);
      return name ? [{ place: placeTitle(plan, place), name: name.words, oddsAndEnds: isOddsAndEnds(name) }] : [];
    }),
    lives: [...foundAgainIn(plan).of.values()].map(({ home, looks, remembered, inView }) => ({
      ...{ supply: plan.supplies[home.supplyId]!.name, share: home.share, place: path(home.placeId) },
      ...{ looks: inView ? 1 : round(looks), remembered: inView ? 1 : round(remembered) },
    })),
    foundAgain: {
      hoursAYear: round(sum.year / 3600),
      moreUntilLabelled: round(sum.unlabelled / 3600),
      meanLooks: round(sum.meanLooks),
      atFirstLook: round(sum.atFirstLook),
    },
    apart: togetherThatMustBeApart(plan).map(({ placeId, rule, a, b }) => ({
      ...{ place: path(placeId), things: [a.name, b.name], why: rule.words },
    })),
  };
}

/** Patterns and cuts for a list of pieces out of sheets of one or several papers. */
function cut(file: string): Result {
  const read = CutFile.safeParse(jsonOf(file));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Trouble(`${file}: ${issue!.path.join('.') || 'the file'} ${issue!.message}`);
  }
  const { pieces, sheets, kerf, stack } = read.data;
  const jobs = sheets.map((s) => ({
    id: s.id,
    sheet: { width: s.width, depth: s.depth, grain: s.grain },
    caliper: s.caliper,
    wanted: pieces.map((p) => s.wanted[p.id] ?? 0),
  }));
  const unknown = sheets.flatMap((s) => Object.keys(s.wanted).filter((id) => !pieces.some((p) => p.id === id)));
  if (unknown.length > 0) throw new Trouble(`${file}: no piece is called “${unknown[0]}”`);
  const { lists, runs } = cutTogether(jobs, pieces, kerf, stack);
  const names = (counts: readonly number[]) =>
    Object.fromEntries(pieces.flatMap((p, i) => (counts[i]! > 0 ? [[p.id, counts[i]]] : [])));
  return {
    code: 0,
    out: json({
      sheets: [...lists].map(([id, l]) => ({
        id,
        sheets: l.sheets,
        bound: l.bound,
        waste: Math.round(l.waste * 100) / 100,
        tooLarge: l.tooLarge.map((i) => pieces[i]!.id),
      })),
      patterns: runs.map((r) => {
        const { laid, left, strokes } = drawnOf(r.cut, kerf);
        return {
          gives: names(r.counts),
          sheets: Object.fromEntries(r.sheets.map((s) => [s.id, s.count])),
          stacks: r.stacks,
          cuts: strokes,
          pieces: laid.map(({ piece, ...rest }) => ({ piece: pieces[piece]!.id, ...rest })),
          left,
        };
      }),
    }),
  };
}
