import { useLength } from './use-length.ts';
import { INK, SAID } from './sketch-style.ts';

/** A room from above with three walls measured and the fourth to come. */
export function Room() {
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
