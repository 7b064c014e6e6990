/** Pages of the guide in the order in which one reads them: the names of their files in docs/guide. */
export const PAGES = [
  'one-cupboard',
  'my-room',
  'furniture',
  'activities',
  'things',
  'pictures',
  'homes',
  'carrying-over',
  'keeping-up',
  'on-the-phone',
  'on-paper',
] as const;
export type Page = (typeof PAGES)[number];

const OF_STONE: Record<string, Page> = {
  ...{ room: 'my-room', furniture: 'furniture', activities: 'activities', supplies: 'things' },
  ...{ homes: 'homes', tryout: 'carrying-over', keepup: 'keeping-up' },
};
const OF_VIEW: Record<string, Page> = { picture: 'pictures', crossing: 'carrying-over', doing: 'carrying-over' };

/** The page that speaks of where one is: a stone and the view of it that is open. */
export const pageOf = (stone: string, view: string | null): Page =>
  OF_VIEW[view ?? ''] ?? OF_STONE[stone] ?? 'one-cupboard';

/** What a page is called: its heading. */
export const titleOf = (text: string): string => /^# (.*)$/m.exec(text)?.[1] ?? '';

/** Where a link of a page leads: another page; null: out of the guide, where the app does not go. */
export function linked(href: string): Page | null {
  const name = /^([a-z-]+)\.md$/.exec(href)?.[1];
  return PAGES.find((p) => p === name) ?? null;
}
