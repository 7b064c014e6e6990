/** So many letters are named. */
const NAMED = 12;

/** Which letters a print has dots for; null: none. */
export function lackingWords(lacking: readonly string[]): string | null {
  if (lacking.length === 0) return null;
  const more = lacking.length - NAMED;
  const some = `${lacking.slice(0, NAMED).join(' ')}${more > 0 ? ` and ${more} more` : ''}`;
  return `The print’s letters lack ${some}: a dot stands for each of them.`;
}
