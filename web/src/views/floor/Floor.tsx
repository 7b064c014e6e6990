import {
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { factsOf } from '@heronstone/core/catalogue';
import { type Point, prismFootprint } from '@heronstone/core/geometry';
import { DONE_AT_WORDS, isElsewhere, type Plan, roomOf, type Unit } from '@heronstone/core/plan';
import { type Maker } from '@heronstone/core/reach';
import { type SeatAt, unitPrism } from '@heronstone/core/room';
import { type Finding } from '@heronstone/core/findings';
import { type SunPatch } from '@heronstone/core/sun';
import { type FloorMap } from '@heronstone/core/stations';
import { HeatMap } from './HeatMap.tsx';
import { FindingArea, RoomThings, SunOnFloor } from './Extras.tsx';
import { RoomLines, sweptOutside } from './RoomLines.tsx';
import { Reach, SeatMark, Walk } from './SeatMarks.tsx';
import { fitted, type Seen, type ViewBox } from '../seen.ts';
import { turner } from './turn.ts';
import { UnitMark } from './UnitMark.tsx';
import { SeatOffers } from './SeatOffers.tsx';
import { Visits } from './Visits.tsx';
import { ZoneGround, ZoneNames } from './ZoneGround.tsx';

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
  /** the pointer goes over a unit while it is down: brushing */
  onBrushUnit?: (id: string) => void;
  onMoveStation?: (id: string, to: Moved) => void;
  onChooseStation?: (id: string) => void;
  /** spots at the chosen unit where a seat may be put, and what is called it */
  offers?: { name: string; seats: readonly SeatAt[]; onSit: (seat: SeatAt) => void } | null;
  /** a unit is being dragged so far: the plan given is drawn as if it were there; null when it is let go or taken back */
  onDragUnit?: (id: string, to: Moved | null) => void;
  sun?: readonly SunPatch[];
  /** yearly seconds over the floor */
  map?: FloorMap | null;
  /** how often a hand goes to which place */
  visits?: ReadonlyMap<string, number> | null;
  finding?: Finding | null;
  /** units that some finding is about */
  clash?: ReadonlySet<string>;
  /** what lies over the drawing, in the box that it fills */
  over?: (seen: Seen) => ReactNode;
  className?: string;
};

const STEP = 10;
/** On a floor drawn narrower than this the names of what is in the room are left to the pointer, px. */
const NAMED = 460;
/** Room for the name and length of a wall beside it, px. */
const LETTERS = 95;
/** Size on the screen before it is known, px. */
const USUAL = { width: 760, height: 460 };
/** A pointer that goes no farther than this while it is down has pressed, not dragged, px. */
const DRAGS = 4;

