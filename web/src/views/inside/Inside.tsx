import { useGround } from './ground.ts';
import { LEAST_LETTER, useDrawnScale } from '../../ui/drawn-scale.ts';
import { halo } from '../../ui/halo.ts';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { DIVIDER } from '@heronstone/core/catalogue';
import { type LaidStack, stowageOf } from '@heronstone/core/fit';
import { natureOf, outerOf, type Place, placesIn, type Plan } from '@heronstone/core/plan';

type Props = {
  plan: Plan;
  place: Place;
  className?: string;
  /** opens what stands in it */
  onOpen?: (placeId: string) => void;
  /** a container was drawn to another seat, mm from the left and the front */
  onMove?: (place: Place, left: number, front: number) => void;
  /** dividers were drawn: the sizes of the lanes or rows, mm */
  onDivide?: (way: 'lanes' | 'rows', sizes: number[]) => void;
};

/** What is drawn at a scale: a drawer from above with its front below; a board, or upright slots, straight from the front. */
function faceOf(place: Place): { width: number; depth: number; board: boolean } {
  const board = place.kind === 'board';
  return { width: place.width, depth: board ? place.height : place.depth, board };
}

/** What lies in a container, as its drawing says it; a thing and its reserve are one name. */
const namesIn = (plan: Plan, place: Place): string[] => [
  ...new Set(stowageOf(plan, place).things.map((t) => t.supply.name)),
];

