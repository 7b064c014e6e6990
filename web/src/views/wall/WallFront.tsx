import { halo } from '../../ui/halo.ts';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { HEAD_HEIGHT, frameOf, slopeHeight, wallFront } from '@heronstone/core/room';

/** A wall as one stands before it, to scale, with everything on it and close before it. */
export function WallFront({
  plan,
  wallId,
  chosenUnit,
  onChooseUnit,
  className,
}: {
  plan: Plan;
  wallId: string;
  chosenUnit?: string | null;
  onChooseUnit?: (id: string) => void;
  className?: string;
}) {
  const frame = frameOf(plan, wallId);
  if (!frame) return <p className="p-4 text-soft">Once the walls close, this wall is drawn here from the front.</p>;
  const front = wallFront(plan, frame);
  const top = Math.max(...front.outline.map((p) => p.y));
  const pad = Math.max(220, frame.length * 0.05);
  const y = (mm: number) => top - mm;
  // letters of about 12 px where the wall is drawn some 620 × 270 px large, whether it is long or high
  const size = 12 * Math.max((frame.length + 2 * pad) / 620, (top + pad * 1.6) / 270);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  return (
    <svg
      viewBox={`${-pad} ${-pad * 0.4} ${frame.length + 2 * pad} ${top + pad * 1.6}`}
      className={className ?? 'h-full w-full'}
      role="group"
      aria-label={`${frame.name} from the front`}
      fontSize={size}
    >
      <polygon
        points={front.outline.map((p) => `${p.x},${y(p.y)}`).join(' ')}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={18}
      />
      {front.slopes.map((s) => (
        <text
          key={s.id}
          x={frame.length / 2}
          y={y(Math.min(top, slopeHeight(s, plan.head.ceiling, 0))) + size * 1.2}
          textAnchor="middle"
          fill="var(--soft)"
        >
          slopes away from {len(s.knee)}
        </text>
      ))}
      {front.sloped && (
        <g>
          <line
            x1={0}
            x2={frame.length}
            y1={y(HEAD_HEIGHT)}
            y2={y(HEAD_HEIGHT)}
            stroke="var(--soft)"
            strokeWidth={6}
            strokeDasharray="60 36"
          />
          <text x={frame.length - 40} y={y(HEAD_HEIGHT) - 20} textAnchor="end" fontSize={size * 0.8} fill="var(--soft)">
            head height {len(HEAD_HEIGHT)}
          </text>
        </g>
      )}
      {front.openings.map((o) => (
        <g key={o.opening.id}>
          <rect
            x={o.left}
            y={y(o.bottom + o.height)}
            width={o.width}
            height={o.height}
            fill={o.opening.kind === 'door' ? 'var(--stone)' : 'var(--turn)'}
            fillOpacity={o.opening.kind === 'door' ? 0.7 : 0.22}
            stroke="var(--ink)"
            strokeWidth={8}
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
        <g
          key={u.unit.id}
          role={onChooseUnit ? 'button' : undefined}
          tabIndex={onChooseUnit ? 0 : undefined}
          aria-label={onChooseUnit ? `${u.unit.name} on the wall front` : undefined}
          className={onChooseUnit ? 'cursor-pointer' : undefined}
          onClick={() => onChooseUnit?.(u.unit.id)}
          onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onChooseUnit?.(u.unit.id)}
        >
          <rect
            x={u.left}
            y={y(u.bottom + u.height)}
            width={u.width}
            height={u.height}
            fill="var(--wood)"
            fillOpacity={0.85}
            stroke={u.unit.id === chosenUnit ? 'var(--heron)' : 'var(--wood-line)'}
            strokeWidth={u.unit.id === chosenUnit ? 26 : 10}
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
              y={y(u.bottom + u.height) + (u.bottom + u.height + size * 1.3 > top ? size * 1.2 : -18)}
              textAnchor="middle"
              fill="var(--ink)"
              {...halo(24)}
            >
              {u.unit.name}
            </text>
          )}
        </g>
      ))}
      {front.fixtures.map((f) => (
        <g key={f.fixture.id}>
          <rect
            x={f.left}
            y={y(f.bottom + f.height)}
            width={f.width}
            height={f.height}
            fill="var(--walk)"
            fillOpacity={0.6}
            stroke="var(--ink)"
            strokeWidth={8}
          />
          <text
            x={f.left + f.width / 2}
            y={y(f.bottom) + size}
            textAnchor="middle"
            fontSize={size * 0.8}
            fill="var(--ink)"
            {...halo(20)}
          >
            {f.fixture.name}
          </text>
        </g>
      ))}
      <text x={frame.length / 2} y={top + size * 1.5} textAnchor="middle" fill="var(--soft)">
        {frame.name}: {len(frame.length)} wide, {len(top)} high
      </text>
    </svg>
  );
}