/** The plan from above, to scale. */
export function Floor(props: Props) {
  const { plan, up = 0, maker, measures, goal, sun = [], className } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [moving, setMoving] = useState<{
    kind: 'unit' | 'station';
    id: string;
    grab: Point;
    at: Moved;
    began: boolean;
    /** where it was pressed on the screen, px */
    pressed: Point;
    /** what is seen stays as it was when the drag began, or the floor would run away under the pointer */
    box: ViewBox;
  } | null>(null);
  /** pressed where nothing stands */
  const emptyPressed = useRef(false);
  const survey = roomOf(plan);
  const units = Object.values(plan.units).filter((u) => u.mount !== 'away' && u.keptInId === null);
  const turn = useMemo(() => turner(up), [up]);

  // letters and lines keep their size on the screen, whatever the screen’s
  const [size, setSize] = useState(USUAL);
  useEffect(() => {
    const seen = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 0 && height > 0) setSize({ width, height });
    });
    seen.observe(svg.current!);
    return () => seen.disconnect();
  }, []);
  const whole = useMemo((): ViewBox => {
    const points = [
      ...(survey.closes ? survey.outline : survey.walked),
      ...units.flatMap((u) => prismFootprint(unitPrism(u))),
      // without walls who stands before it is part of what is seen
      ...(survey.closes ? [] : Object.values(plan.stations).flatMap((s) => [s, { x: s.x, y: s.y - 300 }])),
    ].map((p) => turn(p));
    if (points.length < 2) points.push(turn({ x: 0, y: 0 }), turn({ x: 4000, y: 3000 }));
    // room for the lengths beside the walls; doors that open outwards need none beyond their sweep
    const across = points.map((p) => p.x);
    const wide = Math.max(...across) - Math.min(...across);
    const aside = measures ? Math.max(800, (wide * LETTERS) / Math.max(60, size.width - 2 * LETTERS)) : 120;
    const above = measures ? 330 : 120;
    const swept = sweptOutside(plan).map((p) => turn(p));
    const span = (of: (p: Point) => number, pad: number) => {
      const all = [...points.flatMap((p) => [of(p) - pad, of(p) + pad]), ...swept.map(of)];
      return [Math.min(...all), Math.max(...all)] as const;
    };
    const [left, right] = span((p) => p.x, aside);
    const [top, bottom] = span((p) => p.y, above);
    return { x: left, y: top, w: right - left, h: bottom - top };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- units and doors follow the tables named
  }, [survey, plan.units, plan.stations, plan.openings, turn, measures, size.width]);
  const box = moving?.box ?? whole;
  const seen = fitted(box, size);
  const { scale } = seen;
  const toPlan = useCallback(
    (e: { clientX: number; clientY: number }): Point => {
      const matrix = svg.current!.getScreenCTM()!.inverse();
      const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
      return turner(-up)({ x: p.x, y: -p.y }, true);
    },
    [up],
  );
  const grab = useCallback(
    (kind: 'unit' | 'station', id: string, at: Point, e: PointerEvent) => {
      const p = toPlan(e);
      e.stopPropagation();
      svg.current!.setPointerCapture(e.pointerId);
      setMoving({
        kind,
        id,
        grab: { x: p.x - at.x, y: p.y - at.y },
        at: { x: at.x, y: at.y },
        began: false,
        pressed: { x: e.clientX, y: e.clientY },
        box: whole,
      });
    },
    [toPlan, whole],
  );
  const onPointerMove = (e: PointerEvent) => {
    if (!moving) return;
    const p = toPlan(e);
    const snap = (mm: number) => Math.round(mm / STEP) * STEP;
    const at = { x: snap(p.x - moving.grab.x), y: snap(p.y - moving.grab.y) };
    const began = moving.began || Math.hypot(e.clientX - moving.pressed.x, e.clientY - moving.pressed.y) > DRAGS;
    if (!began) return;
    setMoving({ ...moving, at, began });
    if (moving.kind === 'unit') props.onDragUnit?.(moving.id, at);
  };
  const onPointerUp = () => {
    if (moving) (moving.kind === 'unit' ? props.onChooseUnit : props.onChooseStation)?.(moving.id);
    else if (emptyPressed.current) props.onChooseUnit?.(null);
    emptyPressed.current = false;
    if (moving?.began) (moving.kind === 'unit' ? props.onMoveUnit : props.onMoveStation)?.(moving.id, moving.at);
    if (moving?.kind === 'unit' && moving.began) props.onDragUnit?.(moving.id, null);
    setMoving(null);
  };
  const shown = (u: Unit): Unit =>
    !props.onDragUnit && moving?.kind === 'unit' && moving.id === u.id && moving.began ? { ...u, ...moving.at } : u;

  return (
    <>
      <svg
        ref={svg}
        viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
        className={className ?? 'h-full w-full'}
        role="group"
        aria-label="Floor: the room from above"
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={() => {
          if (moving) props.onDragUnit?.(moving.id, null);
          setMoving(null);
        }}
        onPointerDown={() => (emptyPressed.current = true)}
      >
        <RoomLines
          plan={plan}
          turn={turn}
          scale={scale}
          measures={measures ?? false}
          chosenWall={props.chosenWall ?? null}
        />
        <ZoneGround plan={plan} turn={turn} scale={scale} />
        <SunOnFloor patches={sun.filter((p) => !p.unitId)} turn={turn} />
        <RoomThings plan={plan} turn={turn} scale={scale} names={size.width >= NAMED} />
        {[...units]
          .sort((a, b) => layer(a) - layer(b))
          .map((unit) => (
            <UnitMark
              key={unit.id}
              unit={shown(unit)}
              turn={turn}
              scale={scale}
              chosen={props.chosenUnit === unit.id}
              clash={props.clash?.has(unit.id) ?? false}
              marked={props.finding?.unitIds.includes(unit.id) ?? false}
              onGrab={props.onMoveUnit ? grab : undefined}
              onChoose={props.onChooseUnit}
              onKey={props.onKeyUnit}
              onBrush={props.onBrushUnit}
              names={measures || Boolean(props.onMoveUnit)}
            />
          ))}
        {size.width >= NAMED && <ZoneNames plan={plan} turn={turn} scale={scale} />}
        <SunOnFloor patches={sun.filter((p) => p.unitId)} turn={turn} />
        <FindingArea finding={props.finding ?? null} turn={turn} scale={scale} />
        {props.map && <HeatMap map={props.map} turn={turn} scale={scale} />}
        {props.visits && <Visits plan={plan} visits={props.visits} turn={turn} scale={scale} />}
        {maker && <Reach maker={maker} turn={turn} scale={scale} />}
        {maker && goal && <Walk plan={plan} maker={maker} goal={goal} turn={turn} scale={scale} />}
        {props.offers && !moving && <SeatOffers {...props.offers} turn={turn} scale={scale} />}
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
              elsewhere={isElsewhere(plan, s) ? DONE_AT_WORDS[plan.activities[s.activityId]!.doneAt] : null}
              onGrab={props.onMoveStation ? grab : undefined}
              onChoose={props.onChooseStation}
            />
          );
        })}
      </svg>
      {props.over?.({ ...seen, at: (p) => seen.at(turn(p)) })}
    </>
  );
}

/** Raised units are drawn over what stands on the floor. */
const layer = (u: Unit) => u.bottom + (factsOf(u.kind).worktop ? 0.5 : 0);
