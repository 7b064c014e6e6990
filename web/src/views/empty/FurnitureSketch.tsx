import { useLength } from './use-length.ts';
import { INK, WOOD, SAID } from './sketch-style.ts';

/** A table, a chest and a seat in a room, with their distances. */
export function Furniture() {
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
