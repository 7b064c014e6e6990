import { halo } from '../../ui/halo.ts';
import { type LaidStack } from '@heronstone/core/fit';
import { isUpright, lettersOn } from './letters.ts';

/** What lies in a place, drawn where it lies, with its name or number on it. */
export function Stack({
  stack,
  y,
  words,
  label,
  fill,
  width,
  least,
}: {
  stack: LaidStack;
  y: number;
  words: string;
  /** what is written on it: its name, or its number in the key */
  label: string;
  fill: string;
  width: number;
  /** letters smaller than this are not drawn */
  least: number;
}) {
  const upright = isUpright(stack);
  const size = lettersOn(stack, label, width, least);
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
          {label}
          {label === words && stack.pieces > 1 ? ` ×${stack.pieces}` : ''}
        </text>
      )}
    </g>
  );
}
