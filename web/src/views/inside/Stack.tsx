import { halo } from '../../ui/halo.ts';
import { type LaidStack } from '@heronstone/core/fit';

export function Stack({
  stack,
  y,
  words,
  fill,
  width,
  least,
}: {
  stack: LaidStack;
  y: number;
  words: string;
  fill: string;
  width: number;
  /** letters smaller than this are not drawn */
  least: number;
}) {
  const upright = stack.depth > stack.width * 1.3;
  const [long, short] = upright ? [stack.depth, stack.width] : [stack.width, stack.depth];
  const size = Math.min(short * 0.45, (long / Math.max(5, words.length)) * 1.75, Math.max(width / 16, least));
  return (
    <g>
      <rect
        x={stack.x + 1}
        y={y + 1}
        width={Math.max(1, stack.width - 2)}
        height={Math.max(1, stack.depth - 2)}
        rx={3}
        fill={fill}
        fillOpacity={0.5}
        stroke="var(--ink)"
        strokeWidth={1.5}
      >
        <title>
          {words}, {stack.pieces}
        </title>
      </rect>
      {size >= least && (
        <text
          transform={`translate(${stack.x + stack.width / 2} ${y + stack.depth / 2}) ${upright ? 'rotate(-90)' : ''}`}
          fontSize={size}
          textAnchor="middle"
          dominantBaseline="middle"
          fill="var(--ink)"
          {...halo(size / 5)}
          pointerEvents="none"
        >
          {words}
          {stack.pieces > 1 ? ` ×${stack.pieces}` : ''}
        </text>
      )}
    </g>
  );
}
