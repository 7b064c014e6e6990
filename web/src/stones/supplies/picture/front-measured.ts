import { type Measured } from '@heronstone/core/picture';
import { type Unit } from '@heronstone/core/plan';

/** The larger doubt of two lengths, mm. */
export const doubtOf = (a: Measured | null, b: Measured | null): number =>
  Math.round(10 * Math.max(a?.plusMinus ?? 0, b?.plusMinus ?? 0)) / 10;

/**
 * What of a unit a picture of its front says: how it is split; and its two sides, unless it is by these that the picture was measured: then they are known no
 * better than before.
 * @param seen how exactly its sides are by the picture; null: not by it
 */
export const frontMeasured = (
  { width, height, rows, columns }: Pick<Unit, 'width' | 'height' | 'rows' | 'columns'>,
  found: Pick<Unit, 'rowSizes' | 'columnSizes'>,
  seen: { plusMinus: number } | null,
): Partial<Unit> => ({
  ...{ rows, columns, inserts: [] },
  ...{ rowSizes: rows > 1 ? found.rowSizes : [], columnSizes: columns > 1 ? found.columnSizes : [] },
  ...(seen ? { width, height, pictured: ['width', 'height'], ...seen } : {}),
});
