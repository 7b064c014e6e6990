export { type Bound, type BookOptions, type MapsOf, planBook, planMaps } from './book.ts';
export { type ChapterName, CHAPTER_NAMES, CHAPTERS, whereOf } from './chapters.ts';
export { type MapLine, mapLines, thingsIn } from './unit-map.ts';
