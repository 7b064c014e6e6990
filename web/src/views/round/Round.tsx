import { type KeyboardEvent, type MouseEvent, type PointerEvent, useMemo, useRef } from 'react';
import { bodyOf } from '@heronstone/core/body';
import { placeSaid } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { type SunPatch } from '@heronstone/core/sun';
import { highestGrip, type Maker, sceneOf, seePlace, seeUnit, type Spot } from '@heronstone/core/reach';
import { type Reading, useReading } from '../../state/reading.ts';
import { useHover } from '../../state/selection.ts';
import { HEIGHT, heightScale, nextPlace, WIDTH, wrap, x } from './geometry.ts';
import { type PlaceLook } from './looks.ts';
import { labelsOf, NO_LABELS, PointedAt, UnitName } from './names.tsx';
import { PlaceMark } from './PlaceMark.tsx';
import { type Box, pressed, TARGET } from './pressed.ts';
import { BodyLines, SunBars, Walls, ZoneStrip } from './scenery.tsx';

type Props = {
  plan: Plan;
  maker: Maker;
  /** degrees by which the ribbon is turned from the seat's heading, right positive */
  turn: number;
  /** while it is dragged */
  onTurning: (turn: number) => void;
  onTurn: (turn: number) => void;
  looks: ReadonlyMap<string, PlaceLook>;
  chosen: string | null;
  onChoose: (placeId: string) => void;
  /** a unit was pressed twice */
  onStepTo?: (unitId: string) => void;
  /** direct sun at the chosen hour */
  sun?: readonly SunPatch[];
  /** what it tells, where that is not for the one who looks to say */
  reading?: Reading;
};

const WORDS: [number, string][] = [
  [-180, 'behind'],
  [-135, 'behind left'],
  [-90, 'left'],
  [-45, 'ahead left'],
  [0, 'ahead'],
  [45, 'ahead right'],
  [90, 'right'],
  [135, 'behind right'],
];

