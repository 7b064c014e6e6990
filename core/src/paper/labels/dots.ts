/** Dots are told apart by colour and by shape: who does not see the colour sees the shape. */
export const DOTS = [
  { name: 'blue round', colour: '#2b6a8f', shape: 'round' },
  { name: 'red square', colour: '#a8402f', shape: 'square' },
  { name: 'green triangle', colour: '#4c7a3d', shape: 'triangle' },
  { name: 'yellow ring', colour: '#b98a1d', shape: 'ring' },
  { name: 'black bar', colour: '#24333b', shape: 'bar' },
  { name: 'violet cross', colour: '#6f4a86', shape: 'cross' },
] as const;

/** A dot as an SVG path within a square of side 1. */
export const DOT_PATHS: Record<(typeof DOTS)[number]['shape'], string> = {
  round: 'M0.5 0.05A0.45 0.45 0 0 1 0.5 0.95A0.45 0.45 0 0 1 0.5 0.05Z',
  square: 'M0.1 0.1H0.9V0.9H0.1Z',
  triangle: 'M0.5 0.06L0.96 0.9H0.04Z',
  ring: 'M0.5 0.05A0.45 0.45 0 0 1 0.5 0.95A0.45 0.45 0 0 1 0.5 0.05ZM0.5 0.28A0.22 0.22 0 0 0 0.5 0.72A0.22 0.22 0 0 0 0.5 0.28Z',
  bar: 'M0.05 0.36H0.95V0.64H0.05Z',
  cross: 'M0.36 0.05H0.64V0.36H0.95V0.64H0.64V0.95H0.36V0.64H0.05V0.36H0.36Z',
};

export const dotWords = (dots: readonly number[]): string => dots.map((d) => DOTS[d]?.name ?? '?').join(', ');
