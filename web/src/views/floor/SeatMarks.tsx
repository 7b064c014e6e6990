import { type Point } from '@heronstone/core/geometry';
import { type Plan, type Station } from '@heronstone/core/plan';
import {
  fetchFrom,
  halfOf,
  LEANING_HALF,
  type Maker,
  PLAIN,
  sceneOf,
  type Spot,
  standingSpot,
  walkOf,
} from '@heronstone/core/reach';
import { type Grab, path, type Turn } from './turn.ts';

/** How far hand and arm come at the height of the hands. */
export function Reach({ maker, turn, scale }: { maker: Maker; turn: Turn; scale: number }) {
  const { body, seat, ahead, right } = maker;
  const at = (side: number): Point =>
    turn({
      x: seat.x + right.x * side * body.shoulderHalfBreadth,
      y: seat.y + right.y * side * body.shoulderHalfBreadth,
    });
  const drop = Math.abs(body.shoulder - maker.handHeight);
  const arm = Math.sqrt(Math.max(0, body.gripReach ** 2 - drop ** 2));
  return (
    <g pointerEvents="none">
      {[-1, 1].map((side) => (
        <circle
          key={`a${side}`}
          cx={at(side).x}
          cy={at(side).y}
          r={arm}
          fill="var(--arm)"
          fillOpacity={0.12}
          stroke="var(--arm)"
          strokeWidth={1.2 * scale}
        />
      ))}
      {[-1, 1].map((side) => (
        <circle
          key={`h${side}`}
          cx={at(side).x}
          cy={at(side).y}
          r={body.handReach}
          fill="var(--hand)"
          fillOpacity={0.14}
          stroke="var(--hand)"
          strokeWidth={1.2 * scale}
        />
      ))}
      <path
        d={path([turn(seat), turn({ x: seat.x + ahead.x * 260, y: seat.y + ahead.y * 260 })])}
        stroke="var(--ink)"
        strokeWidth={2 * scale}
      />
    </g>
  );
}

/** The way to a place and to what is gripped there. */
export function Walk({
  plan,
  maker,
  goal,
  turn,
  scale,
}: {
  plan: Plan;
  maker: Maker;
  goal: string;
  turn: Turn;
  scale: number;
}) {
  const scene = sceneOf(plan);
  const spot: Spot | undefined = scene.spots.get(goal);
  if (!spot || spot.away) return null;
  const stand = standingSpot(scene, spot, maker.person.mobility === 'wheelchair' ? halfOf(maker) : LEANING_HALF);
  const fetch = fetchFrom(scene, maker, spot, PLAIN);
  // what is got at from the seat asks for no walk
  const near = fetch.ok && fetch.band <= 3;
  const walk = near ? { points: [maker.seat] } : stand && walkOf(scene, maker, stand.at);
  const grip = turn(spot.grip);
  return (
    <g pointerEvents="none" stroke="var(--heron)" strokeWidth={2 * scale} fill="none">
      {walk && (
        <path
          data-walk
          d={path([...walk.points.map((p) => turn(p)), grip])}
          strokeDasharray={`${7 * scale} ${5 * scale}`}
        />
      )}
      <circle cx={grip.x} cy={grip.y} r={6 * scale} fill="var(--heron)" />
    </g>
  );
}

/** A seat, pointing where the maker looks. */
export function SeatMark({
  station,
  turn,
  up,
  scale,
  chosen,
  elsewhere,
  onGrab,
  onChoose,
}: {
  station: Station;
  turn: Turn;
  up: number;
  scale: number;
  chosen: boolean;
  /** where it is done, if not in this room */
  elsewhere: string | null;
  onGrab?: Grab | undefined;
  onChoose?: ((id: string) => void) | undefined;
}) {
  const p = turn(station);
  const r = 13 * scale;
  return (
    <g
      role="button"
      tabIndex={onChoose ? 0 : -1}
      aria-label={`${station.name}, ${elsewhere ?? (station.standing ? 'standing' : 'sitting')}`}
      aria-pressed={chosen}
      className={onGrab ? 'cursor-move' : onChoose ? 'cursor-pointer' : ''}
      transform={`translate(${p.x} ${p.y}) rotate(${station.heading - up})`}
      onPointerDown={(e) => {
        e.stopPropagation();
        onGrab?.('station', station.id, station, e);
      }}
      onClick={() => !onGrab && onChoose?.(station.id)}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onChoose?.(station.id)}
    >
      {/* what is pressed is larger than what is drawn */}
      <circle r={15 * scale} fill="transparent" />
      <path
        d={`M0 ${-r * 1.15} L${r * 0.8} ${r * 0.75} Q0 ${r * 0.25} ${-r * 0.8} ${r * 0.75} Z`}
        // nobody works where things are only taken out: an outline
        fill={elsewhere ? 'var(--paper)' : chosen ? 'var(--heron)' : 'var(--ink)'}
        stroke={!elsewhere ? 'var(--paper)' : chosen ? 'var(--heron)' : 'var(--ink)'}
        strokeWidth={1.6 * scale}
      />
    </g>
  );
}
