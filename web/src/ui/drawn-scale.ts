import { type RefObject, useEffect, useState } from 'react';

/** No drawn letter is smaller, px. */
export const LEAST_LETTER = 11;

/** How large a drawing is on the screen, px; followed as that changes. */
export function useDrawnBox(drawing: RefObject<Element | null>): { width: number; height: number } {
  const [box, setBox] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const of = drawing.current;
    if (!of) return;
    const seen = new ResizeObserver(([entry]) => {
      if (entry) setBox({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    seen.observe(of);
    return () => seen.disconnect();
  }, [drawing]);
  return box;
}

/**
 * How many pixels a unit of a drawing is on the screen, as it is fitted into its box; followed as that changes.
 * @param width of the drawing in its own units; @param height likewise
 */
export function useDrawnScale(drawing: RefObject<SVGSVGElement | null>, width: number, height: number): number {
  const box = useDrawnBox(drawing);
  return Math.min(box.width / Math.max(1, width), box.height / Math.max(1, height));
}
