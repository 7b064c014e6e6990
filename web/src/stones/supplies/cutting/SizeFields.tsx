import { LengthField } from '../../../ui/fields/index.ts';

/** Width and depth of a piece, mm; null while not said. */
export type Size = { width: number | null; depth: number | null };
export const NO_SIZE: Size = { width: null, depth: null };

/** A width and a depth to be typed. */
export function SizeFields({ size, onSize }: { size: Size; onSize: (size: Size) => void }) {
  const field = (side: keyof Size) => (
    <LengthField
      label={side}
      empty=""
      optional
      positive
      mm={size[side]}
      onCommit={(mm) => onSize({ ...size, [side]: mm })}
    />
  );
  return (
    <>
      {field('width')}
      {field('depth')}
    </>
  );
}
