import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { type Frame } from '@heronstone/core/picture';
import { formatLength, type Measure } from '@heronstone/core/lengths';
import { useDrawnScale } from '../../../ui/drawn-scale.ts';
import { drawn, type Grip, type Point, pulled, type Shape, type Tool } from './shapes.ts';

/** The plane laid flat to scale; things are drawn over it, their lengths stand on them. */
export function FlatPane({
  image,
  frame,
  measure,
  tool,
  shapes,
  chosen,
  words,
  label,
  onDraw,
  onChoose,
  onKey,
  onChange,
  onPress,
  children,
}: {
  image: ImageData;
  frame: Frame;
  measure: Measure;
  /** null: nothing is drawn, points are pressed */
  tool: Tool | null;
  shapes: readonly Shape[];
  chosen: string | null;
  words: (shape: Shape) => string;
  label: string;
  onDraw: (shape: Shape) => void;
  onChoose: (id: string | null) => void;
  onKey: (e: KeyboardEvent, shape: Shape) => void;
  onChange?: (shape: Shape) => void;
  onPress?: (p: Point) => void;
  children?: (px: number) => ReactNode;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [from, setFrom] = useState<Point | null>(null);
  const [to, setTo] = useState<Point | null>(null);
  const grip = useRef<{ grip: Grip; shape: Shape; from: Point } | null>(null);
  const grab = (e: PointerEvent<SVGElement>, which: Grip, shape: Shape) => {
    if (!onChange) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    grip.current = { grip: which, shape, from: at(e) };
  };
  const drag = (e: PointerEvent) => {
    const held = grip.current;
    if (held) onChange?.(pulled(held.shape, held.grip, at(e), held.from));
  };
  const drop = () => {
    grip.current = null;
  };
  const scale = useDrawnScale(svg, frame.width, frame.height);
  const px = 1 / Math.max(scale, 1e-6);
  useEffect(() => {
    canvas.current?.getContext('2d')?.putImageData(image, 0, 0);
  }, [image]);
  const at = (e: PointerEvent): Point => {
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return { x: Math.min(frame.width, Math.max(0, p.x)), y: Math.min(frame.height, Math.max(0, p.y)) };
  };
  const ghost = from && to && tool ? drawn(tool, from, to) : null;
  return (
    <div
      className="relative mx-auto overflow-hidden rounded-xl border border-line"
      // as wide as there is room, and no taller than is seen at once
      style={{
        aspectRatio: `${frame.width} / ${frame.height}`,
        width: `min(100%, ${(58 * frame.width) / frame.height}vh)`,
      }}
    >
      <canvas
        ref={canvas}
        width={image.width}
        height={image.height}
        className="absolute inset-0 size-full"
        aria-hidden
      />
      <svg
        ref={svg}
        viewBox={`0 0 ${frame.width} ${frame.height}`}
        className="absolute inset-0 size-full cursor-crosshair touch-none select-none"
        role="group"
        aria-label={label}
        data-flat
        onPointerDown={(e) => {
          if (e.target !== svg.current || !tool) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          setFrom(at(e));
          setTo(null);
          onChoose(null);
        }}
        onPointerMove={(e) => from && setTo(at(e))}
        onPointerUp={(e) => {
          if (!tool) return onPress?.(at(e));
          const shape = from && drawn(tool, from, at(e));
          setFrom(null);
          setTo(null);
          if (shape) onDraw(shape);
        }}
        onPointerCancel={() => setFrom(null)}
      >
        {shapes.map((shape, i) => (
          // while points are pressed what was drawn is not in the way
          <g key={shape.id} pointerEvents={tool ? undefined : 'none'}>
            <g
              role="button"
              tabIndex={0}
              aria-label={`${i + 1}: ${words(shape) || 'no name yet'}, ${formatLength(shape.width, measure)} by ${formatLength(shape.depth, measure)}`}
              aria-pressed={shape.id === chosen}
              data-shape={shape.id}
              className="cursor-pointer focus-visible:outline-2"
              onClick={() => onChoose(shape.id)}
              onPointerDown={(e) => shape.id === chosen && grab(e, 'move', shape)}
              onPointerMove={drag}
              onPointerUp={drop}
              onPointerCancel={drop}
              onKeyDown={(e) => onKey(e, shape)}
            >
              <Outline shape={shape} px={px} strong={shape.id === chosen} named={words(shape) !== ''} />
            </g>
            <g aria-hidden pointerEvents="none">
              <text
                x={shape.x}
                y={shape.y}
                fontSize={13 * px}
                textAnchor="middle"
                dominantBaseline="middle"
                fill="var(--ink)"
                stroke="var(--paper)"
                strokeWidth={3 * px}
                paintOrder="stroke"
              >
                {i + 1}
              </text>
              {shape.id === chosen && <Lengths shape={shape} px={px} measure={measure} />}
            </g>
            {shape.id === chosen && onChange && (
              <g aria-hidden transform={turned(shape)}>
                {(['size', 'turn'] as const)
                  .filter((which) => which === 'size' || !shape.round)
                  .map((which) => (
                    <g
                      key={which}
                      data-grip={which}
                      className={which === 'size' ? 'cursor-nwse-resize' : 'cursor-grab'}
                      onPointerDown={(e) => grab(e, which, shape)}
                      onPointerMove={drag}
                      onPointerUp={drop}
                      onPointerCancel={drop}
                    >
                      <circle {...gripAt(shape, which, px)} r={16 * px} fill="transparent" />
                      <circle
                        {...gripAt(shape, which, px)}
                        r={5 * px}
                        fill="var(--paper)"
                        stroke="var(--heron)"
                        strokeWidth={2 * px}
                      />
                    </g>
                  ))}
              </g>
            )}
          </g>
        ))}
        {ghost && <Outline shape={ghost} px={px} strong named={false} />}
        {ghost && <Lengths shape={ghost} px={px} measure={measure} />}
        {children?.(px)}
      </svg>
    </div>
  );
}

/** Where a grip lies, from the middle of its shape and turned with it. */
const gripAt = (shape: Shape, which: 'size' | 'turn', px: number) =>
  which === 'turn'
    ? { cx: 0, cy: -shape.depth / 2 - 26 * px }
    : {
        cx: (shape.width / 2) * (shape.round ? Math.SQRT1_2 : 1),
        cy: (shape.depth / 2) * (shape.round ? Math.SQRT1_2 : 1),
      };

const turned = (s: Shape) => `translate(${s.x} ${s.y}) rotate(${s.turn})`;

function Outline({ shape, px, strong, named }: { shape: Shape; px: number; strong: boolean; named: boolean }) {
  const shared = {
    fill: named ? 'var(--heron)' : 'var(--paper)',
    fillOpacity: named ? 0.16 : 0.3,
    stroke: strong ? 'var(--heron)' : 'var(--ink)',
    strokeWidth: (strong ? 2.5 : 1.5) * px,
  };
  return (
    <g transform={turned(shape)}>
      {shape.round ? (
        <circle r={shape.width / 2} {...shared} />
      ) : (
        <rect x={-shape.width / 2} y={-shape.depth / 2} width={shape.width} height={shape.depth} {...shared} />
      )}
    </g>
  );
}

/** Its two sides, written on them. */
function Lengths({ shape, px, measure }: { shape: Shape; px: number; measure: Measure }) {
  const shared = {
    fontSize: 12 * px,
    textAnchor: 'middle' as const,
    fill: 'var(--ink)',
    stroke: 'var(--paper)',
    strokeWidth: 3 * px,
    paintOrder: 'stroke',
    pointerEvents: 'none' as const,
  };
  return (
    <g transform={turned(shape)}>
      <text y={-shape.depth / 2 - 4 * px} {...shared}>
        {formatLength(shape.width, measure)}
      </text>
      {!shape.round && (
        <text transform={`translate(${shape.width / 2 + 13 * px} 0) rotate(-90)`} {...shared}>
          {formatLength(shape.depth, measure)}
        </text>
      )}
    </g>
  );
}
