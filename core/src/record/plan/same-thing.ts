import { type Supply } from './rows/index.ts';

/** Sizes that differ by less than this are the same, mm. */
const ALIKE = 3;

type Told = Pick<Supply, 'colour' | 'grammage' | 'width' | 'depth' | 'height' | 'usual'>;

/** Whether nothing that is known of two entries of the same words tells them apart: size, colour or paper; what is only usual tells nothing. */
export function mayBeSame(a: Told, b: Told): boolean {
  const differ = (x: number | null, y: number | null) => x !== null && y !== null && Math.abs(x - y) > ALIKE;
  return (
    !(a.colour && b.colour && a.colour !== b.colour) &&
    !(a.grammage && b.grammage && a.grammage !== b.grammage) &&
    (['width', 'depth', 'height'] as const).every(
      (field) => a.usual.includes(field) || b.usual.includes(field) || !differ(a[field], b[field]),
    )
  );
}
