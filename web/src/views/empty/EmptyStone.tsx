import { type ReactNode } from 'react';
import { formatLength } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';

const BANDS = ['hand', 'arm', 'turn', 'rise', 'walk', 'climb'] as const;
const INK = { fill: 'none', stroke: 'var(--edge)', strokeWidth: 2 } as const;
const WOOD = { fill: 'var(--wood)', stroke: 'var(--wood-line)', strokeWidth: 2 } as const;
const SAID = { fontSize: 13, fill: 'var(--soft)', textAnchor: 'middle' } as const;

/** Lengths of a sketch, round ones in the plan’s own measure. */
function useLength(): (mm: number) => string {
  const measure = usePlan((s) => s.plan.head.measure);
  return (mm) => formatLength(measure === 'metric' ? mm : Math.round(mm / 25.4) * 25.4, measure);
}

/** A room from above with three walls measured and the fourth to come. */
function Room() {
  const len = useLength();
  return (
    <>
      <path d="M120 250V60H440V250" {...INK} strokeWidth={5} strokeLinejoin="round" />
      <path d="M440 250H120" {...INK} strokeWidth={3} strokeDasharray="9 8" />
      <path d="M120 210a56 56 0 0 0 -56 -56" {...INK} strokeDasharray="4 4" />
      <path d="M120 210V154" stroke="var(--walk)" strokeWidth={4} />
      <path d="M240 60h110" stroke="var(--turn)" strokeWidth={5} />
      <text x={280} y={46} {...SAID}>
        {len(3200)}
      </text>
      <text x={88} y={120} {...SAID}>
        {len(1900)}
      </text>
      <text x={474} y={160} {...SAID}>
        {len(1900)}
      </text>
      <text x={280} y={276} {...SAID} fill="var(--heron)">
        and the last
      </text>
    </>
  );
}

/** A table, a chest and a seat in a room, with their distances. */
function Furniture() {
  const len = useLength();
  return (
    <>
      <path d="M120 60H440V250H120Z" {...INK} strokeWidth={5} strokeLinejoin="round" />
      <rect x={190} y={63} width={150} height={62} {...WOOD} />
      <rect x={388} y={140} width={49} height={90} {...WOOD} />
      <path d="M388 140v90M190 125h150" stroke="var(--wood-line)" strokeWidth={4} />
      <path d="M265 150l-10 22 10 -5 10 5z" fill="var(--ink)" />
      <g stroke="var(--heron)" strokeWidth={1.5} fill="none">
        <path d="M190 139h150M123 94h64M412 63v74" />
      </g>
      {[700, 1500, 800].map((mm, i) => (
        <text
          key={mm}
          x={[154, 300, 412][i]}
          y={[90, 136, 104][i]}
          {...SAID}
          stroke="var(--ground)"
          strokeWidth={5}
          paintOrder="stroke"
        >
          {len(mm)}
        </text>
      ))}
    </>
  );
}

/** The line of what is reached for, from all the time to hardly ever. */
function Activities() {
  const chips = [
    [60, 90, 92],
    [110, 124, 76],
    [176, 90, 104],
    [230, 158, 86],
    [310, 124, 96],
    [400, 90, 88],
    [420, 158, 80],
  ] as const;
  return (
    <>
      <rect x={40} y={50} width={480} height={170} rx={18} fill="var(--paper)" stroke="var(--line)" strokeWidth={2} />
      {[60, 200, 340, 480].map((x) => (
        <path key={x} d={`M${x} 50v170`} stroke="var(--line)" strokeWidth={1.5} strokeDasharray="5 5" />
      ))}
      {chips.map(([x, y, w]) => (
        <rect
          key={`${x} ${y}`}
          x={x}
          y={y}
          width={w}
          height={24}
          rx={12}
          fill="var(--ground)"
          stroke="var(--edge)"
          strokeWidth={1.5}
        />
      ))}
      <text x={100} y={246} {...SAID}>
        all the time
      </text>
      <text x={462} y={246} {...SAID}>
        hardly ever
      </text>
    </>
  );
}

