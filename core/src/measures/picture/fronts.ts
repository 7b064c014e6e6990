/**
 * Inside sizes of the rows or columns of a front, from the middles of the gaps between them and its two edges.
 * @param gaps mm from the edge, in any order; @param total from edge to edge, mm; @param board what stands between two, mm; @param edge board at the
 * edges, mm
 * @returns sizes in order, mm; null when two gaps are nearer to each other than a board
 */
export function sizesBetween(gaps: readonly number[], total: number, board: number, edge: number): number[] | null {
  const at = [...gaps].sort((a, b) => a - b);
  const bounds = [edge - board / 2, ...at, total - edge + board / 2];
  const sizes = bounds.slice(1).map((to, i) => to - bounds[i]! - board);
  return sizes.every((mm) => mm >= 5) ? sizes : null;
}
