/** A new id, its first letters telling what it is for: `unit-3f9k2a7c`. Not a secret. */
export function newId(kind: string): string {
  const random = Array.from({ length: 10 }, () => Math.floor(Math.random() * 36).toString(36)).join('');
  return `${kind}-${random}`;
}
