import { BANDS, SAID } from './sketch-style.ts';

/** A session as one strip of moments, and steps through the room. */
export function TryOut() {
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
