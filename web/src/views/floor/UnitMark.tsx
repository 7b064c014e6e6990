import { type KeyboardEvent, memo } from 'react';
import { factsOf } from '@heronstone/core/catalogue';
import { type Point, prismFootprint } from '@heronstone/core/geometry';
import { type Unit } from '@heronstone/core/plan';
import { unitPrism } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { useHover } from '../../state/selection.ts';
import { type Grab, path, type Turn } from './turn.ts';

/** A unit from above, its front a thicker line. */
export const UnitMark = memo(function UnitMark({
  unit,
  turn,
  scale,
  chosen,
  clash,
  marked,
  names,
  onGrab,
  onChoose,
  onKey,
  onBrush,
}: {
  unit: Unit;
  turn: Turn;
  scale: number;
  chosen: boolean;
  clash: boolean;
  marked: boolean;
  names: boolean;
  onGrab?: Grab | undefined;
  onChoose?: ((id: string | null) => void) | undefined;
  onKey?: ((unit: Unit, e: KeyboardEvent) => void) | undefined;
  onBrush?: ((id: string) => void) | undefined;
}) {
  const hovered = useHover(
    (s) => s.unit === unit.id || (s.place !== null && usePlan.getState().plan.places[s.place]?.unitId === unit.id),
  );
  const corners = prismFootprint(unitPrism(unit)).map((p) => turn(p));
  const raised = unit.mount !== 'floor';
  const centre = turn(unit);
  const [fl, fr] = corners as [Point, Point];
  const xs = corners.map((c) => c.x);
  const ys = corners.map((c) => c.y);
  const wide = Math.max(...xs) - Math.min(...xs);
  const high = Math.max(...ys) - Math.min(...ys);
  const upright = high > wide * 1.15;
  // about half an em a letter; a name that would be smaller than can be read is left to the pointer
  const size = Math.min(15, (Math.max(wide, high) / scale / Math.max(5, unit.name.length)) * 1.75);
  return (
    <g
      role="button"
      tabIndex={onChoose ? 0 : -1}
      aria-label={unit.name}
      aria-pressed={chosen}
      data-unit={unit.id}
      className={`outline-none ${onGrab ? 'cursor-move' : onChoose ? 'cursor-pointer' : ''}`}
      // what is pressed is chosen when it is let go: nothing on the screen may move between press and release
      onPointerDown={(e) => {
        e.stopPropagation();
        onGrab?.('unit', unit.id, unit, e);
        // touch keeps the pointer with what it pressed; a brush goes on to what it comes over
        if (onBrush) (e.target as Element).releasePointerCapture(e.pointerId);
        onBrush?.(unit.id);
      }}
      onClick={() => !onGrab && onChoose?.(unit.id)}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onChoose?.(unit.id);
        } else onKey?.(unit, e);
      }}
      onPointerEnter={(e) => {
        useHover.setState({ unit: unit.id });
        if (e.buttons === 1) onBrush?.(unit.id);
      }}
      onPointerLeave={() => useHover.setState({ unit: null })}
    >
      <path
        d={`${path(corners)}Z`}
        fill={marked ? 'var(--clash)' : 'var(--wood)'}
        fillOpacity={marked ? 0.3 : raised ? 0.35 : factsOf(unit.kind).body === 'top' ? 0.5 : 0.9}
        stroke={chosen ? 'var(--heron)' : clash ? 'var(--clash)' : hovered ? 'var(--ink)' : 'var(--wood-line)'}
        strokeWidth={(chosen ? 3 : hovered ? 2.4 : 1.2) * scale}
        strokeDasharray={raised ? `${5 * scale} ${4 * scale}` : undefined}
      />
      <path d={path([fl, fr])} stroke={chosen ? 'var(--heron)' : 'var(--wood-line)'} strokeWidth={3 * scale} />
      {names && size >= 11 ? (
        <text
          transform={`translate(${centre.x} ${centre.y}) ${upright ? 'rotate(-90)' : ''}`}
          fontSize={size * scale}
          textAnchor="middle"
          dominantBaseline="middle"
          fill="var(--ink)"
          pointerEvents="none"
        >
          {unit.name}
        </text>
      ) : (
        <title>{unit.name}</title>
      )}
    </g>
  );
});
