export const BANDS = ['hand', 'arm', 'turn', 'rise', 'walk', 'climb'] as const;

export const INK = { fill: 'none', stroke: 'var(--edge)', strokeWidth: 2 } as const;

export const WOOD = { fill: 'var(--wood)', stroke: 'var(--wood-line)', strokeWidth: 2 } as const;

export const SAID = { fontSize: 13, fill: 'var(--soft)', textAnchor: 'middle' } as const;
