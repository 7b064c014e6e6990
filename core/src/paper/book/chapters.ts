import { CHECKS, findingsOf, FIRST, groupedFindings } from '../../better/findings/index.ts';
import { dayWords, seasonBoxes, toBuy } from '../../keeping/upkeep/index.ts';
import { cutAhead, missingOf } from '../../keeping/stock/index.ts';
import { balanceOf, balanceWords, isShort, unitsOfZone } from '../../living/zones/index.ts';
import { formatLength, inMeasure } from '../../measures/lengths/index.ts';
import {
  compartmentsOf,
  homesIn,
  homesOf,
  type Label,
  monthWords,
  type Plan,
  placeTitle,
  type Share,
  SHARES,
  shareWord,
  type Supply,
  wallsInOrder,
  isElsewhere,
  DONE_AT_WORDS,
} from '../../record/plan/index.ts';
import { BANDS, type BandNumber, fetchFrom, makerOf, PLAIN, sceneAt } from '../../space/reach/index.ts';
import { compareBy } from '../../things/colour/index.ts';
import { shoppingList } from '../../things/fit/index.ts';
import { drawFloor, drawWall } from '../drawings/index.ts';
import { drawLabel, placeLabel } from '../labels/index.ts';
import { type Column, type Pages } from './pages.ts';
import { unitMap } from './unit-map.ts';

/** What a chapter is written from. `day` is today, as yyyy-mm-dd. */
export type Asked = { plan: Plan; day: string; tell: (share: number) => Promise<void> | void };
type Chapter = { title: string; write: (pages: Pages, asked: Asked) => Promise<void> | void };

const byName = (a: { name: string; id: string }, b: { name: string; id: string }) =>
  COLLATOR.compare(a.name, b.name) || (a.id < b.id ? -1 : 1);
const COLLATOR = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

const size = (plan: Plan, { width, depth, height }: { width: number; depth: number; height: number }): string =>
  [width, depth, height].map((mm) => formatLength(mm, plan.head.measure)).join(' × ');

/** Where a thing lives, “with its reserve” where both are in one place; “no home yet” where it has none. */
export function whereOf(plan: Plan, supply: Supply): string {
  const shares = new Map<string, Set<Share>>();
  for (const share of SHARES)
    for (const { placeId } of homesOf(plan, supply.id, share))
      shares.set(placeId, (shares.get(placeId) ?? new Set()).add(share));
  const said = [...shares].flatMap(([id, of]) => {
    const place = plan.places[id];
    if (!place) return [];
    const words = [...of].map(shareWord).filter((w) => w !== '');
    const more = words.length === 0 ? '' : ` (${of.has('working') ? 'with its ' : ''}${words.join(', ')})`;
    return [`${placeTitle(plan, place)}${more}`];
  });
  return said.length === 0 ? 'no home yet' : said.join('; ');
}

function floorAndWalls(pages: Pages, { plan }: Asked): void {
  pages.heading('Floor and walls');
  pages.text(
    'Measure again before you cut or drill. Print at 100 %; the line beside each drawing tells whether it was.',
    {
      soft: true,
    },
  );
  pages.drawing(drawFloor(plan), pages.left, 'floor from above');
  for (const wall of wallsInOrder(plan)) {
    const sheet = drawWall(plan, wall.id);
    if (!sheet) continue;
    const most = pages.fullHeight * 0.55;
    pages.heading(sheet.title.replace(`${plan.head.name}: `, ''), 2, pages.heightOf(sheet, most));
    pages.drawing(sheet, most);
  }
}

function zones(pages: Pages, { plan }: Asked): void {
  pages.heading('Zones');
  if (Object.keys(plan.zones).length === 0) return pages.text('The room has no zones.', { soft: true });
  const balances = balanceOf(plan);
  for (const zone of Object.values(plan.zones).sort(byName)) {
    pages.heading(zone.name, 2);
    pages.text(zone.rule === 'only' ? 'Nothing else lives here.' : 'Other things may live here, at a price.', {
      soft: true,
    });
    const units = unitsOfZone(plan, zone.id).map((u) => u.name);
    pages.text(units.length === 0 ? 'No unit is kept for it.' : units.join(', '));
    for (const short of (balances.get(zone.id) ?? []).filter(isShort))
      pages.text(`${balanceWords(zone.name, short, plan.head)}.`);
  }
}

