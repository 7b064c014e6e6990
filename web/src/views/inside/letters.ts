import { type LaidStack } from '@heronstone/core/fit';

type Shape = Pick<LaidStack, 'width' | 'depth'>;

/** Words run along a stack that is much deeper than wide. */
export const isUpright = ({ width, depth }: Shape): boolean => depth > width * 1.3;

/** Of the shorter side of a stack so much is for the height of a name, and of a number. */
const PART = { name: 0.45, number: 0.85 } as const;

/** How large letters on a stack are, mm: as its sides and the length of the words allow, at most a sixteenth of the place. */
export function lettersOn(stack: Shape, words: string, width: number, least: number): number {
  const [long, short] = isUpright(stack) ? [stack.depth, stack.width] : [stack.width, stack.depth];
  const part = /^\d+$/.test(words) ? PART.number : PART.name;
  return Math.min(short * part, (long / Math.max(5, words.length)) * 1.75, Math.max(width / 16, least));
}

/**
 * Things whose name goes onto none of their stacks, from the left, from the back: those that have room for a number instead, and those for which even that is too much.
 * @param nameOf what a stack is called
 * @param least letters smaller than this are not drawn, mm
 */
export function keyed(
  stacks: readonly (Shape & Pick<LaidStack, 'id' | 'x' | 'y'>)[],
  nameOf: (id: string) => string,
  width: number,
  least: number,
): { key: string[]; besides: string[] } {
  const takes = (words: (name: string) => string) =>
    new Set(stacks.filter((s) => lettersOn(s, words(nameOf(s.id)), width, least) >= least).map((s) => nameOf(s.id)));
  const [read, marked] = [takes((name) => name), takes(() => '10')];
  const inOrder = [...stacks].sort((a, b) => a.x - b.x || b.y - a.y).map((s) => nameOf(s.id));
  const unread = [...new Set(inOrder)].filter((name) => name !== '' && !read.has(name));
  return { key: unread.filter((name) => marked.has(name)), besides: unread.filter((name) => !marked.has(name)) };
}

/** What stands under a drawing for what has no name on it: “1 bobbins, 2 safety pins; besides thimble.” Empty: all has. */
export function keyWords({ key, besides }: { key: readonly string[]; besides: readonly string[] }): string {
  const parts = [
    ...(key.length > 0 ? [key.map((name, i) => `${i + 1} ${name}`).join(', ')] : []),
    ...(besides.length > 0 ? [`besides ${besides.join(', ')}`] : []),
  ];
  const words = parts.join('; ');
  return words === '' ? '' : `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}