/** The room from a seat: drawers in the colours of how far they are. */
function Homes() {
  const places = [
    [30, 3],
    [96, 2],
    [162, 0],
    [228, 0],
    [294, 1],
    [360, 2],
    [426, 4],
  ] as const;
  return (
    <>
      <path d="M10 230H550M10 40H550" {...INK} strokeWidth={1.5} />
      <path d="M10 150H550" stroke="var(--line)" strokeWidth={1.5} strokeDasharray="6 6" />
      <text x={528} y={144} {...SAID}>
        elbow
      </text>
      {places.map(([x, band], i) => (
        <g key={x}>
          {[0, 1, 2].map((k) => (
            <rect
              key={k}
              x={x}
              y={i % 3 === 1 ? 62 + k * 26 : 152 + k * 26}
              width={60}
              height={22}
              fill={`var(--${BANDS[Math.min(5, band + (k === 2 ? 1 : 0))]!})`}
              fillOpacity={0.55}
              stroke="var(--wood-line)"
              strokeWidth={1.5}
            />
          ))}
        </g>
      ))}
      <path d="M280 262l-10 20 10 -5 10 5z" fill="var(--ink)" />
    </>
  );
}

/** A session as one strip of moments, and steps through the room. */
function TryOut() {
  const moments = [40, 26, 60, 18, 34, 52, 22, 44, 30, 66, 28];
  let x = 40;
  const at = moments.map((w, i) => ({ x: (x += i === 0 ? 0 : moments[i - 1]! + 3), w, band: BANDS[(i * 5) % 6]! }));
  return (
    <>
      {at.map((m) => (
        <rect key={m.x} x={m.x} y={70} width={m.w} height={34} rx={4} fill={`var(--${m.band})`} fillOpacity={0.6} />
      ))}
      {Array.from({ length: 9 }, (_, i) => (
        <ellipse
          key={i}
          cx={80 + i * 48}
          cy={(i % 2 ? 176 : 194) - Math.sin(i / 2) * 20}
          rx={11}
          ry={5}
          transform={`rotate(${i % 2 ? -12 : 8} ${80 + i * 48} 185)`}
          fill="var(--sand)"
        />
      ))}
      <text x={280} y={244} {...SAID}>
        what is fetched, from where, in how many paces
      </text>
    </>
  );
}

/** Drawers with their labels, and the year round them. */
function KeepUp() {
  return (
    <>
      {[0, 1, 2].map((k) => (
        <g key={k}>
          <rect x={70} y={70 + k * 56} width={190} height={48} {...WOOD} />
          <rect
            x={122}
            y={84 + k * 56}
            width={86}
            height={20}
            rx={3}
            fill="var(--paper)"
            stroke="var(--edge)"
            strokeWidth={1.2}
          />
          <path d={`M134 ${94 + k * 56}h${[60, 44, 52][k]}`} stroke="var(--soft)" strokeWidth={3} />
        </g>
      ))}
      <circle cx={400} cy={154} r={82} {...INK} strokeWidth={2} />
      {Array.from({ length: 12 }, (_, i) => {
        const a = (i * Math.PI) / 6;
        return (
          <path
            key={i}
            d={`M${400 + 74 * Math.sin(a)} ${154 - 74 * Math.cos(a)}L${400 + 90 * Math.sin(a)} ${154 - 90 * Math.cos(a)}`}
            {...INK}
          />
        );
      })}
      <path d="M347 122A62 62 0 0 1 431 101" stroke="var(--turn)" strokeWidth={10} fill="none" strokeOpacity={0.7} />
      <path d="M400 154L431 108" stroke="var(--heron)" strokeWidth={3} />
    </>
  );
}

const SKETCHES = {
  room: Room,
  furniture: Furniture,
  activities: Activities,
  homes: Homes,
  tryout: TryOut,
  keepup: KeepUp,
};

/** A stone with nothing in it yet: what will be seen here, and in words what comes first. */
export function EmptyStone({ of, children }: { of: keyof typeof SKETCHES; children: ReactNode }) {
  const Drawn = SKETCHES[of];
  return (
    <div className="mx-auto flex max-w-xl flex-col items-center rounded-3xl border-2 border-dashed border-line p-6">
      <svg aria-hidden viewBox="0 0 560 300" className="w-full opacity-80">
        <Drawn />
      </svg>
      <div className="max-w-md text-center text-soft">{children}</div>
    </div>
  );
}
