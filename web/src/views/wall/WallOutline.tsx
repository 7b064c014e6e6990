import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { type frameOf, HEAD_HEIGHT, slopeHeight, type wallFront } from '@heronstone/core/room';

type Frame = NonNullable<ReturnType<typeof frameOf>>;

/** A wall by itself as one stands before it: its outline, where the ceiling slopes away, and up to where one stands upright. */
export function WallOutline({
  plan,
  frame,
  front,
  top,
  letter,
}: {
  plan: Plan;
  frame: Frame;
  front: ReturnType<typeof wallFront>;
  /** the highest point of the wall, and how large letters are, mm */
  top: number;
  letter: number;
}) {
  const y = (mm: number) => top - mm;
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  return (
    <>
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
          y={y(Math.min(top, slopeHeight(s, plan.head.ceiling, 0))) + letter * 1.2}
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
          <text
            x={frame.length - 40}
            y={y(HEAD_HEIGHT) - 20}
            textAnchor="end"
            fontSize={letter * 0.8}
            fill="var(--soft)"
          >
            head height {len(HEAD_HEIGHT)}
          </text>
        </g>
      )}
    </>
  );
}
