import { type FloorMap } from '@heronstone/core/stations';
import { SHADES, shadeLimits } from './shades.ts';
import { path, type Turn } from './turn.ts';

/** Yearly seconds over the floor, and the best spots with their rank. */
export function HeatMap({ map, turn, scale }: { map: FloorMap; turn: Turn; scale: number }) {
  const limits = shadeLimits(map.seconds);
  const half = map.step / 2;
  return (
    <g pointerEvents="none" data-map>
      {[...map.seconds].map((s, i) => {
        if (Number.isNaN(s)) return null;
        const x = map.x + (i % map.columns) * map.step;
        const y = map.y + Math.floor(i / map.columns) * map.step;
        const corners = [
          { x: x - half, y: y - half },
          { x: x + half, y: y - half },
          { x: x + half, y: y + half },
          { x: x - half, y: y + half },
        ];
        const shade = limits.filter((l) => s >= l).length;
        return <path key={i} d={`${path(corners.map((p) => turn(p)))}Z`} fill={SHADES[shade]} fillOpacity={0.62} />;
      })}
      {map.best.map((b, i) => {
        const p = turn(b);
        return (
          <g key={`${b.x} ${b.y}`} data-best>
            <circle
              cx={p.x}
              cy={p.y}
              r={13 * scale}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={1.6 * scale}
            />
            <text
              x={p.x}
              y={p.y}
              fontSize={15 * scale}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--ink)"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