async function units(pages: Pages, { plan, tell }: Asked): Promise<void> {
  pages.heading('What lives where');
  pages.text('Every unit from the front, what lies in each place, and drawers and boxes as one looks into them.', {
    soft: true,
  });
  const all = Object.values(plan.units)
    .filter((u) => compartmentsOf(plan, u.id).length > 0)
    .sort(byName);
  for (const [i, unit] of all.entries()) {
    await tell(i / all.length);
    if (i > 0) pages.turn();
    await unitMap(pages, plan, unit, 2);
  }
}

const BAND_COLUMNS: Column[] = [{ share: 0.4 }, { share: 0.6 }];
const BAND_WORDS: Record<BandNumber, string> = {
  1: 'at hand',
  2: 'at arm’s length',
  3: 'by turning',
  4: 'by getting up',
  5: 'by walking',
  6: 'by climbing',
  7: 'away',
};

async function people(pages: Pages, { plan, tell }: Asked): Promise<void> {
  pages.heading('People and seats');
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  for (const person of Object.values(plan.people).sort(byName))
    pages.text(`${person.name}: ${len(person.stature)} tall, ${person.hand}-handed.`);
  const stations = Object.values(plan.stations).sort(byName);
  for (const [i, station] of stations.entries()) {
    await tell(i / stations.length);
    pages.heading(station.name, 2);
    const who = plan.people[station.personId]?.name ?? 'nobody';
    const what = plan.activities[station.activityId]?.name ?? '';
    const how = isElsewhere(plan, station)
      ? `done ${DONE_AT_WORDS[plan.activities[station.activityId]!.doneAt]}; its things go out and come back here`
      : station.standing
        ? 'standing'
        : 'sitting';
    pages.text(`${who}${what === '' ? '' : `, ${what}`}; ${how}`, { soft: true });
    const maker = makerOf(plan, station);
    if (!maker) continue;
    const scene = sceneAt(plan, station);
    const counts = BANDS.map(() => 0);
    let out = 0;
    for (const spot of scene.spots.values()) {
      const kinds = Math.max(1, homesIn(plan, spot.place.id).length);
      const fetch = fetchFrom(scene, maker, spot, { ...PLAIN, kinds });
      if (fetch.ok) counts[fetch.band]!++;
      else out++;
    }
    for (const [band, count] of counts.entries())
      if (count > 0)
        pages.row(BAND_COLUMNS, [BAND_WORDS[band as BandNumber], `${count} ${count === 1 ? 'place' : 'places'}`]);
    if (out > 0) pages.row(BAND_COLUMNS, ['not to be reached', `${out} ${out === 1 ? 'place' : 'places'}`]);
  }
}

function care(pages: Pages, { plan }: Asked): void {
  pages.heading('With care');
  pages.text(FIRST, { soft: true });
  const open = findingsOf(plan).filter((f) => !f.acknowledged);
  if (open.length === 0)
    return pages.text('Nothing found: everything opens, passes and holds as far as the plan tells.');
  for (const { title, lines } of groupedFindings(open)) {
    pages.heading(title, 2);
    for (const { check, findings } of lines) {
      const { title: what, source, care: caution } = CHECKS[check];
      pages.space(4);
      pages.need(48);
      pages.text(what, { weight: 'bold' });
      for (const f of findings) pages.text(f.words, { indent: 10 });
      pages.text(`Limit: ${inMeasure(source, plan.head.measure)}.`, { size: 8.5, soft: true, indent: 10 });
      if (caution) pages.text(inMeasure(caution, plan.head.measure), { size: 8.5, indent: 10 });
    }
  }
}

const INDEX: Column[] = [{ share: 0.36 }, { share: 0.12, soft: true }, { share: 0.52 }];

/** So many lines of the index are written before somebody else has a turn. */
const STRETCH = 250;

async function index(pages: Pages, { plan, tell }: Asked): Promise<void> {
  pages.heading('Everything, A to Z');
  const all = Object.values(plan.supplies).sort(byName);
  if (all.length === 0) return pages.text('Nothing is listed yet.', { soft: true });
  for (const [i, supply] of all.entries()) {
    if (i % STRETCH === 0) await tell(i / all.length);
    const { working, backstock } = supply;
    const count = backstock > 0 ? `${working} + ${backstock}` : `${working}`;
    pages.row(INDEX, [supply.name, count, whereOf(plan, supply)], { size: 9, rule: true });
  }
}

