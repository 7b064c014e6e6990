import { type Point } from '@heronstone/core/geometry';
import { type Plan, roomOf, wallsInOrder } from '@heronstone/core/plan';
import { path, type Turn } from './turn.ts';
import { LETTER, wallLabel, wallWords } from './wall-labels.ts';

/** Walls with their openings, and the gap where they do not close. */
export function RoomLines({
  plan,
  turn,
  scale,
  measures,
  chosenWall,
}: {
  plan: Plan;
  turn: Turn;
  scale: number;
  measures: boolean;
  chosenWall: string | null;
}) {
  const survey = roomOf(plan);
  const walls = wallsInOrder(plan);
  if (walls.length === 0) return null;
  const closed = survey.closes;
  const corners = closed ? survey.outline : survey.walked;
  const n = walls.length;
  const end = (i: number) => (closed ? corners[(i + 1) % n]! : corners[i + 1]!);
  return (
    <g>
      <path
        d={`${path(corners.map((p) => turn(p)))}${closed ? 'Z' : ''}`}
        fill={closed ? 'var(--paper)' : 'none'}
        stroke="var(--ink)"
        strokeWidth={5 * scale}
        strokeLinejoin="round"
      />
      {!closed && walls.length > 2 && (
        <path
          d={path([turn(corners[n]!), turn(corners[0]!)])}
          stroke="var(--clash)"
          strokeWidth={2.5 * scale}
          strokeDasharray={`${8 * scale} ${6 * scale}`}
          fill="none"
        />
      )}
      {walls.map((wall, i) => {
        const a = corners[i]!;
        const b = end(i);
        const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
        const along = (mm: number): Point => ({
          x: a.x + ((b.x - a.x) * mm) / long,
          y: a.y + ((b.y - a.y) * mm) / long,
        });
        const side = { x: -(b.y - a.y) / long, y: (b.x - a.x) / long };
        const label = wallLabel(a, b, turn, scale);
        return (
          <g key={wall.id}>
            {wall.id === chosenWall && (
              <path d={path([turn(a), turn(b)])} stroke="var(--heron)" strokeWidth={9 * scale} fill="none" />
            )}
            {Object.values(plan.openings)
              .filter((o) => o.wallId === wall.id)
              .map((o) => {
                const from = along(o.left);
                const to = along(Math.min(long, o.left + o.width));
                const swing =
                  o.kind === 'door'
                    ? doorSwing(
                        o.hinge === 'left' ? from : to,
                        o.hinge === 'left' ? to : from,
                        side,
                        o.swing === 'in' ? -1 : 1,
                        o.width,
                      )
                    : null;
                return (
                  <g key={o.id}>
                    <path d={path([turn(from), turn(to)])} stroke="var(--paper)" strokeWidth={6 * scale} />
                    <path
                      d={path([turn(from), turn(to)])}
                      stroke={o.kind === 'door' ? 'var(--walk)' : 'var(--turn)'}
                      strokeWidth={2.4 * scale}
                    />
                    {swing && (
                      <path
                        d={path(swing.map((p) => turn(p)))}
                        stroke="var(--soft)"
                        strokeWidth={1.2 * scale}
                        fill="none"
                        strokeDasharray={`${4 * scale} ${3 * scale}`}
                      />
                    )}
                  </g>
                );
              })}
            {measures && (
              <text
                x={label.x}
                y={label.y}
                fontSize={LETTER * scale}
                textAnchor={label.anchor}
                dominantBaseline="middle"
                fill="var(--soft)"
                data-testid="wall-length"
              >
                {wallWords(plan, wall)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function doorSwing(hinge: Point, latch: Point, outward: Point, way: number, width: number): Point[] {
  const shut = { x: latch.x - hinge.x, y: latch.y - hinge.y };
  const open = { x: outward.x * way * width, y: outward.y * way * width };
  const arc: Point[] = [hinge];
  for (let i = 8; i >= 0; i--) {
    const t = (i / 8) * (Math.PI / 2);
    arc.push({
      x: hinge.x + shut.x * Math.cos(t) + open.x * Math.sin(t),
      y: hinge.y + shut.y * Math.cos(t) + open.y * Math.sin(t),
    });
  }
  return arc;
}

/** Corners of the squares that doors opening outwards sweep, so that Floor leaves room for them. */
export function sweptOutside(plan: Plan): Point[] {
  const { outline, closes } = roomOf(plan);
  if (!closes) return [];
  return wallsInOrder(plan).flatMap((wall, i) => {
    const a = outline[i]!;
    const b = outline[(i + 1) % outline.length]!;
    const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const way = { x: (b.x - a.x) / long, y: (b.y - a.y) / long };
    return Object.values(plan.openings)
      .filter((o) => o.wallId === wall.id && o.kind === 'door' && o.swing === 'out')
      .flatMap((o) =>
        [o.left, o.left + o.width].map((mm) => ({
          x: a.x + way.x * mm - way.y * o.width,
          y: a.y + way.y * mm + way.x * o.width,
        })),
      );
  });
}
