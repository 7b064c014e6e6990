import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { type ImageSize } from '@heronstone/core/picture';
import { useDrawnScale } from '../../../ui/drawn-scale.ts';
import { type Point } from './shapes.ts';

/** A set of four corners to pull, with what they are the corners of. */
export type Corners = {
  id: string;
  of: string;
  /** names of the corners, upper left first */
  names: readonly string[];
  points: readonly Point[];
  colour: string;
  /** found by themselves: shown, not pulled */
  fixed?: boolean;
  /** @param pulled which corner was let go by the finger, and how far round it edges may pull, px */
  onMove: (points: Point[], done: boolean, pulled?: { corner: number; reach: number }) => void;
};

/** So many times larger under the finger. */
const LARGER = 4;
/** A corner let go within so much of where two edges cross goes there, px of the screen. */
const PULL = 7;
/** The magnifier’s side, px of the screen. */
const GLASS = 132;

/** The picture as it was taken, with corners to pull; a magnifier shows what lies under the finger. */
export function PhotoPane({
  url,
  image,
  corners,
  straight,
  onPress,
}: {
  url: string;
  image: ImageSize;
  corners: readonly Corners[];
  straight: readonly (readonly Point[])[];
  /** while points are pressed one by one, as along a straight edge */
  onPress: ((p: Point) => void) | null;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const scale = useDrawnScale(svg, image.width, image.height);
  const [pulled, setPulled] = useState<{ id: string; corner: number } | null>(null);
  const px = 1 / Math.max(scale, 1e-6);
  const at = (e: { clientX: number; clientY: number }): Point => {
    const m = svg.current!.getScreenCTM()!.inverse();
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    return { x: Math.min(image.width, Math.max(0, p.x)), y: Math.min(image.height, Math.max(0, p.y)) };
  };
  const moved = (set: Corners, corner: number, p: Point, done: boolean, byHand = true) =>
    set.onMove(
      set.points.map((q, i) => (i === corner ? p : q)),
      done,
      done && byHand ? { corner, reach: PULL * px } : undefined,
    );
  const onKeyDown = (e: KeyboardEvent, set: Corners, corner: number) => {
    const step = (e.shiftKey ? 20 : 2) * px;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    const p = set.points[corner]!;
    moved(set, corner, { x: p.x + by[0]! * step, y: p.y + by[1]! * step }, true, false);
  };
  const under = pulled && corners.find((c) => c.id === pulled.id)?.points[pulled.corner];
  return (
    <figure className="relative min-w-0">
      <svg
        ref={svg}
        viewBox={`0 0 ${image.width} ${image.height}`}
        className={`max-h-[58vh] w-full touch-none rounded-xl bg-stone ${onPress ? 'cursor-crosshair' : ''}`}
        role="group"
        aria-label="The picture as it was taken"
        onClick={(e) => onPress?.(at(e))}
      >
        <image href={url} width={image.width} height={image.height} />
        {straight.map((line, i) => (
          <g key={i} stroke="var(--hand)" strokeWidth={2 * px} fill="none">
            <polyline points={line.map((p) => `${p.x},${p.y}`).join(' ')} />
            {line.map((p, k) => (
              <circle key={k} cx={p.x} cy={p.y} r={4 * px} fill="var(--paper)" />
            ))}
          </g>
        ))}
        <g pointerEvents="none">
          {corners.map((set) => (
            <polygon
              key={set.id}
              points={set.points.map((p) => `${p.x},${p.y}`).join(' ')}
              fill={set.colour}
              fillOpacity={0.08}
              stroke={set.colour}
              strokeWidth={2 * px}
              strokeDasharray={set.fixed ? undefined : `${7 * px} ${4 * px}`}
            />
          ))}
        </g>
        {corners.flatMap((set) =>
          set.fixed
            ? []
            : set.points.map((p, i) => (
                <Handle
                  key={`${set.id}${i}`}
                  at={p}
                  px={px}
                  colour={set.colour}
                  name={`${set.of}: ${set.names[i] ?? ''}`}
                  onKeyDown={(e) => onKeyDown(e, set, i)}
                  onDown={(e) => {
                    e.currentTarget.setPointerCapture(e.pointerId);
                    setPulled({ id: set.id, corner: i });
                  }}
                  onMove={(e) => pulled?.id === set.id && pulled.corner === i && moved(set, i, at(e), false)}
                  onUp={(e) => {
                    if (!pulled) return;
                    setPulled(null);
                    moved(set, i, at(e), true);
                  }}
                />
              )),
        )}
      </svg>
      {under && <Glass url={url} image={image} at={under} px={px} />}
    </figure>
  );
}

function Handle({
  at,
  px,
  colour,
  name,
  onKeyDown,
  onDown,
  onMove,
  onUp,
}: {
  at: Point;
  px: number;
  colour: string;
  name: string;
  onKeyDown: (e: KeyboardEvent) => void;
  onDown: (e: PointerEvent<SVGElement>) => void;
  onMove: (e: PointerEvent<SVGElement>) => void;
  onUp: (e: PointerEvent<SVGElement>) => void;
}) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      className="cursor-grab focus-visible:outline-2"
      onKeyDown={onKeyDown}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={onUp}
    >
      {/* as wide as a finger */}
      <circle cx={at.x} cy={at.y} r={20 * px} fill="transparent" />
      <circle
        cx={at.x}
        cy={at.y}
        r={9 * px}
        fill="var(--paper)"
        fillOpacity={0.55}
        stroke={colour}
        strokeWidth={2.5 * px}
      />
      <path
        d={`M${at.x - 5 * px} ${at.y}h${10 * px}M${at.x} ${at.y - 5 * px}v${10 * px}`}
        stroke={colour}
        strokeWidth={px}
      />
    </g>
  );
}

/** What lies under the finger, larger, in the corner that the finger is not in. */
function Glass({ url, image, at, px }: { url: string; image: ImageSize; at: Point; px: number }) {
  const side = (GLASS * px) / LARGER;
  const right = at.x < image.width / 2;
  return (
    <svg
      viewBox={`${at.x - side / 2} ${at.y - side / 2} ${side} ${side}`}
      width={GLASS}
      height={GLASS}
      aria-hidden
      className={`pointer-events-none absolute top-2 rounded-full border-2 border-heron bg-stone shadow-lg ${right ? 'right-2' : 'left-2'}`}
    >
      <image href={url} width={image.width} height={image.height} />
      <path
        d={`M${at.x - side / 2} ${at.y}h${side}M${at.x} ${at.y - side / 2}v${side}`}
        stroke="var(--heron)"
        strokeWidth={side / 130}
      />
    </svg>
  );
}
