import { MONTH_NAMES } from '@heronstone/core/plan';
import { type SeasonBox } from '@heronstone/core/upkeep';

const R = 150;
const WIDTH = 13;
const GAP = 5;
/** So many rings at most; what more there is stands in the list beside. */
const MOST = 7;

const point = (r: number, month: number) => {
  // January begins at the top, the year goes round as the sun does on a plan with north up
  const a = ((month - 1) / 12) * 2 * Math.PI;
  return [r * Math.sin(a), -r * Math.cos(a)] as const;
};

/** Months in a row, round the year: from where to where (beyond 12: over the turn of the year). */
function runs(months: readonly number[]): [number, number][] {
  if (months.length === 12) return [[1, 13]];
  const has = new Set(months);
  return months.flatMap((m): [number, number][] => {
    if (has.has(m === 1 ? 12 : m - 1)) return [];
    let n = 1;
    while (has.has(((m - 1 + n) % 12) + 1)) n++;
    return [[m, m + n]];
  });
}

/** The year as a ring: each seasonal box an arc while it is in the room and a gap while it is away; today a hand on the ring. */
export function YearRing({ boxes, day, chosen }: { boxes: readonly SeasonBox[]; day: string; chosen?: string | null }) {
  const [, m, d] = day.split('-').map(Number) as [number, number, number];
  const now = m + (d - 1) / 31;
  const shown = boxes.slice(0, MOST);
  const inner = R - shown.length * (WIDTH + GAP);
  const title = shown
    .map(
      (b) =>
        `${b.name}: in the room ${runs(b.inRoom)
          .map(([a, e]) => `${MONTH_NAMES[a - 1]} to ${MONTH_NAMES[(e + 10) % 12]}`)
          .join(', ')}`,
    )
    .join('; ');
  return (
    <svg viewBox="-190 -182 380 364" role="img" aria-label={`The year. ${title}`} className="mx-auto w-full max-w-md">
      {MONTH_NAMES.map((name, i) => {
        const [x, y] = point(R + 14, i + 1.5);
        const [ax, ay] = point(inner - 4, i + 1);
        const [bx, by] = point(R + 4, i + 1);
        return (
          <g key={name}>
            <line x1={ax} y1={ay} x2={bx} y2={by} stroke="var(--line)" strokeWidth={1} />
            <text
              x={x}
              y={y}
              fontSize={12.5}
              textAnchor="middle"
              dominantBaseline="central"
              fill={i + 1 === m ? 'var(--ink)' : 'var(--soft)'}
              fontWeight={i + 1 === m ? 700 : 400}
            >
              {name.slice(0, 3)}
            </text>
          </g>
        );
      })}
      {shown.map((box, k) => {
        const r = R - WIDTH / 2 - k * (WIDTH + GAP);
        return (
          <g key={box.id} fill="none" opacity={chosen && chosen !== box.id ? 0.35 : 1}>
            <circle r={r} stroke="var(--line)" strokeWidth={1} strokeDasharray="2 5" />
            {runs(box.inRoom).map(([from, to]) => {
              const [x0, y0] = point(r, from + 0.04);
              const [x1, y1] = point(r, to - 0.04);
              const large = to - from > 6 ? 1 : 0;
              return to - from >= 12 ? (
                <circle key={from} r={r} stroke="var(--heron)" strokeWidth={WIDTH} />
              ) : (
                <path
                  key={from}
                  d={`M${x0} ${y0}A${r} ${r} 0 ${large} 1 ${x1} ${y1}`}
                  stroke="var(--heron)"
                  strokeOpacity={box.rests ? 0.8 : 0.3}
                  strokeWidth={WIDTH}
                />
              );
            })}
            {runs(box.inRoom)
              .slice(0, 1)
              .map(([from]) => {
                const [x, y] = point(r, from + 0.3);
                return (
                  <text
                    key={from}
                    x={x}
                    y={y}
                    fontSize={12.5}
                    fontWeight={600}
                    textAnchor="middle"
                    dominantBaseline="central"
                    fill={box.rests ? 'var(--on-heron)' : 'var(--ink)'}
                    stroke="none"
                  >
                    {k + 1}
                  </text>
                );
              })}
          </g>
        );
      })}
      {(() => {
        const [x0, y0] = point(inner - 10, now);
        const [x1, y1] = point(R + 6, now);
        return <line x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--clash)" strokeWidth={3} strokeLinecap="round" />;
      })()}
      <text textAnchor="middle" dominantBaseline="central" fontSize={14} fill="var(--ink)">
        {d} {MONTH_NAMES[m - 1]}
      </text>
    </svg>
  );
}
