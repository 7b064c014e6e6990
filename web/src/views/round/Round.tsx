import { useDroppable } from '@dnd-kit/core';
import { type KeyboardEvent, type PointerEvent, useMemo, useRef } from 'react';
import { angleBetween, heading } from '@heronstone/core/geometry';
import { bodyOf } from '@heronstone/core/body';
import { placeSaid } from '@heronstone/core/concepts';
import { placesIn, type Plan, roomOf, type Unit, wallsInOrder } from '@heronstone/core/plan';
import { type SunPatch } from '@heronstone/core/sun';
import {
  cut,
  highestGrip,
  type Maker,
  sceneOf,
  type Seen,
  seePlace,
  seeUnit,
  type Spot,
  stretchesBetween,
} from '@heronstone/core/reach';
import { type Reading, useReading } from '../../state/reading.ts';
import { useHover } from '../../state/selection.ts';
import { bandColour, bandName, fetchWords } from '../../ui/words.ts';
import { heightScale } from './geometry.ts';
import { type PlaceLook } from './looks.ts';
import { fitting, labelIn, LETTER, widthOf } from './place-label.ts';
import { Things } from './Things.tsx';
import { zonesOfUnit } from '../floor/ZoneGround.tsx';
import { patternOf, ZonePatterns } from '../zones/marks.tsx';

const WIDTH = 1280;
const HEIGHT = 300;
const x = (bearing: number) => ((bearing + 180) / 360) * WIDTH;

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
      const next = nearest(order, here, way as [number, number]);
      if (next) svg.current?.querySelector<SVGElement>(`[data-place="${CSS.escape(next.id)}"]`)?.focus();
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onChoose(here.id);
    }
  };
  const onPointerDown = (e: PointerEvent) => {
    if ((e.target as Element).closest('[data-place]')) return;
    drag.current = { x: e.clientX, turn };
    svg.current?.setPointerCapture(e.pointerId);
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!drag.current || !svg.current) return;
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
                  onChoose={onChoose}
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

/** Degrees in [−180, 180). */
export function wrap(degrees: number): number {
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
}

type Mark = { id: string; x: number; z: number };

/** The next place in a direction: near, and rather straight ahead of it than aside. */
function nearest(all: readonly Mark[], from: Mark, [dx, dz]: [number, number]): Mark | null {
  let best: Mark | null = null;
  let least = Infinity;
  for (const to of all) {
    const along = dx !== 0 ? (to.x - from.x) * dx : ((to.z - from.z) / 12) * dz;
    const aside = dx !== 0 ? Math.abs(to.z - from.z) / 12 : Math.abs(to.x - from.x);
    if (to.id === from.id || along < 0.4) continue;
    const cost = along + 2.5 * aside;
    if (cost < least) {
      least = cost;
      best = to;
    }
  }
  return best;
}

type Drawn = { spot: Spot; seen: Seen };
const NO_LABELS: ReadonlyMap<string, string> = new Map();

const widestOf = ({ stretches }: Seen) => stretches.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));

/** What is written in the places of a unit: nothing where others stand in a place, or where its back is seen. */
function labelsOf(plan: Plan, places: readonly Drawn[], y: (mm: number) => number): ReadonlyMap<string, string> {
  const labels = new Map<string, string>();
  for (const { spot, seen } of places) {
    if (!seen.front || seen.stretches.length === 0 || placesIn(plan, spot.place.id).length > 0) continue;
    const { from, to } = widestOf(seen);
    const label = labelIn(plan, spot.place.id, x(to) - x(from), y(seen.low) - y(seen.high));
    if (label !== null) labels.set(spot.place.id, label);
  }
  return labels;
}

