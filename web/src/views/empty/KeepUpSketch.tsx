import { WOOD, INK } from './sketch-style.ts';

/** Drawers with their labels, and the year round them. */
export function KeepUp() {
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
