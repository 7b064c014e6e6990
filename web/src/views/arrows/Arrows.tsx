import { type Point } from '@heronstone/core/geometry';
import { formatLength } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { LengthField, NumberField } from '../../ui/fields/index.ts';
import { type Arrow } from './arrow.ts';
import { type Box, spread } from './spread.ts';

/** A field on an arrow is so high, and as wide as what stands in it, px. */
const HIGH = 24;
const LETTER = 7;
/** What says “through the wall”, px. */
const WRONG = 96;
/** At rest it is a number on its arrow, with a line under it that says it can be typed over. */
const FIELD =
  '[&_input]:!min-h-[24px] [&_input]:!rounded-sm [&_input]:!border-x-0 [&_input]:!border-t-0 [&_input]:!border-heron [&_input]:!bg-ground/90 [&_input]:!px-0.5 [&_input]:!py-0 [&_input]:text-center [&_input]:text-[13px] focus-within:z-10';
/** The head of an arrow, px. */
const HEAD = 6;

/** Lengths on their own arrows, over a drawing: typed where they apply, from one to the next by tab. */
export function Arrows({
  arrows,
  at,
  frame,
  free = [],
}: {
  arrows: readonly Arrow[];
  /** where a point of the drawing is on the screen, px from the drawing's corner */
  at: (p: Point) => Point;
  /** size of the drawing, px */
  frame: { width: number; height: number };
  /** what no field may cover, px */
  free?: readonly Box[];
}) {
  const measure = usePlan((s) => s.plan.head.measure);
  const drawn = arrows.map((arrow) => {
    const words = 'mm' in arrow ? formatLength(arrow.mm, measure) : `${arrow.degrees}   °`;
    const size = { width: arrow.wrong ? WRONG : Math.max(40, words.length * LETTER + 12), height: HIGH };
    const [a, b] = [at(arrow.from), at(arrow.to)];
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    const along = long > 0.5 ? { x: (b.x - a.x) / long, y: (b.y - a.y) / long } : { x: 0, y: 1 };
    return { arrow, size, a, b, long, along, middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } };
  });
  const boxes = spread(drawn, { left: 0, top: 0, ...frame }, free);
  return (
    <div className="pointer-events-none absolute inset-0">
      <svg aria-hidden className="absolute inset-0 h-full w-full overflow-visible">
        {drawn.map(({ arrow, a, b, long, along, middle }, i) => {
          const box = boxes[i]!;
          const centre = { x: box.left + box.width / 2, y: box.top + box.height / 2 };
          const aside = Math.hypot(centre.x - middle.x, centre.y - middle.y) > HIGH;
          return (
            <g key={arrow.key} stroke="var(--heron)" fill="none" strokeWidth={1.3}>
              <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
              {long > 2 * HEAD && (
                <>
                  {'mm' in arrow && <path d={headAt(a, along)} />}
                  <path d={headAt(b, { x: -along.x, y: -along.y })} />
                </>
              )}
              {aside && <path d={`M${middle.x} ${middle.y}L${centre.x} ${centre.y}`} strokeDasharray="2 3" />}
            </g>
          );
        })}
      </svg>
      {drawn.map(({ arrow }, i) => (
        <div
          key={arrow.key}
          className={`pointer-events-auto absolute ${FIELD}`}
          style={{ left: boxes[i]!.left, top: boxes[i]!.top, width: boxes[i]!.width }}
          title={arrow.label}
          onPointerDown={(e) => e.stopPropagation()}
        >
          <Field arrow={arrow} />
        </div>
      ))}
    </div>
  );
}

/** The same fields one after another, where the drawing is too small for them. */
export function ArrowRow({ arrows }: { arrows: readonly Arrow[] }) {
  return (
    <div className="flex flex-wrap gap-2">
      {arrows.map((arrow) => (
        <div key={arrow.key} className="w-24">
          <Field arrow={arrow} shown />
        </div>
      ))}
    </div>
  );
}

function Field({ arrow, shown = false }: { arrow: Arrow; shown?: boolean }) {
  if (arrow.wrong) return <p className="rounded-md bg-ground text-center text-[13px] text-clash">{arrow.wrong}</p>;
  return 'mm' in arrow ? (
    <LengthField
      label={arrow.label}
      hideLabel={!shown}
      positive={arrow.positive ?? false}
      mm={arrow.mm}
      onCommit={(mm) => mm !== null && arrow.onLength(mm)}
    />
  ) : (
    <NumberField
      label={arrow.label}
      hideLabel={!shown}
      unit="°"
      min={-360}
      max={360}
      value={arrow.degrees}
      onCommit={arrow.onTurn}
    />
  );
}

/** Two strokes at the end of an arrow whose shaft goes on along a direction, px. */
function headAt(p: Point, along: Point): string {
  const side = (s: number) =>
    `${p.x + HEAD * (along.x * 0.9 - s * along.y * 0.45)} ${p.y + HEAD * (along.y * 0.9 + s * along.x * 0.45)}`;
  return `M${side(1)}L${p.x} ${p.y}L${side(-1)}`;
}