/** The name of a unit whose places are too small for theirs, or empty. */
function UnitName({ unit, seen, y }: { unit: Unit; seen: Seen; y: (mm: number) => number }) {
  if (seen.stretches.length === 0) return null;
  const { from, to } = widestOf(seen);
  const words = fitting([unit.name], x(to) - x(from), y(seen.low) - y(seen.high));
  return words && <Letters x={(x(from) + x(to)) / 2} y={(y(seen.low) + y(seen.high)) / 2} words={words} faint />;
}

/** Letters that are read on any colour. */
function Letters({ x, y, words, faint = false }: { x: number; y: number; words: string; faint?: boolean }) {
  return (
    <text
      x={x}
      y={y + LETTER * 0.36}
      textAnchor="middle"
      fontSize={LETTER}
      fill={faint ? 'var(--soft)' : 'var(--ink)'}
      stroke="var(--paper)"
      strokeWidth={3}
      strokeLinejoin="round"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {words}
    </text>
  );
}

/** The place that is pointed at, or has the focus, says what it is called, however small it is. */
function PointedAt({
  plan,
  units,
  y,
}: {
  plan: Plan;
  units: readonly { places: readonly Drawn[] }[];
  y: (mm: number) => number;
}) {
  const id = useHover((s) => s.place);
  const drawn = id === null ? undefined : units.flatMap((u) => u.places).find((p) => p.spot.place.id === id);
  const place = id === null ? undefined : plan.places[id];
  if (!drawn || !place || drawn.seen.stretches.length === 0) return null;
  const words = placeSaid(plan, place);
  const width = widthOf(words) + 14;
  const { from, to } = widestOf(drawn.seen);
  const middle = Math.min(WIDTH - width / 2 - 2, Math.max(width / 2 + 2, (x(from) + x(to)) / 2));
  const above = y(drawn.seen.high) - 24;
  const at = above > 2 ? above : y(drawn.seen.low) + 5;
  return (
    <g pointerEvents="none" aria-hidden>
      <rect x={middle - width / 2} y={at} width={width} height={19} rx={5} fill="var(--ink)" />
      <text x={middle} y={at + 13.5} textAnchor="middle" fontSize={LETTER} fill="var(--paper)">
        {words}
      </text>
    </g>
  );
}

type MarkProps = {
  id: string;
  plan: Plan;
  reading: Reading;
  /** its name, as far as it goes in */
  label: string | null;
  title: string;
  seen: Seen;
  y: (mm: number) => number;
  look: PlaceLook | undefined;
  chosen: boolean;
  focusable: boolean;
  onChoose: (id: string) => void;
};

