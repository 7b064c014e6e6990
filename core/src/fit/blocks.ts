/** Inside of a place, mm. */
export type Cavity = { width: number; depth: number; height: number };
/** One piece: outer sizes as it lies flat, mm. */
export type Block = { width: number; depth: number; height: number };

export type BlockFit = {
  /** how many go in at all */
  fits: number;
  /** width of the place taken by the wanted number, each column to the full depth, mm */
  frontage: number;
  columns: number;
  rows: number;
  layers: number;
  /** the piece as it is turned in the place */
  turned: Block;
};

/** Free space on each side of every piece, mm (docs/computation.md 5.1). */
const MARGIN = 2;

export type Way = 'flat' | 'edge' | 'upright' | 'hanging';

/** The orientations that the allowed ways of lying give: flat on its largest face, on its long edge, upright on its smallest. */
function orientations(block: Block, ways: readonly Way[]): Block[] {
  const [small, middle, large] = [block.width, block.depth, block.height].sort((a, b) => a - b) as [
    number,
    number,
    number,
  ];
  const out: Block[] = [];
  const add = (height: number, a: number, b: number) => {
    out.push({ width: a, depth: b, height });
    if (a !== b) out.push({ width: b, depth: a, height });
  };
  if (ways.includes('flat')) add(small, middle, large);
  if (ways.includes('edge')) add(middle, small, large);
  if (ways.includes('upright')) add(large, small, middle);
  return out;
}

/**
 * The orientation of equal blocks that holds the wanted number in the least frontage (ties: the one that holds most).
 * @param wanted how many should go in; the frontage is for as many of them as fit
 * @param stackLimit at most so many on top of each other; null: no limit
 * @returns null when not even one goes in
 */
export function fitBlocks(
  cavity: Cavity,
  block: Block,
  wanted: number,
  ways: readonly Way[],
  stackLimit: number | null,
): BlockFit | null {
  let best: BlockFit | null = null;
  for (const turned of orientations(block, ways)) {
    const columns = Math.floor((cavity.width + 1e-9) / (turned.width + 2 * MARGIN));
    const rows = Math.floor((cavity.depth + 1e-9) / (turned.depth + 2 * MARGIN));
    const layers = Math.min(Math.floor((cavity.height + 1e-9) / (turned.height + 2 * MARGIN)), stackLimit ?? Infinity);
    const fits = columns * rows * layers;
    if (fits < 1) continue;
    const used = Math.ceil(Math.min(Math.max(wanted, 1), fits) / (rows * layers));
    const frontage = used * (turned.width + 2 * MARGIN);
    const holdsAll = fits >= wanted;
    const bestHoldsAll = best !== null && best.fits >= wanted;
    const better =
      best === null ||
      (holdsAll !== bestHoldsAll
        ? holdsAll
        : holdsAll
          ? frontage < best.frontage - 1e-9 || (frontage < best.frontage + 1e-9 && fits > best.fits)
          : fits > best.fits);
    if (better) best = { fits, frontage, columns, rows, layers, turned };
  }
  return best;
}
