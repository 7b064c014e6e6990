type Cut = Pick<HTMLElement, 'scrollWidth' | 'clientWidth' | 'textContent' | 'title'>;

/** What a text that is cut says as its title; a whole one needs none. */
export const titleOf = ({ scrollWidth, clientWidth, textContent }: Cut): string =>
  scrollWidth > clientWidth ? (textContent ?? '').replace(/\s+/g, ' ').trim() : '';

/** Texts that are cut for want of room say themselves whole when they are pointed at or reached by keys. A title of their own stays. */
export function sayCutTexts(root: Document): void {
  const said = new WeakSet<HTMLElement>();
  const say = (event: Event) => {
    if (!(event.target instanceof Element)) return;
    const cut = event.target.closest<HTMLElement>('.truncate') ?? event.target.querySelector<HTMLElement>('.truncate');
    if (!cut || (cut.title !== '' && !said.has(cut))) return;
    said.add(cut);
    cut.title = titleOf(cut);
  };
  root.addEventListener('pointerover', say, { passive: true });
  root.addEventListener('focusin', say);
}
