/**
 * Letters on what has a colour of its own are edged with paper, so that they are read on any of them.
 * @param width of the edge, half of it outside the letters, in the drawing’s own measure
 */
export const halo = (width: number) =>
  ({ stroke: 'var(--paper)', strokeWidth: width, strokeLinejoin: 'round', paintOrder: 'stroke' }) as const;
