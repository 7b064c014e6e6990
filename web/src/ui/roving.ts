import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef } from 'react';

/** What takes part: marked in the markup, also drawn things. */
const ROWS = '[data-row]';
type Row = HTMLElement | SVGElement;

const rowsIn = (box: Element): Row[] => [...box.querySelectorAll<Row>(ROWS)];
const isChosen = (row: Row) =>
  row.matches('[aria-selected="true"], [aria-pressed="true"], [aria-current="true"], [aria-expanded="true"]');

/** The row to go to from another by an arrow key; undefined where there is none. */
function next(rows: readonly Row[], here: Row, key: string, flat: boolean): Row | undefined {
  const i = rows.indexOf(here);
  if (key === 'Home') return rows[0];
  if (key === 'End') return rows.at(-1);
  if (!flat) return key === 'ArrowDown' ? rows[i + 1] : key === 'ArrowUp' ? rows[i - 1] : undefined;
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
  if (!way) return undefined;
  const middle = (row: Row) => {
    const { left, top, width, height } = row.getBoundingClientRect();
    return { x: left + width / 2, y: top + height / 2 };
  };
  const from = middle(here);
  // nearest ahead; what lies aside counts double
  const far = (row: Row) => {
    const to = middle(row);
    const ahead = (to.x - from.x) * way[0]! + (to.y - from.y) * way[1]!;
    const aside = Math.abs((to.x - from.x) * way[1]! + (to.y - from.y) * way[0]!);
    return ahead < 1 ? Infinity : ahead + 2 * aside;
  };
  const best = rows.reduce((a, b) => (far(b) < far(a) ? b : a), here);
  return Number.isFinite(far(best)) ? best : undefined;
}

/**
 * One stop of the Tab key for a whole list: the arrow keys go from row to row, the next Tab leaves it. Going to a row chooses nothing.
 * @param flat rows lie beside each other too, as places of a front do
 */
export function useRoving<T extends Element>(
  flat = false,
): {
  ref: RefObject<T | null>;
  onKeyDown: (e: KeyboardEvent) => void;
} {
  const ref = useRef<T>(null);
  const last = useRef<Row | null>(null);
  useLayoutEffect(() => {
    const box = ref.current;
    if (!box) return;
    const settle = () => {
      const rows = rowsIn(box);
      const stop =
        rows.find((r) => r === document.activeElement) ??
        rows.find(isChosen) ??
        rows.find((r) => r === last.current) ??
        rows[0];
      for (const row of rows) row.setAttribute('tabindex', row === stop ? '0' : '-1');
      last.current = stop ?? null;
    };
    settle();
    box.addEventListener('focusin', settle);
    return () => box.removeEventListener('focusin', settle);
  });
  const onKeyDown = (e: KeyboardEvent) => {
    const here = (e.target as Element).closest<Row>(ROWS);
    if (!here || !ref.current) return;
    const to = next(rowsIn(ref.current), here, e.key, flat);
    if (!to) return;
    e.preventDefault();
    to.focus();
  };
  return { ref, onKeyDown };
}