const SWATCH: Column[] = [{ share: 0.4 }, { share: 0.6, soft: true }];

function colours(pages: Pages, { plan }: Asked): void {
  pages.heading('Colours');
  const shown = new Set<string>();
  for (const row of Object.values(plan.colourRows).sort(byName)) {
    const things = row.slots.flatMap((id) => plan.supplies[id] ?? []);
    if (things.length === 0) continue;
    for (const { id } of things) shown.add(id);
    pages.heading(row.name, 2);
    // a gap that is kept is seen as one
    const slots = row.slots.map((id) => plan.supplies[id]);
    pages.swatches(slots.map((s) => ({ colour: s?.colour ?? '#ffffff', name: s?.name ?? '' })));
    pages.text(`${[...new Set(things.map((s) => whereOf(plan, s)))].join('; ')}.`, { size: 9, soft: true });
  }
  const rest = Object.values(plan.supplies).filter((s) => s.colour !== null && !shown.has(s.id));
  if (rest.length === 0 && shown.size === 0) return pages.text('No thing has a colour yet.', { soft: true });
  if (rest.length > 0 && shown.size > 0) pages.heading('In no row', 2);
  for (const supply of [...rest].sort(compareBy('rainbow')))
    pages.row(SWATCH, [supply.name, whereOf(plan, supply)], { swatch: supply.colour! });
}

const BUY: Column[] = [{ share: 0.34, weight: 'bold' }, { share: 0.2 }, { share: 0.46, soft: true }];

function buying(pages: Pages, { plan, day }: Asked): void {
  pages.heading('To buy');
  const containers = shoppingList(plan).filter((r) => r.packs > 0);
  const things = toBuy(plan, day);
  if (containers.length + things.length === 0) return pages.text('Nothing is missing.', { soft: true });
  if (containers.length > 0) pages.heading('Containers', 2);
  for (const { organiser, packs, buy, where, spare } of containers)
    pages.row(
      BUY,
      [
        `${organiser.name}, ${size(plan, organiser)}`,
        `${packs} ${packs === 1 ? 'pack' : 'packs'}, ${buy} pieces${spare > 0 ? `, ${spare} over` : ''}`,
        where.map(({ place, count }) => `${count} in ${placeTitle(plan, place)}`).join('; '),
      ],
      { rule: true },
    );
  if (things.length > 0) pages.heading('Supplies that run out', 2);
  for (const { supply, packs } of things)
    pages.row(
      BUY,
      [supply.name, `${packs} ${packs === 1 ? 'pack' : 'packs'} of ${supply.packOf}`, whereOf(plan, supply)],
      { rule: true },
    );
}

/** Height a guillotine cuts at once, mm (as the screen begins with). */
const STACK = 1;

function cutting(pages: Pages, { plan }: Asked): void {
  pages.heading('Cutting');
  const pieces = Object.values(plan.cutPieces).sort(byName);
  if (pieces.length === 0) return pages.text('No pieces are kept cut.', { soft: true });
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  for (const p of pieces)
    pages.row(
      BUY,
      [
        `${p.name}, ${len(p.width)} × ${len(p.depth)}`,
        `${p.have} of ${p.keep}`,
        `from ${plan.supplies[p.supplyId]?.name ?? 'nothing'}; again below ${p.below}`,
      ],
      { rule: true },
    );
  const asked = pieces.flatMap((piece) => (missingOf(piece) > 0 ? [{ piece, count: missingOf(piece) }] : []));
  if (asked.length === 0) return;
  pages.heading('To be cut now', 2);
  const work = cutAhead(plan, asked, STACK);
  for (const paper of work.papers) {
    const list = work.lists.get(paper.id)!;
    pages.text(`${paper.name}: ${list.sheets} ${list.sheets === 1 ? 'sheet' : 'sheets'}`);
  }
}

const LABELLED: Record<Label, string> = {
  none: 'none yet',
  trial: 'on trial',
  permanent: 'on for good',
  inside: 'inside',
  learnt: 'known without',
};

