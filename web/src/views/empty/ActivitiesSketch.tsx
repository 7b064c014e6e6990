import { SAID } from './sketch-style.ts';

/** The line of what is reached for, from all the time to hardly ever. */
export function Activities() {
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
