import { halo } from '../../ui/halo.ts';
import { stowageOf } from '@heronstone/core/fit';
import { type Place, type Plan } from '@heronstone/core/plan';
import { namesIn } from './faces.ts';

/** A container, lane or slot with what lies in it, drawn small where it stands. */
export function Holder({
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