function PlaceMark({ id, plan, reading, label, title, seen, y, look, chosen, focusable, onChoose }: MarkProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `round:${id}`, data: { placeId: id } });
  const hovered = useHover((s) => s.place === id);
  // with a thing in hand every place says how far it is for that, whatever is read otherwise
  const band = look?.dim ? 'var(--stone)' : bandColour(look?.band ?? null);
  const colour = { what: 'var(--paper)', far: band, much: 'var(--heron)' }[reading];
  const top = y(seen.high);
  const height = Math.max(2, y(seen.low) - top);
  const full = Math.min(1, look?.full ?? 0);
  const strong = chosen || isOver || hovered;
  const widest = widestOf(seen);
  const used = usedRadius(look?.fetches ?? 0) * (reading === 'what' ? 0.6 : 1);
  const words = `${title}. ${bandName(look?.band ?? null)}${look?.seconds ? `, ${fetchWords(look.seconds)}` : ''}. ${look?.kinds ? `${look.kinds} kinds, ${Math.round((look.full ?? 0) * 100)} % full` : 'empty'}.`;
  return (
    <g
      ref={setNodeRef as unknown as (e: SVGGElement | null) => void}
      data-place={id}
      role="button"
      aria-label={words}
      aria-pressed={chosen}
      tabIndex={focusable ? 0 : -1}
      className="cursor-pointer outline-none"
      onClick={() => onChoose(id)}
      onPointerEnter={() => useHover.setState({ place: id })}
      onPointerLeave={() => useHover.setState({ place: null })}
      onFocus={() => useHover.setState({ place: id })}
      onBlur={() => useHover.setState({ place: null })}
    >
      {seen.stretches.map((s) => {
        const left = x(s.from) + 0.75;
        const width = Math.max(1.5, x(s.to) - x(s.from) - 1.5);
        return (
          <g key={s.from}>
            <rect
              x={left}
              y={top + 0.75}
              width={width}
              height={Math.max(1.5, height - 1.5)}
              rx={1.5}
              fill={colour}
              fillOpacity={
                { what: seen.front ? 0.75 : 0.3, far: seen.front ? 0.8 : 0.2, much: seen.front ? 0.12 : 0.05 }[reading]
              }
            />
            {reading === 'what' && seen.front && (
              <g transform={`translate(${left} ${top + 0.75}) scale(${width} ${Math.max(1.5, height - 1.5)})`}>
                <Things plan={plan} placeId={id} />
              </g>
            )}
            {reading === 'what' && look?.asked && (
              <rect
                x={left}
                y={top + 0.75}
                width={width}
                height={Math.max(1.5, height - 1.5)}
                rx={1.5}
                fill={band}
                fillOpacity={0.75}
              />
            )}
            {reading === 'much' && seen.front && (
              <rect
                x={left}
                y={top + height - Math.max(0, height - 1.5) * full}
                width={width}
                height={Math.max(0, height - 1.5) * full}
                rx={1.5}
                fill={colour}
                fillOpacity={0.6}
              />
            )}
            <rect
              x={left}
              y={top + 0.75}
              width={width}
              height={Math.max(1.5, height - 1.5)}
              rx={1.5}
              fill="none"
              stroke={strong ? 'var(--ink)' : look?.fault ? 'var(--clash)' : 'var(--wood-line)'}
              strokeWidth={strong ? 2.6 : look?.fault ? 2 : 1}
              strokeDasharray={seen.front ? undefined : '3 3'}
            />
          </g>
        );
      })}
      {look && look.fetches > 0 && (
        // in a corner: it must not hide what it speaks of
        <circle
          cx={x(widest.to) - Math.min(6.5, 2 + used)}
          cy={top + Math.min(height / 2, 2 + used)}
          r={used}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
      )}
      {label !== null && <Letters x={(x(widest.from) + x(widest.to)) / 2} y={top + height / 2} words={label} />}
      {look?.here && (
        <path d={`M ${(x(widest.from) + x(widest.to)) / 2} ${top - 3} l -6 -9 h 12 z`} fill="var(--heron)" />
      )}
    </g>
  );
}

/** How often the hand goes there, as the radius of a mark, px. */
const usedRadius = (fetches: number): number => Math.min(5, 1.2 + 0.2 * Math.sqrt(fetches));

/** Under the ribbon: which zone is where around the seat, by tint and hatch, its name where there is room. */
function ZoneStrip({ plan, units }: { plan: Plan; units: readonly { unit: Unit; seen: Seen }[] }) {
  const zones = Object.values(plan.zones);
  if (zones.length === 0) return null;
  return (
    <g>
      <ZonePatterns zones={zones} on="round" size={6} />
      {units.flatMap(({ unit, seen }) => {
        const own = zonesOfUnit(plan, unit);
        return seen.stretches.flatMap((s) =>
          own.map((id, i) => {
            const wide = (x(s.to) - x(s.from)) / own.length;
            const zone = plan.zones[id]!;
            return (
              <rect
                key={`${unit.id} ${id} ${s.from}`}
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
      })}
    </g>
  );
}

function Walls({ plan, maker, facing, y }: { plan: Plan; maker: Maker; facing: number; y: (mm: number) => number }) {
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
function SunBars({
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

function BodyLines({ maker, grip, y }: { maker: Maker; grip: number; y: (mm: number) => number }) {
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
