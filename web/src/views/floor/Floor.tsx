import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { CATALOGUE } from '@heronstone/core/catalogue';
import { type Point, prismFootprint } from '@heronstone/core/geometry';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan, roomOf, type Station, type Unit, wallsInOrder } from '@heronstone/core/plan';
import { type Maker, type Spot, standingSpot, sceneOf, unitPrism, LEANING_HALF } from '@heronstone/core/reach';
import { useHover } from '../../state/selection.ts';

export type Moved = { x: number; y: number };

type Props = {
  plan: Plan;
  /** heading that is up the screen; 0 keeps the plan as it was measured */
  up?: number;
  /** the seat whose reach is drawn */
  maker?: Maker | null;
  /** lengths on the walls */
  measures?: boolean;
  chosenUnit?: string | null;
  chosenWall?: string | null;
  chosenStation?: string | null;
  /** a place to which the walk is drawn */
  goal?: string | null;
  onChooseUnit?: (id: string | null) => void;
  onMoveUnit?: (id: string, to: Moved) => void;
  onKeyUnit?: (unit: Unit, e: KeyboardEvent) => void;
  onMoveStation?: (id: string, to: Moved) => void;
  onChooseStation?: (id: string) => void;
  className?: string;
};

const STEP = 10;

/** The plan from above, to scale. */
export function Floor(props: Props) {
  const { plan, up = 0, maker, measures, goal, className } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [moving, setMoving] = useState<{
    kind: 'unit' | 'station';
    id: string;
    grab: Point;
    at: Moved;
    began: boolean;
  } | null>(null);
  const survey = roomOf(plan);
  const units = Object.values(plan.units).filter((u) => CATALOGUE[u.kind].mount !== 'away');
  const turn = useMemo(() => turner(up), [up]);

  const box = useMemo(() => {
    const points = [
      ...(survey.closes ? survey.outline : survey.walked),
      ...units.flatMap((u) => prismFootprint(unitPrism(u))),
    ].map((p) => turn(p));
    if (points.length < 2) points.push(turn({ x: 0, y: 0 }), turn({ x: 4000, y: 3000 }));
    const xs = points.map((p) => p.x);
    const ys = points.map((p) => p.y);
    const pad = measures ? 330 : 180;
    const x = Math.min(...xs) - pad;
    const y = Math.min(...ys) - pad;
    return { x, y, w: Math.max(...xs) + pad - x, h: Math.max(...ys) + pad - y };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- units follow plan.units
  }, [survey, plan.units, turn, measures]);
  const scale = Math.max(box.w / 760, box.h / 460);

  const toPlan = (e: { clientX: number; clientY: number }): Point => {
    const matrix = svg.current!.getScreenCTM()!.inverse();
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
    return turner(-up)({ x: p.x, y: -p.y }, true);
  };
  const grab = (kind: 'unit' | 'station', id: string, at: Point, e: PointerEvent) => {
    const p = toPlan(e);
    e.stopPropagation();
    svg.current!.setPointerCapture(e.pointerId);
    setMoving({ kind, id, grab: { x: p.x - at.x, y: p.y - at.y }, at: { x: at.x, y: at.y }, began: false });
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!moving) return;
    const p = toPlan(e);
    const snap = (mm: number) => Math.round(mm / STEP) * STEP;
    const at = { x: snap(p.x - moving.grab.x), y: snap(p.y - moving.grab.y) };
    const began = moving.began || Math.hypot(at.x - moving.at.x, at.y - moving.at.y) > 15;
    if (began) setMoving({ ...moving, at, began });
  };
  const onPointerUp = () => {
    if (moving?.began) (moving.kind === 'unit' ? props.onMoveUnit : props.onMoveStation)?.(moving.id, moving.at);
    setMoving(null);
  };
  const shown = (u: Unit): Unit =>
    moving?.kind === 'unit' && moving.id === u.id && moving.began ? { ...u, ...moving.at } : u;

  return (
    <svg
      ref={svg}
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      className={`overflow-visible ${className ?? 'h-full w-full'}`}
      role="group"
      aria-label="Floor: the room from above"
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => setMoving(null)}
      onPointerDown={() => props.onChooseUnit?.(null)}
    >
      <Room plan={plan} turn={turn} scale={scale} measures={measures ?? false} chosenWall={props.chosenWall ?? null} />
      {[...units]
        .sort((a, b) => layer(a) - layer(b))
        .map((unit) => (
          <UnitMark
            key={unit.id}
            unit={shown(unit)}
            turn={turn}
            scale={scale}
            chosen={props.chosenUnit === unit.id}
            plan={plan}
            onGrab={props.onMoveUnit ? grab : undefined}
            onChoose={props.onChooseUnit}
            onKey={props.onKeyUnit}
            names={measures || Boolean(props.onMoveUnit)}
          />
        ))}
      {maker && <Reach maker={maker} turn={turn} scale={scale} />}
      {maker && goal && <Walk plan={plan} maker={maker} goal={goal} turn={turn} scale={scale} />}
      {Object.values(plan.stations).map((s) => {
        const at = moving?.kind === 'station' && moving.id === s.id && moving.began ? { ...s, ...moving.at } : s;
        return (
          <SeatMark
            key={s.id}
            station={at}
            turn={turn}
            up={up}
            scale={scale}
            chosen={props.chosenStation === s.id}
            onGrab={props.onMoveStation ? grab : undefined}
            onChoose={props.onChooseStation}
          />
        );
      })}
    </svg>
  );
}