/** The room as it is seen from the seat, unrolled: bearing from left to right, height from bottom to top. */
export function Round({
  plan,
  maker,
  turn,
  onTurning,
  onTurn,
  looks,
  chosen,
  onChoose,
  onStepTo,
  sun = [],
  reading: told,
}: Props) {
  const liked = useReading((s) => s.reading);
  const reading = told ?? liked;
  const facing = maker.seat.heading + turn;
  const scene = sceneOf(plan);
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ x: number; turn: number; to?: number } | null>(null);
  const hoveredUnit = useHover((s) => s.unit);

  const grip = highestGrip(bodyOf(maker.person, null), 0);
  const y = useMemo(() => {
    const highest = Math.max(
      grip,
      ...[...scene.spots.values()].filter((s) => !s.away && s.place.kind !== 'top').map((s) => s.high),
    );
    return heightScale(HEIGHT, Math.min(highest + 60, plan.head.ceiling), plan.head.ceiling);
  }, [scene, grip, plan.head.ceiling]);

  const units = useMemo(
    () =>
      Object.values(plan.units)
        .filter((u) => u.mount !== 'away')
        .map((unit) => ({
          unit,
          seen: seeUnit(maker, facing, unit),
          places: [...scene.spots.values()]
            .filter((s) => s.unit.id === unit.id)
            .map((spot) => ({ spot, seen: seePlace(maker, facing, asDrawn(spot)) })),
        }))
        .sort((a, b) => b.seen.away - a.seen.away),
    [plan.units, scene, maker, facing],
  );
  const order = useMemo(
    () =>
      units
        .flatMap((u) => u.places)
        .filter((p) => p.seen.stretches.length > 0)
        .map((p) => ({
          id: p.spot.place.id,
          x: (p.seen.stretches[0]!.from + p.seen.stretches[0]!.to) / 2,
          z: (p.seen.low + p.seen.high) / 2,
        })),
    [units],
  );

  const focusable = chosen && order.some((o) => o.id === chosen) ? chosen : order[0]?.id;
  const onKeyDown = (e: KeyboardEvent) => {
    const id = (e.target as SVGElement).dataset.place;
    const here = order.find((o) => o.id === id);
    if (!here) return;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (way) {
      e.preventDefault();
      const next = nextPlace(order, here, way as [number, number]);
      if (next) svg.current?.querySelector<SVGElement>(`[data-place="${CSS.escape(next.id)}"]`)?.focus();
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onChoose(here.id);
    }
  };
  const boxes = useMemo(
    () =>
      units
        .flatMap((u) => u.places)
        .flatMap(({ spot, seen }) =>
          seen.stretches.map((s): Box => ({
            id: spot.place.id,
            left: x(s.from),
            right: x(s.to),
            top: y(seen.high),
            bottom: y(seen.low),
          })),
        ),
    [units, y],
  );
  /** The place a pointer means. */
  const meant = (e: MouseEvent): string | null => {
    const under = (e.target as Element).closest<SVGElement>('[data-place]')?.dataset.place ?? null;
    const drawn = svg.current?.getBoundingClientRect();
    if (!drawn || drawn.width === 0) return under;
    // the drawing may be smaller or larger on the screen than its own units
    const scale = drawn.width / WIDTH;
    const at = { x: (e.clientX - drawn.left) / scale, y: (e.clientY - drawn.top) / scale };
    return pressed(at, boxes, under, TARGET / scale);
  };
  const onPointerDown = (e: PointerEvent) => {
    if (meant(e) !== null) return;
    drag.current = { x: e.clientX, turn };
    svg.current?.setPointerCapture(e.pointerId);
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!svg.current) return;
    if (!drag.current) {
      const place = meant(e);
      if (place !== useHover.getState().place) useHover.setState({ place });
      return;
    }
    const degrees = ((e.clientX - drag.current.x) / svg.current.clientWidth) * 360;
    if (Math.abs(degrees) <= 1) return;
    drag.current.to = wrap(Math.round(drag.current.turn - degrees));
    onTurning(drag.current.to);
  };

  const onPointerUp = () => {
    const to = drag.current?.to;
    drag.current = null;
    if (to !== undefined) onTurn(to);
  };

  return (
    // where the window is narrow one sees what is ahead, in letters that can be read; turning brings the rest
    <div className="flex justify-center overflow-hidden">
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 26}`}
        className="block w-full min-w-[1240px] shrink-0 touch-none select-none bg-paper"
        role="group"
        aria-label={`The room as seen from ${maker.person.name}’s seat`}
        onKeyDown={onKeyDown}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onPointerLeave={() => useHover.setState({ place: null })}
        onClick={(e) => {
          const id = meant(e);
          if (id !== null) onChoose(id);
        }}
      >
        <Walls plan={plan} maker={maker} facing={facing} y={y} />
        {units.map(({ unit, seen, places }) => {
          // names must be read, however far they are
          const pale = Math.max(reading === 'what' ? 0.8 : 0.45, Math.min(1, 1.12 - seen.away / 5000));
          const labels = reading === 'what' ? labelsOf(plan, places, y) : NO_LABELS;
          return (
            <g key={unit.id} opacity={pale} onDoubleClick={() => onStepTo?.(unit.id)}>
              {seen.stretches.map((s) => (
                <rect
                  key={s.from}
                  x={x(s.from) - 1}
                  width={x(s.to) - x(s.from) + 2}
                  y={y(seen.high) - 1}
                  height={y(seen.low) - y(seen.high) + 2}
                  rx={2}
                  fill="var(--wood)"
                  stroke={hoveredUnit === unit.id ? 'var(--ink)' : 'var(--wood-line)'}
                  strokeWidth={hoveredUnit === unit.id ? 2.6 : 1}
                />
              ))}
              {places.map(({ spot, seen: p }) => (
                <PlaceMark
                  key={spot.place.id}
                  id={spot.place.id}
                  plan={plan}
                  reading={reading}
                  label={labels.get(spot.place.id) ?? null}
                  title={placeSaid(plan, plan.places[spot.place.id] ?? spot.place)}
                  seen={p}
                  y={y}
                  look={looks.get(spot.place.id)}
                  chosen={spot.place.id === chosen}
                  focusable={spot.place.id === focusable}
                />
              ))}
              {reading === 'what' && labels.size === 0 && <UnitName unit={unit} seen={seen} y={y} />}
            </g>
          );
        })}
        <ZoneStrip plan={plan} units={units} />
        <SunBars patches={sun} maker={maker} facing={facing} y={y} />
        <BodyLines maker={maker} grip={grip} y={y} />
        {WORDS.map(([b, words]) => {
          const at = wrap(b);
          const edge = at === -180;
          return (
            <text
              key={words}
              x={edge ? 6 : x(at)}
              y={HEIGHT + 18}
              textAnchor={edge ? 'start' : 'middle'}
              fontSize={13}
              fill="var(--soft)"
            >
              {words}
            </text>
          );
        })}
        <text x={WIDTH - 6} y={HEIGHT + 18} textAnchor="end" fontSize={13} fill="var(--soft)">
          behind
        </text>
        <PointedAt plan={plan} units={units} y={y} />
      </svg>
    </div>
  );
}

/** A top is drawn as the slab it is: what may stand on it would hide what is behind. */
const asDrawn = (spot: Spot): Spot => (spot.place.kind === 'top' ? { ...spot, high: spot.low + SLAB } : spot);
const SLAB = 45;
