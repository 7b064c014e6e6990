import { type Point } from './shapes.ts';

/** Where the foot of an upright edge was pressed. */
export const FootMark = ({ at, px }: { at: Point | null; px: number }) =>
  at && (
    <path
      d={`M${at.x - 8 * px} ${at.y}h${16 * px}M${at.x} ${at.y - 8 * px}v${16 * px}`}
      stroke="var(--heron)"
      strokeWidth={2.5 * px}
      pointerEvents="none"
      data-foot
    />
  );
