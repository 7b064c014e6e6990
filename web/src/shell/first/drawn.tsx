import { useMemo } from 'react';
import { defaultsOf, placesOf, type UnitKind } from '@heronstone/core/catalogue';

/** A kind from the front. */
export function KindFront({ kind }: { kind: UnitKind }) {
  const { shape, places } = useMemo(() => {
    const of = defaultsOf(kind, 'metric');
    return { shape: of, places: placesOf(kind, of) };
  }, [kind]);
  // what is low is drawn a little larger: its drawers are to be seen
  const high = Math.max(1100, shape.height * 1.02);
  const wide = high;
  return (
    <svg viewBox={`${(shape.width - wide) / 2} 0 ${wide} ${high}`} className="h-20 w-full" aria-hidden>
      <rect
        x={0}
        y={high - shape.height}
        width={shape.width}
        height={shape.height}
        fill="var(--wood)"
        stroke="var(--wood-line)"
        strokeWidth={16}
      />
      {places.map((p) => (
        <rect
          key={`${p.row}.${p.column}.${p.part}`}
          x={p.left}
          y={high - p.bottom - p.height}
          width={p.width}
          height={p.height}
          fill="var(--paper)"
          stroke="var(--wood-line)"
          strokeWidth={12}
        />
      ))}
    </svg>
  );
}

const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 3, strokeLinejoin: 'round' } as const;
const foot = { fill: 'var(--wood)', stroke: 'var(--wood-line)', strokeWidth: 2 } as const;

/** A cupboard, the strip before it, and who stands there, from above. */
export function StripDrawn() {
  return (
    <svg viewBox="0 0 240 112" className="h-28 w-full" aria-hidden>
      <rect x={70} y={8} width={100} height={30} {...foot} />
      <path d="M70 38 h100" stroke="var(--ink)" strokeWidth={4} />
      <rect x={56} y={42} width={128} height={62} rx={4} {...line} strokeWidth={1.5} strokeDasharray="5 5" />
      <path d="M120 60 l12 26 q-12 -7 -24 0 z" fill="var(--heron)" />
    </svg>
  );
}

/** Four walls with their lengths to be, and a door. */
export function RoomDrawn() {
  return (
    <svg viewBox="0 0 240 112" className="h-28 w-full" aria-hidden>
      <path d="M52 10 h136 v92 h-80 M76 102 h-24 v-92" {...line} strokeWidth={4} />
      <path d="M108 102 a32 32 0 0 0 -32 -32 v32" {...line} strokeWidth={1.5} strokeDasharray="4 4" />
      {[
        [120, 24, '1'],
        [176, 60, '2'],
        [150, 96, '3'],
        [64, 60, '4'],
      ].map(([x, y, n]) => (
        <text key={n} x={x} y={y} fontSize={13} textAnchor="middle" fill="var(--soft)">
          {n}
        </text>
      ))}
    </svg>
  );
}

/** A room with what stands in it. */
export function FurnishedDrawn() {
  return (
    <svg viewBox="0 0 240 112" className="h-28 w-full" aria-hidden>
      <path d="M52 10 h136 v72 l-20 20 h-116 z" {...line} strokeWidth={4} />
      {[
        [92, 13, 60, 24],
        [55, 26, 16, 38],
        [168, 40, 17, 40],
        [80, 78, 40, 21],
        [130, 84, 26, 15],
      ].map(([x, y, w, h]) => (
        <rect key={x} x={x} y={y} width={w} height={h} {...foot} />
      ))}
      {[
        [110, 46],
        [134, 46],
        [152, 62],
      ].map(([x, y]) => (
        <path key={x} d={`M${x} ${y! - 6} l6 12 q-6 -4 -12 0 z`} fill="var(--heron)" />
      ))}
    </svg>
  );
}
