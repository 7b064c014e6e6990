import {
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
  type ReactNode,
  useCallback,
  useEffect,
  useId,
  useMemo,
  useRef,
} from 'react';
import { bodyOf } from '@heronstone/core/body';
import { type Plan } from '@heronstone/core/plan';
import { type SunPatch } from '@heronstone/core/sun';
import { highestGrip, type Maker, sceneOf, seePlace, type Seen, seeUnit, type Spot } from '@heronstone/core/reach';
import { type Reading, useReading } from '../../state/reading.ts';
import { useHover } from '../../state/selection.ts';
import { useTurning } from '../../state/turning.ts';
import { ZonePatterns } from '../zones/marks.tsx';
import { HEIGHT, heightScale, nextPlace, unrolled, WIDTH, wrap, x } from './geometry.ts';
import { type PlaceLook } from './looks.ts';
import { PointedAt } from './names.tsx';
import { type Box, pressed, TARGET, topmost } from './pressed.ts';
import { BodyLines, SunBars, Walls } from './scenery.tsx';
import { TurnedUnit } from './UnitGroup.tsx';

type Props = {
  plan: Plan;
  maker: Maker;
  /** degrees by which the ribbon is turned from the seat's heading, right positive */
  turn: number;
  /** it was dragged and let go; until then only `useTurning` knows */
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
  turn: kept,
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
  const turn = useTurning((s) => s.to) ?? kept;
  const facing = maker.seat.heading;
  const scene = sceneOf(plan);
  const ribbon = useRef<HTMLDivElement>(null);
  const drag = useRef<{ x: number; turn: number; to?: number } | null>(null);
  const on = useId();
  // looked up when it happens: what is drawn does not change with who listens
  const steps = useRef(onStepTo);
  useEffect(() => {
    steps.current = onStepTo;
  });
  // who leaves while dragging finds the next room not turned
  useEffect(() => () => useTurning.setState({ to: null }), []);
  const stepTo = useCallback((unitId: string) => steps.current?.(unitId), []);

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
          seen: unrolled(seeUnit(maker, facing, unit)),
          places: [...scene.spots.values()]
            .filter((s) => s.unit.id === unit.id)
            .map((spot) => ({ spot, seen: unrolled(seePlace(maker, facing, asDrawn(spot))) })),
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
          bearing: (p.seen.stretches[0]!.from + p.seen.stretches[0]!.to) / 2,
          z: (p.seen.low + p.seen.high) / 2,
        })),
    [units],
  );

  const focusable = chosen && order.some((o) => o.id === chosen) ? chosen : order[0]?.id;
  const onKeyDown = (e: KeyboardEvent) => {
    const id = (e.target as SVGElement).dataset.place;
    const seenNow = order.map(({ id, bearing, z }) => ({ id, x: wrap(bearing - turn), z }));
    const here = seenNow.find((o) => o.id === id);
    if (!here) return;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (way) {
      e.preventDefault();
      const next = nextPlace(seenNow, here, way as [number, number]);
      if (next) ribbon.current?.querySelector<SVGElement>(`[data-place="${CSS.escape(next.id)}"]`)?.focus();
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onChoose(here.id);
    }
  };
  /** what is drawn, in its order: units, which mean nothing, and places */
  const drawn = useMemo(
    () =>
      units.flatMap((u) => [
        ...boxesOf(null, u.seen, y),
        ...u.places.flatMap(({ spot, seen }) => boxesOf(spot.place.id, seen, y)),
      ]),
    [units, y],
  );
  /** The place a pointer means. */
  const meant = (e: MouseEvent): string | null => {
    const shown = ribbon.current?.getBoundingClientRect();
    if (!shown || shown.width === 0) return null;
    // the drawing may be smaller or larger on the screen than its own units
    const scale = shown.width / WIDTH;
    const at = { x: (e.clientX - shown.left) / scale + x(turn) - x(0), y: (e.clientY - shown.top) / scale };
    // everything where it is nearest to the pointer: the ribbon goes round
    const near = drawn.map((b) => {
      const off = Math.round((at.x - (b.left + b.right) / 2) / WIDTH) * WIDTH;
      return off === 0 ? b : { ...b, left: b.left + off, right: b.right + off };
    });
    const places = near.filter((b): b is Box => b.id !== null);
    return pressed(at, places, topmost(at, near)?.id ?? null, TARGET / scale);
  };
  const onPointerDown = (e: PointerEvent) => {
    if (meant(e) !== null) return;
    drag.current = { x: e.clientX, turn };
    ribbon.current?.setPointerCapture(e.pointerId);
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!ribbon.current) return;
    if (!drag.current) {
      const place = meant(e);
      if (place !== useHover.getState().place) useHover.setState({ place });
      return;
    }
    const degrees = ((e.clientX - drag.current.x) / ribbon.current.clientWidth) * 360;
    if (Math.abs(degrees) <= 1) return;
    drag.current.to = wrap(Math.round(drag.current.turn - degrees));
    useTurning.setState({ to: drag.current.to });
  };

  const onPointerUp = () => {
    const to = drag.current?.to;
    drag.current = null;
    if (to === undefined) return;
    onTurn(to);
    useTurning.setState({ to: null });
  };

  const drawing = { viewBox: `0 0 ${WIDTH} ${HEIGHT + 26}`, className: 'absolute inset-0 size-full overflow-visible' };
  return (
    // where the window is narrow one sees what is ahead, in letters that can be read; turning brings the rest
    <div className="flex justify-center overflow-hidden">
      <div
        ref={ribbon}
        className="relative w-full min-w-[1240px] shrink-0 touch-none select-none overflow-hidden bg-paper"
        style={{ aspectRatio: `${WIDTH} / ${HEIGHT + 26}` }}
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
        {/* a layer of its own: turning moves it, and draws nothing anew */}
        <div
          className="absolute inset-0 will-change-transform"
          style={{ transform: `translateX(${(-turn / 360) * 100}%)` }}
        >
          <svg {...drawing}>
            <ZonePatterns zones={Object.values(plan.zones)} on="round" size={6} />
            <Thrice id={`${on}walls`}>
              <Walls plan={plan} maker={maker} facing={facing} y={y} />
            </Thrice>
            {units.map(({ unit, seen, places }) => (
              <TurnedUnit
                key={unit.id}
                {...{ on, turn, plan, unit, seen, places, reading, looks, focusable, y, onStepTo: stepTo }}
                chosen={places.some((p) => p.spot.place.id === chosen) ? chosen : null}
              />
            ))}
            <Thrice id={`${on}sun`}>
              <SunBars patches={sun} maker={maker} facing={facing} y={y} />
            </Thrice>
          </svg>
        </div>
        <svg {...drawing} className={`${drawing.className} pointer-events-none`}>
          <BodyLines maker={maker} grip={grip} y={y} />
          {WORDS.map(([b, words]) => {
            const edge = b === -180;
            return (
              <text
                key={words}
                x={edge ? 6 : x(b)}
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
          <PointedAt plan={plan} units={units} turn={turn} y={y} />
        </svg>
      </div>
    </div>
  );
}

/** What goes all round, once more on either side: whichever way it is turned there is something to see. */
function Thrice({ id, children }: { id: string; children: ReactNode }) {
  return (
    <>
      <g id={id}>{children}</g>
      <use href={`#${id}`} x={-WIDTH} aria-hidden pointerEvents="none" />
      <use href={`#${id}`} x={WIDTH} aria-hidden pointerEvents="none" />
    </>
  );
}

/** Where something is drawn. */
const boxesOf = <Id extends string | null>(id: Id, { stretches, low, high }: Seen, y: (mm: number) => number) =>
  stretches.map((s) => ({ id, left: x(s.from), right: x(s.to), top: y(high), bottom: y(low) }));

/** A top is drawn as the slab it is: what may stand on it would hide what is behind. */
const asDrawn = (spot: Spot): Spot => (spot.place.kind === 'top' ? { ...spot, high: spot.low + SLAB } : spot);
const SLAB = 45;