/** A place as it is when one looks into it, to scale: what stands in it, and the things where they really go. */
export function Inside({ plan, place, className, onOpen, onMove, onDivide }: Props) {
  const laid = useMemo(() => stowageOf(plan, place), [plan, place]);
  const inner = placesIn(plan, place.id);
  const ground = useGround(plan, place.id);
  const face = faceOf(place);
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<{ id: string; dx: number; dy: number } | null>(null);
  const [divider, setDivider] = useState<{ index: number; by: number } | null>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const pad = Math.max(face.width, face.depth) * 0.03;
  const scale = useDrawnScale(svg, face.width + 2 * pad, face.depth + 2 * pad);
  const least = LEAST_LETTER / Math.max(scale, 1e-6);
  const upright = place.kind === 'slot' && natureOf(place) === 'pile';
  const stacks = upright ? [] : laid.stacks;
  const name = (id: string) => laid.things.find((t) => t.id === id)?.supply.name ?? plan.units[id]?.name ?? '';
  const colour = (id: string) => laid.things.find((t) => t.id === id)?.supply.colour ?? 'var(--sand)';
  const parts = inner.filter((p) => p.organiserId === null && p.kind === 'lane');
  const way = parts.some((p) => p.front > 0) ? 'rows' : 'lanes';
  const millimetres = (e: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const scale = Math.max((face.width + 2 * pad) / box.width, (face.depth + 2 * pad) / box.height);
    return { x: e.clientX * scale, y: e.clientY * scale };
  };
  const grab = (e: PointerEvent) => {
    from.current = millimetres(e);
    (e.target as Element).setPointerCapture(e.pointerId);
  };
  const moved = (e: PointerEvent) => {
    const at = millimetres(e);
    return { dx: at.x - from.current!.x, dy: at.y - from.current!.y };
  };
  const edges = parts.slice(0, -1).map((p) => (way === 'lanes' ? p.left + p.width : p.front + p.depth));
  const limits = (index: number): [number, number] => {
    const size = (p: Place) => (way === 'lanes' ? p.width : p.depth);
    return [-(size(parts[index]!) - 10), size(parts[index + 1]!) - 10];
  };
  return (
    <figure className={className}>
      <svg
        ref={svg}
        viewBox={`${-pad} ${-pad} ${face.width + 2 * pad} ${face.depth + 2 * pad}`}
        className="max-h-full w-full touch-none"
        role="group"
        aria-label={face.board ? `${place.name} from the front` : `${place.name} seen from above`}
      >
        <rect
          width={face.width}
          height={face.depth}
          fill="var(--paper)"
          stroke="var(--wood-line)"
          strokeWidth={pad / 2}
        />
        {ground && (
          <image
            data-ground
            href={ground}
            width={face.width}
            height={face.depth}
            preserveAspectRatio="none"
            opacity={0.7}
            aria-hidden
          />
        )}
        {stacks.map((s, i) => (
          <Stack
            key={i}
            stack={s}
            y={face.depth - s.y - s.depth}
            words={name(s.id)}
            fill={colour(s.id)}
            width={face.width}
            least={least}
          />
        ))}
        {inner.map((p) => {
          const outer = outerOf(plan, p);
          const depth = face.board ? outer.height : outer.depth;
          const shift = drawn?.id === p.id ? drawn : { dx: 0, dy: 0 };
          const x = p.left + shift.dx;
          const y = face.depth - (face.board ? p.bottom : p.front) - depth + shift.dy;
          const container = p.organiserId !== null;
          return (
            <g
              key={p.id}
              data-inner={p.id}
              {...(onOpen && {
                role: 'button',
                tabIndex: 0,
                'aria-label': ['Open', p.name, ...namesIn(plan, p)].join(' '),
                className: 'cursor-pointer',
              })}
              onClick={() => !drawn && onOpen?.(p.id)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                onOpen?.(p.id);
              }}
              onPointerDown={(e) => container && onMove && grab(e)}
              onPointerMove={(e) => {
                if (!from.current || !container || !onMove) return;
                const by = moved(e);
                if (drawn || Math.hypot(by.dx, by.dy) > pad) setDrawn({ id: p.id, ...by });
              }}
              onPointerUp={(e) => {
                if (!from.current) return;
                const by = moved(e);
                from.current = null;
                if (!drawn) return;
                // the click that ends the drawing opens nothing
                setTimeout(() => setDrawn(null), 0);
                onMove?.(p, Math.max(0, p.left + by.dx), Math.max(0, p.front - by.dy));
              }}
            >
              <Holder
                plan={plan}
                least={least}
                place={p}
                x={x}
                y={y}
                width={outer.width}
                depth={depth}
                container={container}
                line={pad}
              />
            </g>
          );
        })}
        {onDivide &&
          edges.map((at, index) => {
            const by = divider?.index === index ? divider.by : 0;
            const lanes = way === 'lanes';
            return (
              <rect
                key={index}
                data-divider={index}
                x={lanes ? at + by - pad / 2 : 0}
                y={lanes ? 0 : face.depth - at - by - DIVIDER - pad / 2}
                width={lanes ? DIVIDER + pad : face.width}
                height={lanes ? face.depth : DIVIDER + pad}
                fill="var(--heron)"
                fillOpacity={divider?.index === index ? 0.6 : 0.15}
                className={lanes ? 'cursor-ew-resize' : 'cursor-ns-resize'}
                onPointerDown={grab}
                onPointerMove={(e) => {
                  if (!from.current) return;
                  const { dx, dy } = moved(e);
                  const [least, most] = limits(index);
                  setDivider({ index, by: Math.min(most, Math.max(least, lanes ? dx : -dy)) });
                }}
                onPointerUp={() => {
                  from.current = null;
                  if (!divider) return;
                  const sizes = parts.map((p) => (lanes ? p.width : p.depth));
                  sizes[index]! += divider.by;
                  sizes[index + 1]! -= divider.by;
                  setDivider(null);
                  onDivide(way, sizes);
                }}
              />
            );
          })}
        {!face.board && (
          <line x1={0} x2={face.width} y1={face.depth} y2={face.depth} stroke="var(--wood-line)" strokeWidth={pad} />
        )}
      </svg>
      <figcaption className="text-[13px] text-soft">
        {face.board ? 'Straight from the front.' : 'From above, front below.'}
        {laid.faults.length > 0 && <span className="text-clash"> {laid.faults.join('; ')}.</span>}
      </figcaption>
    </figure>
  );
}