/** Raised units are drawn over what stands on the floor. */
const layer = (u: Unit) => u.bottom + (CATALOGUE[u.kind].worktop ? 0.5 : 0);

/** Plan to screen: turned so that `up` is up, y downwards (or the turn alone, for the way back). */
function turner(up: number): (p: Point, plain?: boolean) => Point {
  const c = Math.cos((up * Math.PI) / 180);
  const s = Math.sin((up * Math.PI) / 180);
  return (p, plain) => {
    const q = { x: p.x * c - p.y * s, y: p.x * s + p.y * c };
    return plain ? q : { x: q.x, y: -q.y };
  };
}

type Turn = ReturnType<typeof turner>;
const path = (points: Point[]) => `M${points.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}`;

function Room({
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
        const mid = along(long / 2);
        const side = { x: -(b.y - a.y) / long, y: (b.x - a.x) / long };
        const off = 16 * scale;
        const label = turn({ x: mid.x + side.x * off, y: mid.y + side.y * off });
        const outward = turn(side).x - turn({ x: 0, y: 0 }).x;
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
                fontSize={14 * scale}
                textAnchor={outward > 0.5 ? 'start' : outward < -0.5 ? 'end' : 'middle'}
                dominantBaseline="middle"
                fill="var(--soft)"
                data-testid="wall-length"
              >
                {wall.name ? `${wall.name} ` : ''}
                {formatLength(wall.length, plan.head.measure)}
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

type Grab = (kind: 'unit' | 'station', id: string, at: Point, e: PointerEvent) => void;

function UnitMark({
  unit,
  plan,
  turn,
  scale,
  chosen,
  names,
  onGrab,
  onChoose,
  onKey,
}: {
  unit: Unit;
  plan: Plan;
  turn: Turn;
  scale: number;
  chosen: boolean;
  names: boolean;
  onGrab?: Grab | undefined;
  onChoose?: ((id: string | null) => void) | undefined;
  onKey?: ((unit: Unit, e: KeyboardEvent) => void) | undefined;
}) {
  const hovered = useHover((s) => s.unit === unit.id || (s.place !== null && plan.places[s.place]?.unitId === unit.id));
  const corners = prismFootprint(unitPrism(unit)).map((p) => turn(p));
  const raised = CATALOGUE[unit.kind].mount === 'raised';
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
      onPointerDown={(e) => {
        e.stopPropagation();
        onChoose?.(unit.id);
        onGrab?.('unit', unit.id, unit, e);
      }}
      onFocus={() => onChoose?.(unit.id)}
      onKeyDown={(e) => onKey?.(unit, e)}
      onPointerEnter={() => useHover.setState({ unit: unit.id })}
      onPointerLeave={() => useHover.setState({ unit: null })}
    >
      <path
        d={`${path(corners)}Z`}
        fill="var(--wood)"
        fillOpacity={raised ? 0.35 : unit.kind === 'worktable' ? 0.5 : 0.9}
        stroke={chosen ? 'var(--heron)' : hovered ? 'var(--ink)' : 'var(--wood-line)'}
        strokeWidth={(chosen ? 3 : hovered ? 2.4 : 1.2) * scale}
        strokeDasharray={raised ? `${5 * scale} ${4 * scale}` : undefined}
      />
      <path d={path([fl, fr])} stroke={chosen ? 'var(--heron)' : 'var(--wood-line)'} strokeWidth={3 * scale} />
      {names && size >= 9 ? (
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
}

function Reach({ maker, turn, scale }: { maker: Maker; turn: Turn; scale: number }) {
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

function Walk({
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
  const stand = standingSpot(scene, spot, LEANING_HALF);
  const grip = turn(spot.grip);
  return (
    <g pointerEvents="none" stroke="var(--heron)" strokeWidth={2 * scale} fill="none">
      {stand && (
        <path d={path([turn(maker.seat), turn(stand.at), grip])} strokeDasharray={`${7 * scale} ${5 * scale}`} />
      )}
      <circle cx={grip.x} cy={grip.y} r={6 * scale} fill="var(--heron)" />
    </g>
  );
}

function SeatMark({
  station,
  turn,
  up,
  scale,
  chosen,
  onGrab,
  onChoose,
}: {
  station: Station;
  turn: Turn;
  up: number;
  scale: number;
  chosen: boolean;
  onGrab?: Grab | undefined;
  onChoose?: ((id: string) => void) | undefined;
}) {
  const p = turn(station);
  const r = 13 * scale;
  return (
    <g
      role="button"
      tabIndex={onChoose ? 0 : -1}
      aria-label={`${station.name}, ${station.standing ? 'standing' : 'sitting'}`}
      aria-pressed={chosen}
      className={onGrab ? 'cursor-move' : onChoose ? 'cursor-pointer' : ''}
      transform={`translate(${p.x} ${p.y}) rotate(${station.heading - up})`}
      onPointerDown={(e) => {
        e.stopPropagation();
        onChoose?.(station.id);
        onGrab?.('station', station.id, station, e);
      }}
      onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onChoose?.(station.id)}
    >
      <path
        d={`M0 ${-r * 1.15} L${r * 0.8} ${r * 0.75} Q0 ${r * 0.25} ${-r * 0.8} ${r * 0.75} Z`}
        fill={chosen ? 'var(--heron)' : 'var(--ink)'}
        stroke="var(--paper)"
        strokeWidth={1.6 * scale}
      />
    </g>
  );
}
