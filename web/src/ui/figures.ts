import { type Counted } from '../workers/homes.worker.ts';
import { countWords } from './words.ts';

/** The figures a plan is told by, under the same names wherever they stand; year, without and against add up to all. */
export const FIGURE_WORDS = {
  session: 'a session takes',
  year: 'a year takes',
  without: 'without a home',
  against: 'speaks against',
  all: 'in all',
  /** that, and what is set against how the room stands: glare, ways handed on, clearances */
  withRoom: 'with how the room stands',
} as const;

/** What each figure is made of; all of them together are the figure. */
export function partsOf(
  tally: Counted,
): { figure: keyof typeof FIGURE_WORDS; seconds: number; parts: [string, number][] }[] {
  const { walks, visits, bringing, overTable, looking, places, apart, names, again, heaped, counted } = tally;
  const some = (list: [string, number][]) => list.filter(([, s]) => Math.abs(s) >= 1);
  return [
    {
      figure: 'year',
      seconds: tally.year,
      parts: some([
        ['walks for one thing, and each thing’s own part of the others', walks],
        ['ways for several things got together', visits],
        ['boxes and carts brought and taken away', bringing],
        ['reaches over the table', overTable],
        ['looking for what is not remembered', looking],
      ]),
    },
    {
      figure: 'without',
      seconds: tally.withoutSeconds,
      parts: some([
        [
          countWords(tally.without, 'thing: an hour and 3 min a walk', 'things: an hour each and 3 min a walk'),
          tally.withoutSeconds,
        ],
      ]),
    },
    {
      figure: 'against',
      seconds: tally.against,
      parts: some([
        ['places things do not lie well in', places],
        ['families and shares that lie apart', apart],
        ['places that take more than one name', names],
        ['heaps of more than three kinds, drawers of more than six', heaped],
        ['finding again, counted more or less than it takes', again],
      ]),
    },
    { figure: 'all', seconds: tally.total, parts: some([['minutes that count more or less than one', counted]]) },
  ];
}
