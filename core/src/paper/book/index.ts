export {
  type Bound,
  type BookOptions,
  type MapOptions,
  type MapsOf,
  type PrintOptions,
  planBook,
  planMaps,
} from './book.ts';
export { type ChapterName, CHAPTER_NAMES, CHAPTERS, whereOf } from './chapters.ts';
export { type Cut, LEAST_CUT } from './pages.ts';
export { doorOf, type MapLine, mapLines, thingsIn } from './unit-map.ts';