function Stack({
  stack,
  y,
  words,
  fill,
  width,
  least,
}: {
  stack: LaidStack;
  y: number;
  words: string;
  fill: string;
  width: number;
  /** letters smaller than this are not drawn */
  least: number;
}) {
  const upright = stack.depth > stack.width * 1.3;
  const [long, short] = upright ? [stack.depth, stack.width] : [stack.width, stack.depth];
  const size = Math.min(short * 0.45, (long / Math.max(5, words.length)) * 1.75, Math.max(width / 16, least));
  return (
    <g>
      <rect
        x={stack.x + 1}
        y={y + 1}
        width={Math.max(1, stack.width - 2)}
        height={Math.max(1, stack.depth - 2)}
        rx={3}
        fill={fill}
        fillOpacity={0.5}
        stroke="var(--ink)"
        strokeWidth={1.5}
      >
        <title>
          {words}, {stack.pieces}
        </title>
      </rect>
      {size >= least && (
        <text
          transform={`translate(${stack.x + stack.width / 2} ${y + stack.depth / 2}) ${upright ? 'rotate(-90)' : ''}`}
          fontSize={size}
          textAnchor="middle"
          dominantBaseline="middle"
          fill="var(--ink)"
          {...halo(size / 5)}
          pointerEvents="none"
        >
          {words}
          {stack.pieces > 1 ? ` ×${stack.pieces}` : ''}
        </text>
      )}
    </g>
  );
}

/** A container, lane or slot with what lies in it, drawn small where it stands. */
function Holder({
  plan,
  place,
  x,
  y,
  width,
  depth,
  container,
  line,
  least,
}: {
  plan: Plan;
  place: Place;
  x: number;
  y: number;
  width: number;
  depth: number;
  container: boolean;
  line: number;
  /** letters smaller than this are not drawn */
  least: number;
}) {
  const laid = stowageOf(plan, place);
  const full = laid.capacity > 0 ? Math.min(1, laid.used / laid.capacity) : 0;
  const names = namesIn(plan, place);
  const words = names.length > 0 ? names : [place.name];
  const upright = depth > width * 1.3;
  const [long, short] = upright ? [depth, width] : [width, depth];
  const longest = Math.max(6, ...words.map((w) => w.length));
  const size = Math.min(Math.max(line * 1.5, least), (long / longest) * 1.75, (short / words.length) * 0.8);
  const colours = laid.things.map((t) => t.supply.colour ?? 'var(--sand)');
  return (
    <>
      <rect
        x={x}
        y={y}
        width={width}
        height={depth}
        rx={container ? line / 3 : 0}
        fill={laid.faults.length > 0 ? 'var(--clash)' : 'var(--stone)'}
        fillOpacity={laid.faults.length > 0 ? 0.25 : container ? 0.75 : 0.3}
        stroke="var(--ink)"
        strokeWidth={container ? line / 5 : line / 8}
        strokeDasharray={container ? undefined : `${line / 2} ${line / 3}`}
      >
        <title>{`${place.name}: ${names.join(', ') || 'empty'}`}</title>
      </rect>
      {colours.map((colour, i) => (
        <rect
          key={i}
          x={x + line / 3 + (i * (width - (2 * line) / 3) * full) / colours.length}
          y={y + depth - line * 0.9}
          width={Math.max(0, ((width - (2 * line) / 3) * full) / colours.length - 1)}
          height={line * 0.6}
          fill={colour}
          pointerEvents="none"
        />
      ))}
      {size >= least && (
        <g
          transform={`translate(${x + width / 2} ${y + depth / 2}) ${upright ? 'rotate(-90)' : ''}`}
          fontSize={size}
          textAnchor="middle"
          fill="var(--ink)"
          fillOpacity={names.length > 0 ? 1 : 0.75}
          {...halo(size / 5)}
          pointerEvents="none"
        >
          {words.map((w, i) => (
            // the blank keeps the names apart for who hears them
            <text key={i} y={(i - (words.length - 1) / 2 + 0.35) * size * 1.15}>
              {`${w} `}
            </text>
          ))}
        </g>
      )}
    </>
  );
}
