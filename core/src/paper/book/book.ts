import { type Plan, type Station } from '../../record/plan/index.ts';
import { drawRound, type Paper } from '../drawings/index.ts';
import { formatLength } from '../../measures/lengths/index.ts';
import { dayWords } from '../../keeping/upkeep/index.ts';
import { type Faces } from '../type/index.ts';
import { type ChapterName, CHAPTER_NAMES, CHAPTERS } from './chapters.ts';
import { bind } from './binding.ts';
import { type Cut, LEAST_CUT, Pages } from './pages.ts';
import { doorOf, placeMap, unitMap } from './unit-map.ts';

/** A book or maps as printed: the letters the faces lack were printed as dots. */
export type Bound = { bytes: Uint8Array; pages: number; lacking: string[] };
export type PrintOptions = {
  paper: Paper;
  faces: Faces;
  /** today, yyyy-mm-dd */
  day: string;
  /** pictures of places and things, JPEG by hash: printed where maps are; none by default */
  photos?: ReadonlyMap<string, Uint8Array>;
  /** told how far it is, 0 … 1; where it returns a promise that is waited for, so that a worker can be told to stop */
  onProgress?: (share: number) => Promise<void> | void;
};
export type BookOptions = PrintOptions & {
  /** by default all, in their order */
  chapters?: readonly ChapterName[];
};
export type MapOptions = PrintOptions & {
  /** what every sheet is cut to: the inside of the door before what is mapped, where there is one, or a size */
  cut?: 'door' | Cut | null;
  /** every map says since when it is on trial; without it is for good */
  trial?: boolean;
};

/** Every word of a plan, so that the faces it needs are known beforehand. */
const allWords = (plan: Plan): string => JSON.stringify(plan);

const footOf = (plan: Plan, day: string): string => `${plan.head.name}, ${day}`;

/** The whole plan as one print: a cover with the room as seen from the first seat, contents, and the chapters asked for. */
export async function planBook(plan: Plan, options: BookOptions): Promise<Bound> {
  const { paper, faces, day, photos, chapters = CHAPTER_NAMES, onProgress = () => undefined } = options;
  const pages = await Pages.begin(paper, faces, allWords(plan), {
    ...{ title: plan.head.name, foot: footOf(plan, day), measure: plan.head.measure, photos },
  });
  cover(pages, plan, day);
  const wanted = CHAPTER_NAMES.filter((name) => chapters.includes(name));
  for (const [i, name] of wanted.entries()) {
    const tell = (share: number) => onProgress((i + share) / (wanted.length + 1));
    await tell(0);
    await CHAPTERS[name].write(pages, { plan, day, tell });
  }
  await onProgress(wanted.length / (wanted.length + 1));
  return bound(pages, await bind(pages));
}

function cover(pages: Pages, plan: Plan, day: string): void {
  pages.turn();
  pages.space(60);
  pages.text(plan.head.name, { size: 30, weight: 'bold' });
  pages.text(`Plan book of ${day}`, { soft: true });
  const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
  pages.text(
    [
      count(Object.keys(plan.units).length, 'unit', 'units'),
      count(Object.keys(plan.places).length, 'place', 'places'),
      count(Object.keys(plan.supplies).length, 'supply', 'supplies'),
    ].join(', '),
    { soft: true },
  );
  const [seat] = seatsOf(plan);
  if (!seat) return;
  pages.space(40);
  pages.text(`The room as it is seen from ${seat.name}`, { size: 9, soft: true });
  pages.drawing(drawRound(plan, seat), pages.fullHeight * 0.5, '', false);
}

/** The seats, the one most time is spent at first. */
function seatsOf(plan: Plan): Station[] {
  const hours = ({ activityId }: Station) => {
    const activity = plan.activities[activityId];
    // who works in the room sees it, not who takes things out of it
    return activity?.doneAt === 'here' ? activity.sessionsPerMonth * activity.minutes : 0;
  };
  return Object.values(plan.stations).sort((a, b) => hours(b) - hours(a) || (a.id < b.id ? -1 : 1));
}

const bound = (pages: Pages, bytes: Uint8Array): Bound => ({
  ...{ bytes, pages: pages.pdf.getPageCount(), lacking: [...pages.type.lacking].sort() },
});

/** What a map is of: everything, some units, or some places, by their ids. */
export type MapsOf = { units?: readonly string[]; places?: readonly string[] };

/**
 * Maps to stick inside doors: of each unit asked for, or one place a sheet.
 * @throws RangeError where nothing that is asked for is in the plan, or it is to be cut too small
 */
export async function planMaps(plan: Plan, of: MapsOf, options: MapOptions): Promise<Bound> {
  const { paper, faces, day, photos, cut = null, trial = false, onProgress = () => undefined } = options;
  if (cut !== null && cut !== 'door' && Math.min(cut.width, cut.height) < LEAST_CUT)
    throw new RangeError(`A map needs ${formatLength(LEAST_CUT, plan.head.measure)} of room at least.`);
  const pages = await Pages.begin(paper, faces, allWords(plan), {
    ...{ title: `${plan.head.name}: maps`, foot: footOf(plan, day), measure: plan.head.measure, photos },
  });
  const said = trial ? `On trial since ${dayWords(day)}: what you look for elsewhere, write here.` : '';
  const units = (of.units ?? []).flatMap((id) => plan.units[id] ?? []);
  const places = (of.places ?? []).flatMap((id) => plan.places[id] ?? []);
  if (units.length + places.length === 0) throw new RangeError('There is nothing to map.');
  for (const [i, unit] of units.entries()) {
    await onProgress(i / (units.length + places.length));
    pages.cutTo(cut === 'door' ? doorOf(plan, unit) : cut);
    await unitMap(pages, plan, unit, 1, said);
  }
  for (const [i, place] of places.entries()) {
    await onProgress((units.length + i) / (units.length + places.length));
    pages.cutTo(cut === 'door' ? doorOf(plan, plan.units[place.unitId]!, place) : cut);
    await placeMap(pages, plan, place, said);
  }
  return bound(pages, await bind(pages, null));
}
