import { useSyncExternalStore } from 'react';

/** How much room there is: a phone in the hand, a tablet, a table. One shell each. */
export type Width = 'phone' | 'tablet' | 'wide';

const phone = window.matchMedia('(max-width: 639px)');
const tablet = window.matchMedia('(max-width: 1023px)');

const now = (): Width => (phone.matches ? 'phone' : tablet.matches ? 'tablet' : 'wide');

function listen(changed: () => void): () => void {
  for (const query of [phone, tablet]) query.addEventListener('change', changed);
  return () => [phone, tablet].forEach((query) => query.removeEventListener('change', changed));
}

export const useWidth = (): Width => useSyncExternalStore(listen, now);
