import { type wallFront } from '@heronstone/core/room';
import { halo } from '../../ui/halo.ts';

/** A unit close before a wall, with its places. */
export function UnitBeforeWall({
  u,
  top,
  letter,
  chosen,
  onChoose,
}: {
  u: ReturnType<typeof wallFront>['units'][number];
  /** the highest point of the wall, and how large letters are, mm */
  top: number;
  letter: number;
  chosen: boolean;
  onChoose: (() => void) | undefined;
}) {
  const y = (mm: number) => top - mm;
  return (
    <g
      role={onChoose ? 'button' : undefined}
      tabIndex={onChoose ? 0 : undefined}
      aria-label={onChoose ? `${u.unit.name} on the wall front` : undefined}
      className={onChoose ? 'cursor-pointer' : undefined}
      onClick={onChoose}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onChoose?.()}
    >
      <rect
        x={u.left}
        y={y(u.bottom + u.height)}
        width={u.width}
        height={u.height}
        fill="var(--wood)"
        fillOpacity={0.85}
        stroke={chosen ? 'var(--heron)' : 'var(--wood-line)'}
        strokeWidth={chosen ? 26 : 10}
      />
      {u.places.map((p) => (
        <rect
          key={p.place.id}
          x={p.left}
          y={y(p.bottom + p.height)}
          width={p.width}
          height={p.height}
          fill="var(--paper)"
          stroke="var(--wood-line)"
          strokeWidth={5}
        />
      ))}
      {/* what is under a top is named by the list; its name would lie over the top’s */}
      {u.unit.mount !== 'under' && (
        <text
          x={u.left + u.width / 2}
          y={y(u.bottom + u.height) + (u.bottom + u.height + letter * 1.3 > top ? letter * 1.2 : -18)}
          textAnchor="middle"
          fill="var(--ink)"
          {...halo(24)}
        >
          {u.unit.name}
        </text>
      )}
    </g>
  );
}
