import { type KeyboardEvent, type ReactNode, useRef } from 'react';
import { useDrawnBox } from '../../ui/drawn-scale.ts';
import { halo } from '../../ui/halo.ts';
import { fitted, type Seen } from '../seen.ts';
import { UnitBeforeWall } from './UnitBeforeWall.tsx';
import { WallOutline } from './WallOutline.tsx';
import { type ThingsOnWall, useDragged } from './dragged.ts';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { frameOf, wallFront } from '@heronstone/core/room';

/** A wall as one stands before it, to scale, with everything on it and close before it. */
export function WallFront({
  plan,
  wallId,
  chosenUnit,
  onChooseUnit,
  things,
  over,
  className,
}: {
  plan: Plan;
  wallId: string;
  chosenUnit?: string | null;
  onChooseUnit?: (id: string) => void;
  things?: ThingsOnWall;
  /** what lies over the drawing, in the box that it fills */
  over?: (seen: Seen) => ReactNode;
  className?: string;
}) {
  const drawing = useRef<SVGSVGElement>(null);
  const size = useDrawnBox(drawing);
  const drag = useDragged(drawing, things);
  const frame = frameOf(plan, wallId);
  if (!frame) return <p className="p-4 text-soft">Once the walls close, this wall is drawn here from the front.</p>;
  const front = wallFront(plan, frame);
  const top = Math.max(...front.outline.map((p) => p.y));
  const pad = Math.max(220, frame.length * 0.05);
  const y = (mm: number) => top - mm;
  // letters of about 12 px where the wall is drawn some 620 × 270 px large, whether it is long or high
  const letter = 12 * Math.max((frame.length + 2 * pad) / 620, (top + pad * 1.6) / 270);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const box = { x: -pad, y: -pad * 0.4, w: frame.length + 2 * pad, h: top + pad * 1.6 };
  const seen = fitted(box, size);
  /** a thing that may be taken hold of */
  const held = (id: string, name: string) =>
    things && {
      role: 'button',
      tabIndex: 0,
      'aria-label': name,
      'aria-pressed': things.chosen === id,
      'data-thing': id,
      className: 'cursor-move touch-none',
      ...drag.of(id),
      onKeyDown: (e: KeyboardEvent) => {
        const step = e.shiftKey ? 100 : 10;
        const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
        if (!by && e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        if (by) things.onMove(id, by[0]!, by[1]!);
        else things.onChoose(id);
      },
    };
  const moved = (id: string) => (drag.now?.id === id ? `translate(${drag.now.right} ${-drag.now.up})` : undefined);
  const edge = (id: string) => (things?.chosen === id ? 'var(--heron)' : 'var(--ink)');
  return (
    <>
      <svg
        ref={drawing}
        onPointerMove={drag.onPointerMove}
        onPointerUp={drag.onPointerUp}
        onPointerCancel={drag.onPointerCancel}
        viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
        className={`select-none ${className ?? 'h-full w-full'}`}
        role="group"
        aria-label={`${frame.name} from the front`}
        fontSize={letter}
      >
        <WallOutline {...{ plan, frame, front, top, letter }} />
        {front.openings.map((o) => (
          <g
            key={o.opening.id}
            transform={moved(o.opening.id)}
            {...held(o.opening.id, `${o.opening.kind} on ${frame.name}`)}
          >
            <rect
              x={o.left}
              y={y(o.bottom + o.height)}
              width={o.width}
              height={o.height}
              fill={o.opening.kind === 'door' ? 'var(--stone)' : 'var(--turn)'}
              fillOpacity={o.opening.kind === 'door' ? 0.7 : 0.22}
              stroke={edge(o.opening.id)}
              strokeWidth={things?.chosen === o.opening.id ? 22 : 8}
            />
            {o.opening.kind === 'door' && (
              <circle
                cx={o.opening.hinge === 'left' ? o.left + o.width - 70 : o.left + 70}
                cy={y(1000)}
                r={28}
                fill="var(--ink)"
              />
            )}
          </g>
        ))}
        {front.units.map((u) => (
          <UnitBeforeWall
            key={u.unit.id}
            {...{ u, top, letter }}
            chosen={u.unit.id === chosenUnit}
            onChoose={onChooseUnit && (() => onChooseUnit(u.unit.id))}
          />
        ))}
        {front.fixtures.map((f) => (
          <g
            key={f.fixture.id}
            transform={moved(f.fixture.id)}
            {...held(f.fixture.id, `${f.fixture.name} on ${frame.name}`)}
          >
            <rect
              x={f.left}
              y={y(f.bottom + f.height)}
              width={f.width}
              height={f.height}
              fill="var(--walk)"
              fillOpacity={0.6}
              stroke={edge(f.fixture.id)}
              strokeWidth={things?.chosen === f.fixture.id ? 22 : 8}
            />
            <text
              x={f.left + f.width / 2}
              y={y(f.bottom) + letter}
              textAnchor="middle"
              fontSize={letter * 0.8}
              fill="var(--ink)"
              {...halo(20)}
            >
              {f.fixture.name}
            </text>
          </g>
        ))}
        <text x={frame.length / 2} y={top + letter * 1.5} textAnchor="middle" fill="var(--soft)">
          {frame.name}: {len(frame.length)} wide, {len(top)} high
        </text>
      </svg>
      {size.width > 0 && over?.({ ...seen, at: (p) => seen.at({ x: p.x, y: y(p.y) }) })}
    </>
  );
}
