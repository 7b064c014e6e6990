import { INK, SAID, BANDS } from './sketch-style.ts';

/** The room from a seat: drawers in the colours of how far they are. */
export function Homes() {
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
