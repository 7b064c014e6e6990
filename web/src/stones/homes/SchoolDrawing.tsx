import { type ReactNode } from 'react';
import { type School } from '@heronstone/core/homes';

const WOOD = { fill: 'var(--wood)', stroke: 'var(--wood-line)' };

/** A thing of one of four kinds, told apart by its shape. */
function Thing({ kind, x }: { kind: number; x: number }) {
  if (kind === 0) return <rect x={x - 3} y={18} width={6} height={11} fill="var(--heron)" />;
  if (kind === 1) return <circle cx={x} cy={25.5} r={3.5} fill="var(--heron)" />;
  if (kind === 2) return <path d={`M${x} 18 l4 11 h-8 z`} fill="var(--heron)" />;
  return <rect x={x - 1.2} y={12} width={2.4} height={17} fill="var(--heron)" />;
}

/** A box of things in a row, by kind. */
function Box({ x, w = 28, things }: { x: number; w?: number; things: readonly number[] }) {
  const each = (w - 4) / things.length;
  return (
    <g>
      <rect x={x} y={8} width={w} height={24} rx={2} {...WOOD} />
      {things.map((kind, i) => (
        <Thing key={i} kind={kind} x={x + 2 + (i + 0.5) * each} />
      ))}
    </g>
  );
}

const Shut = ({ x }: { x: number }) => (
  <g>
    <rect x={x} y={8} width={26} height={24} rx={2} {...WOOD} />
    <line x1={x} x2={x + 26} y1={20} y2={20} stroke="var(--wood-line)" />
    <circle cx={x + 13} cy={14} r={1.4} fill="var(--ink)" />
    <circle cx={x + 13} cy={26} r={1.4} fill="var(--ink)" />
  </g>
);
const Seat = ({ x }: { x: number }) => (
  <circle cx={x} cy={30} r={5} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
);
const Tool = ({ x, y = 12 }: { x: number; y?: number }) => (
  <path
    d={`M${x - 3} ${y - 5} L${x + 3} ${y + 5} M${x + 3} ${y - 5} L${x - 3} ${y + 5}`}
    stroke="var(--heron)"
    strokeWidth={2}
  />
);

/** A share of a place that is full, the rest kept free. */
const Filled = ({ share }: { share: number }) => (
  <g>
    <rect x={6} y={8} width={60} height={24} rx={2} {...WOOD} />
    <rect x={8} y={10} width={56 * share} height={20} rx={1} fill="var(--heron)" />
  </g>
);

const DRAWN: Record<School['key'], Record<string, ReactNode>> = {
  seen: {
    either: (
      <>
        <Box x={6} things={[0, 1, 2]} />
        <Shut x={40} />
      </>
    ),
    seen: (
      <>
        <Box x={6} things={[0, 1, 2]} />
        <Box x={40} things={[3, 2, 0]} />
      </>
    ),
    shut: (
      <>
        <Shut x={6} />
        <Shut x={40} />
      </>
    ),
  },
  grouping: {
    activity: (
      <>
        <Box x={6} things={[0, 1, 2]} />
        <Box x={40} things={[0, 1, 3]} />
      </>
    ),
    kind: (
      <>
        <Box x={6} things={[0, 0, 0]} />
        <Box x={40} things={[1, 1, 1]} />
      </>
    ),
    nature: (
      <>
        <Box x={6} things={[0, 0, 0]} />
        <Box x={40} things={[1, 2, 3]} />
      </>
    ),
  },
  packaging: {
    on: (
      <>
        {[8, 28, 48].map((x) => (
          <g key={x}>
            <rect x={x} y={10} width={16} height={22} rx={1} {...WOOD} />
            <rect x={x + 4} y={17} width={8} height={9} fill="var(--heron)" />
          </g>
        ))}
      </>
    ),
    off: (
      <>
        {[14, 25, 36, 47].map((x) => (
          <rect key={x} x={x} y={14} width={8} height={18} rx={1} fill="var(--heron)" />
        ))}
      </>
    ),
  },
  leaving: {
    untilDone: (
      <>
        <rect x={4} y={22} width={64} height={4} {...WOOD} />
        <Seat x={36} />
        <Tool x={16} y={14} />
        <Tool x={28} y={14} />
        <Tool x={56} y={14} />
      </>
    ),
    atOnce: (
      <>
        <rect x={4} y={22} width={40} height={4} {...WOOD} />
        <Seat x={24} />
        <Tool x={24} y={14} />
        <Shut x={46} />
      </>
    ),
  },
  growth: {},
  newThings: {
    merged: <Box x={10} w={52} things={[0, 0, 2, 0]} />,
    apart: (
      <>
        <Box x={4} w={38} things={[0, 0, 0]} />
        <Box x={50} w={18} things={[2]} />
      </>
    ),
  },
  display: {
    work: (
      <>
        <Box x={4} w={30} things={[0, 1, 3]} />
        <Seat x={48} />
      </>
    ),
    show: (
      <>
        <line x1={6} x2={66} y1={30} y2={30} stroke="var(--wood-line)" strokeWidth={3} />
        <path d="M36 6 l5 22 h-10 z" fill="var(--heron)" />
        <path d="M18 12 v3 M54 12 v3 M24 8 l1 2 M48 8 l-1 2" stroke="var(--ink)" strokeWidth={1.2} />
      </>
    ),
  },
  tools: {
    shared: (
      <>
        <Seat x={14} />
        <Seat x={58} />
        <Tool x={36} />
      </>
    ),
    oneEach: (
      <>
        <Seat x={14} />
        <Seat x={58} />
        <Tool x={14} />
        <Tool x={58} />
      </>
    ),
  },
};

/** What a way of working looks like in a place: the words beside it say the same. */
export function SchoolDrawing({ school, value }: { school: School['key']; value: string | number | boolean | null }) {
  return (
    <svg viewBox="0 0 72 40" className="h-10 w-[72px] shrink-0" aria-hidden>
      {school === 'growth' ? <Filled share={1 - Number(value)} /> : DRAWN[school][String(value)]}
    </svg>
  );
}
