/** The fields about to be changed as they are on screen: sent along so that another tab's change is not overwritten unseen. */
export function asSeen<R extends object>(row: R, change: Partial<R>): Partial<R> {
  return Object.fromEntries(Object.keys(change).map((k) => [k, row[k as keyof R]])) as Partial<R>;
}
