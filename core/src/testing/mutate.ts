/** Values that programs stumble over. */
const NASTY: readonly unknown[] = [
  null,
  '',
  ' ',
  '\0',
  'half \ud83d',
  'e\u0301'.repeat(60),
  '__proto__',
  'constructor',
  '../../etc',
  "'; DROP TABLE plans; --",
  '{"a":1}',
  'x'.repeat(3000),
  0,
  -0,
  -1,
  0.5,
  1e-320,
  1e308,
  2 ** 31,
  2 ** 53,
  99,
  true,
  [],
  {},
  [[]],
  ['flat', 'flat'],
];

const pick = <T>(list: readonly T[], random: () => number): T => list[Math.floor(random() * list.length)]!;

/** Every place in a value where something stands, as the object that holds it and the key. */
function spots(value: unknown, found: { holder: Record<string, unknown>; key: string }[] = []) {
  if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value)) {
      found.push({ holder: value as Record<string, unknown>, key });
      spots((value as Record<string, unknown>)[key], found);
    }
  return found;
}

/**
 * A copy of a value with one to three things in it changed: replaced by something nasty or by something that stands elsewhere in `others`,
 * left out, moved a little, or given a name twice.
 * @param random numbers in [0, 1)
 */
export function mutated<T>(value: T, others: readonly unknown[], random: () => number): T {
  const copy = structuredClone({ value });
  for (let times = 1 + Math.floor(random() * 3); times > 0; times--) {
    const all = spots(copy);
    const { holder, key } = pick(all.length > 0 ? all : [{ holder: {}, key: 'none' }], random);
    const now = holder[key];
    const way = random();
    const other = pick(spots(others), random);
    if (way < 0.35) holder[key] = structuredClone(pick(NASTY, random));
    else if (way < 0.6) holder[key] = structuredClone(other.holder[other.key]);
    else if (way < 0.7) delete holder[key];
    else if (way < 0.9 && typeof now === 'number') holder[key] = now * pick([-1, 0, 1e-9, 0.5, 2, 1000], random);
    else if (way < 0.9 && typeof now === 'string') holder[key] = now + pick(['x', '\0', ' ', '.0', '\ud800'], random);
    else holder[pick(['__proto__x', 'extra', 'id', 'type'], random)] = now;
  }
  return copy.value;
}
