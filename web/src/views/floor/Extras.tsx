import { type Point, type Prism, prismFootprint } from '@heronstone/core/geometry';
import { type Finding } from '@heronstone/core/findings';
import { monthWords, type Plan } from '@heronstone/core/plan';
import { formatLength } from '@heronstone/core/lengths';
import {
  HEAD_HEIGHT,
  fixturePrism,
  floorUsePrism,
  frameOf,
  onWall,
  slopeReaches,
  unitPrism,
} from '@heronstone/core/room';
import { type SunPatch } from '@heronstone/core/sun';
import { path, type Turn } from './turn.ts';

const shape = (points: readonly Point[], turn: Turn) => `${path(points.map((p) => turn(p)))}Z`;

/** What belongs to the room besides its walls: fixtures, slopes with the line of head height, other uses of the floor. */
export function RoomThings({
  plan,
  turn,
  scale,
  names,
}: {
  plan: Plan;
  turn: Turn;
  scale: number;
  /** named as well: where there is room for letters that can be read */
  names: boolean;
}) {
  return (
    <g pointerEvents="none">
      {Object.values(plan.slopes).map((slope) => {
        const frame = frameOf(plan, slope.wallId);
        if (!frame) return null;
        const low = Math.min(slope.run, slopeReaches(slope, plan.head.ceiling, HEAD_HEIGHT));
        const line = (out: number) => path([turn(onWall(frame, 0, out)), turn(onWall(frame, frame.length, out))]);
        const words = turn(onWall(frame, frame.length * 0.82, low));
        return (
          <g key={slope.id} fill="none" stroke="var(--soft)">
            <path d={line(slope.run)} strokeWidth={scale} strokeDasharray={`${2 * scale} ${5 * scale}`} />
            {low > 0 && (
              <>
                <path
                  d={shape(
                    [
                      onWall(frame, 0),
                      onWall(frame, frame.length),
                      onWall(frame, frame.length, low),
                      onWall(frame, 0, low),
                    ],
                    turn,
                  )}
                  fill="var(--soft)"
                  fillOpacity={0.08}
                  stroke="none"
                />
                <path d={line(low)} strokeWidth={1.4 * scale} strokeDasharray={`${9 * scale} ${4 * scale}`} />
                <text
                  display={names ? undefined : 'none'}
                  x={words.x}
                  y={words.y - 4 * scale}
                  fontSize={11 * scale}
                  textAnchor="middle"
                  fill="var(--soft)"
                  stroke="none"
                >
                  head height {formatLength(HEAD_HEIGHT, plan.head.measure)}
                </text>
              </>
            )}
          </g>
        );
      })}
      {Object.values(plan.floorUses).map((use) => {
        const at = turn(use);
        return (
          <g key={use.id}>
            <path
              d={shape(prismFootprint(floorUsePrism(use)), turn)}
              fill="none"
              stroke="var(--rise)"
              strokeWidth={1.4 * scale}
              strokeDasharray={`${7 * scale} ${5 * scale}`}
            />
            <text x={at.x} y={at.y} fontSize={12 * scale} textAnchor="middle" fill="var(--rise)">
              {use.name}
            </text>
            <text x={at.x} y={at.y + 14 * scale} fontSize={11 * scale} textAnchor="middle" fill="var(--rise)">
              {monthWords(use.months)}
            </text>
          </g>
        );
      })}
      {Object.values(plan.parkings).map((spot) => {
        const unit = plan.units[spot.unitId];
        if (!unit || (Math.hypot(unit.x - spot.x, unit.y - spot.y) < 1 && unit.facing === spot.facing)) return null;
        const at = turn(spot);
        return (
          <g key={spot.id}>
            <path
              d={shape(prismFootprint(unitPrism({ ...unit, x: spot.x, y: spot.y, facing: spot.facing })), turn)}
              fill="none"
              stroke="var(--wood-line)"
              strokeWidth={1.2 * scale}
              strokeDasharray={`${3 * scale} ${4 * scale}`}
            />
            <text
              display={names ? undefined : 'none'}
              x={at.x}
              y={at.y}
              fontSize={11 * scale}
              textAnchor="middle"
              dominantBaseline="middle"
              fill="var(--soft)"
            >
              {spot.name}
            </text>
          </g>
        );
      })}
      {Object.values(plan.fixtures).map((fixture) => {
        const prism = fixturePrism(plan, fixture);
        if (!prism) return null;
        const lamp = fixture.kind === 'lamp';
        const hot = fixture.kind === 'heater' || fixture.kind === 'fuseBoard';
        const at = turn(prism);
        return (
          <g key={fixture.id}>
            {lamp ? (
              <circle
                cx={at.x}
                cy={at.y}
                r={9 * scale}
                fill="var(--paper)"
                stroke="var(--walk)"
                strokeWidth={2.4 * scale}
              />
            ) : (
              <path
                d={shape(prismFootprint(prism), turn)}
                fill={hot ? 'var(--clash)' : 'var(--ink)'}
                fillOpacity={fixture.kind === 'stairs' || fixture.kind === 'sink' ? 0.1 : 0.75}
                stroke={hot ? 'var(--clash)' : 'var(--ink)'}
                strokeWidth={2 * scale}
              />
            )}
            {hot && <FixtureName prism={prism} name={fixture.name} turn={turn} scale={scale} />}
            <title>{fixture.name}</title>
          </g>
        );
      })}
    </g>
  );
}

/** The name of what hangs on a wall, just before it. */
function FixtureName({ prism, name, turn, scale }: { prism: Prism; name: string; turn: Turn; scale: number }) {
  const off = prism.halfDepth + 9 * scale;
  const at = turn({ x: prism.x + prism.frontX * off, y: prism.y + prism.frontY * off });
  const aside = at.x - turn(prism).x;
  return (
    <text
      x={at.x}
      y={at.y}
      fontSize={11 * scale}
      textAnchor={aside > scale ? 'start' : aside < -scale ? 'end' : 'middle'}
      dominantBaseline="middle"
      fill="var(--clash)"
    >
      {name}
    </text>
  );
}

/** Direct sun on floor and worktops at the chosen hour. */
export function SunOnFloor({ patches, turn }: { patches: readonly SunPatch[]; turn: Turn }) {
  return (
    <g pointerEvents="none">
      {patches.map((p, i) => (
        <path key={i} data-sun d={shape(p.outline, turn)} fill="#f0b429" fillOpacity={p.unitId ? 0.5 : 0.3} />
      ))}
    </g>
  );
}

/** The floor a finding is about. */
export function FindingArea({ finding, turn, scale }: { finding: Finding | null; turn: Turn; scale: number }) {
  if (!finding?.area || finding.area.length < 3) return null;
  return (
    <path
      data-finding={finding.key}
      d={shape(finding.area, turn)}
      pointerEvents="none"
      fill="var(--clash)"
      fillOpacity={0.18}
      stroke="var(--clash)"
      strokeWidth={2 * scale}
    />
  );
}
