const NONE: readonly never[] = [];

/**
 * Looks up the rows of a table that have something in common, found by index; the index is made once per table, when first asked for.
 * @param keyOf what a row is found by; null: not at all
 * @param order of the rows found together; as in the table where none is given
 */
export function groupedBy<R>(
  keyOf: (row: R) => string | null,
  order?: (a: R, b: R) => number,
): (table: Readonly<Record<string, R>>, key: string) => readonly R[] {
  const known = new WeakMap<object, Map<string, R[]>>();
  return (table, key) => {
    let groups = known.get(table);
    if (!groups) {
      known.set(table, (groups = new Map()));
      for (const row of Object.values(table)) {
        const of = keyOf(row);
        if (of === null) continue;
        const group = groups.get(of);
        if (group) group.push(row);
        else groups.set(of, [row]);
      }
      if (order) for (const group of groups.values()) group.sort(order);
    }
    return groups.get(key) ?? NONE;
  };
}