function labels(pages: Pages, { plan }: Asked): void {
  pages.heading('Labels');
  const lines = Object.values(plan.places).flatMap((place) =>
    homesIn(plan, place.id).length > 0 ? [{ place, label: placeLabel(plan, place) }] : [],
  );
  if (lines.length === 0) return pages.text('Nothing lives anywhere yet.', { soft: true });
  for (const { place, label } of lines.sort((a, b) => COLLATOR.compare(a.label.name, b.label.name)))
    pages.row(BUY, [label.name, LABELLED[place.label], placeTitle(plan, place)], { rule: true });
  const asked = lines.filter(({ place }) => place.label === 'none' || place.label === 'trial');
  if (asked.length === 0) return;
  pages.heading('To cut out', 2);
  pages.text('Those that are not on for good yet; print at 100 % and cut along the lines.', { soft: true });
  pages.boxes(asked, LABEL, ({ label }, page, box, top) =>
    drawLabel({ page, type: pages.type }, label, { ...box, top }, NO_PICTURES, true),
  );
}

/** A label of plain paper, mm: three beside each other on either paper. */
const LABEL = { width: 60, height: 28 };
const NO_PICTURES = new Map<string, never>();

function seasons(pages: Pages, { plan }: Asked): void {
  pages.heading('Seasons');
  const boxes = seasonBoxes(plan).filter((b) => b.inRoom.length < 12);
  if (boxes.length === 0) return pages.text('Nothing comes and goes with the year.', { soft: true });
  for (const box of boxes)
    pages.row(
      BUY,
      [
        box.name,
        `${monthWords(box.inRoom)} in the room`,
        `${box.supplies.map((s) => s.name).join(', ')}${box.rests ? `; rests in ${placeTitle(plan, box.rests)}` : ''}`,
      ],
      { rule: true },
    );
}

const DAYS: Column[] = [{ share: 0.12 }, { share: 0.62 }, { share: 0.26 }];

/** The days on which something is to be done, with boxes to tick; what is left over, and what is to be bought by when. */
function days(pages: Pages, { plan }: Asked): void {
  pages.heading('Doing it');
  const doing = Object.values(plan.doings)[0];
  const rows = Object.values(plan.sittings)
    .filter((s) => plan.jobs[s.jobId] && plan.jobs[s.jobId]!.state !== 'struck')
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.from - b.from));
  if (!doing || rows.length === 0) return pages.text('No way to another plan is laid over days.', { soft: true });
  pages.text(
    `To ${doing.toName}. ${doing.livable ? 'Every evening the room can be used. ' : ''}Tick as you go; what slips is planned anew.`,
    { soft: true },
  );
  for (const on of new Set(rows.map((r) => r.on))) {
    const own = rows.filter((r) => r.on === on);
    pages.heading(dayWords(on), 2);
    for (const row of own) {
      const job = plan.jobs[row.jobId]!;
      const why = job.money ? `${job.why} Costs ${job.money}.` : job.why;
      const state = job.state === 'done' ? 'done' : job.state === 'half' ? 'half done' : 'not yet';
      pages.row(DAYS, [`${Math.round(row.to - row.from)} min`, job.name, state], { rule: true });
      if (why !== '') pages.text(why, { size: 9, soft: true, indent: 30 });
    }
  }
  const left = Object.values(plan.jobs).filter(
    (j) => (j.state === 'open' || j.state === 'half') && !rows.some((r) => r.jobId === j.id),
  );
  if (left.length === 0) return;
  pages.heading('No day for it yet', 2);
  for (const job of left.sort(byName))
    pages.row(DAYS, [`${Math.round(job.likely)} min`, job.name, job.why], { rule: true });
}

/** The chapters of a plan book, in their order. */
export const CHAPTERS = {
  room: { title: 'Floor and walls', write: floorAndWalls },
  zones: { title: 'Zones', write: zones },
  units: { title: 'What lives where', write: units },
  people: { title: 'People and seats', write: people },
  care: { title: 'With care', write: care },
  index: { title: 'Everything, A to Z', write: index },
  colours: { title: 'Colours', write: colours },
  buying: { title: 'To buy', write: buying },
  cutting: { title: 'Cutting', write: cutting },
  labels: { title: 'Labels', write: labels },
  seasons: { title: 'Seasons', write: seasons },
  days: { title: 'Doing it', write: days },
} as const satisfies Record<string, Chapter>;
export type ChapterName = keyof typeof CHAPTERS;
export const CHAPTER_NAMES = Object.keys(CHAPTERS) as ChapterName[];
