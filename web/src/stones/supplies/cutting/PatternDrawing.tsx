import { useId } from 'react';
import { type Cut, drawnOf } from '@heronstone/core/cutting';
import { type CutPiece } from '@heronstone/core/plan';

/** A sheet with its pieces, to scale: what is left over hatched, the cuts numbered. */
export function PatternDrawing({
  cut,
  counts,
  colour,
  kinds,
}: {
  cut: Cut;
  counts: readonly number[];
  colour: string | null;
  kinds: readonly CutPiece[];
}) {
  const { width, depth } = cut;
  const { laid, left, strokes } = drawnOf(cut);
  const hatch = useId();
  const text = Math.max(width, depth) / 19;
  return (
    <svg
      viewBox={`${-text} ${-text} ${width + 2 * text} ${depth + 2 * text}`}
      className="max-h-72 w-full"
      role="img"
      aria-label={`Pattern: ${kinds.flatMap((k, n) => (counts[n]! > 0 ? [`${counts[n]} ${k.name}`] : [])).join(', ')}`}
    >
      <defs>
        <pattern
          id={hatch}
          width={text / 2}
          height={text / 2}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line y2={text / 2} stroke="var(--edge)" strokeWidth={text / 10} />
        </pattern>
      </defs>
      <rect width={width} height={depth} fill="var(--paper)" stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
      {left.map((l, i) => (
        <rect key={i} x={l.x} y={l.y} width={l.width} height={l.depth} fill={`url(#${hatch})`} />
      ))}
      {laid.map((l, i) => (
        <g key={i}>
          <rect
            x={l.x}
            y={l.y}
            width={l.width}
            height={l.depth}
            fill={colour ?? 'var(--wood)'}
            fillOpacity={0.55}
            stroke="var(--ink)"
            vectorEffect="non-scaling-stroke"
          />
          <text
            x={l.x + l.width / 2}
            y={l.y + l.depth / 2}
            fontSize={text}
            textAnchor="middle"
            dominantBaseline="central"
            fill="var(--ink)"
          >
            {kinds[l.piece]!.name}
          </text>
        </g>
      ))}
      {strokes.map((s, i) => {
        const [x1, y1, x2, y2] =
          s.across === 'width'
            ? [s.x + s.at, s.y, s.x + s.at, s.y + s.depth]
            : [s.x, s.y + s.at, s.x + s.width, s.y + s.at];
        return (
          <g key={i}>
            <line
              x1={x1}
              y1={y1}
              x2={x2}
              y2={y2}
              stroke="var(--heron)"
              strokeDasharray="6 3"
              strokeWidth={2}
              vectorEffect="non-scaling-stroke"
            />
            <circle cx={x1} cy={y1} r={text * 0.75} fill="var(--heron)" />
            <text x={x1} y={y1} fontSize={text} textAnchor="middle" dominantBaseline="central" fill="var(--on-heron)">
              {i + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
