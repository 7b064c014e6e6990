import { useGround } from './ground.ts';
import { LEAST_LETTER, useDrawnScale } from '../../ui/drawn-scale.ts';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { DIVIDER } from '@heronstone/core/catalogue';
import { stowageOf } from '@heronstone/core/fit';
import { natureOf, outerOf, type Place, placesIn, type Plan } from '@heronstone/core/plan';
import { faceOf, namesIn } from './faces.ts';
import { keyed, keyWords } from './letters.ts';
import { Stack } from './Stack.tsx';
import { Holder } from './Holder.tsx';

type Props = {
  plan: Plan;
  place: Place;
  className?: string;
  /** what has no room for its name is numbered, with a key under the drawing; not where names stand beside it */
  withKey?: boolean;
  /** opens what stands in it */
  onOpen?: (placeId: string) => void;
  /** a container was drawn to another seat, mm from the left and the front */
  onMove?: (place: Place, left: number, front: number) => void;
  /** dividers were drawn: the sizes of the lanes or rows, mm */
  onDivide?: (way: 'lanes' | 'rows', sizes: number[]) => void;
};

/** A place as it is when one looks into it, to scale: what stands in it, and the things where they really go. */
export function Inside({ plan, place, className, withKey = true, onOpen, onMove, onDivide }: Props) {
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
  // nothing is told before it is known how large it is drawn
  const marks = withKey && scale > 1e-6 ? keyed(stacks, name, face.width, least) : { key: [], besides: [] };
  const labelOf = (id: string) => {
    const no = marks.key.indexOf(name(id));
    return no < 0 ? name(id) : String(no + 1);
  };
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
            label={labelOf(s.id)}
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
        {face.board ? 'Straight from the front.' : 'From above, front below.'} {keyWords(marks)}
        {laid.faults.length > 0 && <span className="text-clash"> {laid.faults.join('; ')}.</span>}
      </figcaption>
    </figure>
  );
}
