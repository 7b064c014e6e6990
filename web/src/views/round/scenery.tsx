import { angleBetween, heading } from '@heronstone/core/geometry';
import { type Plan, roomOf, type Unit, wallsInOrder } from '@heronstone/core/plan';
import { cut, type Maker, type Seen, stretchesBetween } from '@heronstone/core/reach';
import { type SunPatch } from '@heronstone/core/sun';
import { zonesOfUnit } from '../floor/ZoneGround.tsx';
import { patternOf } from '../zones/marks.tsx';
import { HEIGHT, WIDTH, x } from './geometry.ts';

/** Corners of the room, its doors and windows. */
export function Walls({
  plan,
  maker,
  facing,
  y,
}: {
  plan: Plan;
  maker: Maker;
  facing: number;
  y: (mm: number) => number;
}) {
  const survey = roomOf(plan);
  if (!survey.closes) return null;
  const walls = wallsInOrder(plan);
  const n = survey.outline.length;
  return (
    <g>
      {walls.map((wall, i) => {
        const a = survey.outline[i]!;
        const b = survey.outline[(i + 1) % n]!;
        const corner = stretchesBetween(maker.seat, facing, a, a).stretches[0]!.from;
        const along = (mm: number) => ({
          x: a.x + ((b.x - a.x) * mm) / wall.length,
          y: a.y + ((b.y - a.y) * mm) / wall.length,
        });
        return (
          <g key={wall.id}>
            <line x1={x(corner)} x2={x(corner)} y1={y(plan.head.ceiling)} y2={y(0)} stroke="var(--line)" />
            {Object.values(plan.openings)
              .filter((o) => o.wallId === wall.id)
              .flatMap((o) =>
                stretchesBetween(
                  maker.seat,
                  facing,
                  along(o.left),
                  along(Math.min(wall.length, o.left + o.width)),
                ).stretches.map((s) => (
                  <rect
                    key={`${o.id}${s.from}`}
                    x={x(s.from)}
                    width={Math.max(0, x(s.to) - x(s.from))}
                    y={y(o.head)}
                    height={Math.max(0, y(o.kind === 'door' ? 0 : o.sill) - y(o.head))}
                    fill={o.kind === 'door' ? 'var(--stone)' : 'var(--ground)'}
                    fillOpacity={0.55}
                    stroke="var(--line)"
                  >
                    <title>{o.kind}</title>
                  </rect>
                )),
              )}
          </g>
        );
      })}
    </g>
  );
}

/** Where direct sun lies, on floor and worktops, as bars of light at their height. */
export function SunBars({
  patches,
  maker,
  facing,
  y,
}: {
  patches: readonly SunPatch[];
  maker: Maker;
  facing: number;
  y: (mm: number) => number;
}) {
  return (
    <g pointerEvents="none">
      {patches.flatMap((patch, i) => {
        const middle = {
          x: patch.outline.reduce((sum, p) => sum + p.x, 0) / patch.outline.length,
          y: patch.outline.reduce((sum, p) => sum + p.y, 0) / patch.outline.length,
        };
        const towards = heading(maker.seat, middle);
        const offs = patch.outline.map((p) => angleBetween(towards, heading(maker.seat, p)));
        const mid = angleBetween(facing, towards);
        return cut(mid + Math.min(...offs), mid + Math.max(...offs)).map((s) => (
          <rect
            key={`${i}.${s.from}`}
            data-sun
            x={x(s.from)}
            width={Math.max(1, x(s.to) - x(s.from))}
            y={y(patch.z) - 7}
            height={7}
            fill="#f0b429"
            fillOpacity={0.85}
          />
        ));
      })}
    </g>
  );
}

/** Heights of the maker’s own body. */
export function BodyLines({ maker, grip, y }: { maker: Maker; grip: number; y: (mm: number) => number }) {
  const { body } = maker;
  const lines: [string, number][] = [
    ['highest grip', grip],
    ['eye', body.eye],
    ['shoulder', body.shoulder],
    ['elbow', body.elbow],
    ['knee', body.knee],
  ];
  return (
    <g pointerEvents="none">
      {lines.map(([name, mm]) => (
        <g key={name}>
          <line
            x1={0}
            x2={WIDTH}
            y1={y(mm)}
            y2={y(mm)}
            stroke="var(--soft)"
            strokeOpacity={0.55}
            strokeDasharray="1 5"
          />
          <text
            x={WIDTH - 6}
            y={y(mm) - 3}
            textAnchor="end"
            fontSize={11.5}
            fill="var(--soft)"
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {name}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Under a unit: which zones it is kept for, by tint and hatch. The patterns are drawn with ZonePatterns on `round`. */
export function ZoneStrip({ plan, unit, seen }: { plan: Plan; unit: Unit; seen: Seen }) {
  const own = zonesOfUnit(plan, unit);
  return seen.stretches.flatMap((s) =>
    own.map((id, i) => {
      const wide = (x(s.to) - x(s.from)) / own.length;
      const zone = plan.zones[id]!;
      return (
        <rect
          key={`${id} ${s.from}`}
          data-zone-strip={id}
          x={x(s.from) + i * wide}
          y={HEIGHT - 8}
          width={Math.max(1, wide)}
          height={8}
          fill={patternOf(zone, 'round')}
          stroke="var(--edge)"
          strokeWidth={0.6}
        >
          <title>{zone.name}</title>
        </rect>
      );
    }),
  );
}
