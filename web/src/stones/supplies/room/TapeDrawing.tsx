import { useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { measureOf } from '@heronstone/core/fit';
import { roomWordsOf, type Tape, type TapeName } from '@heronstone/core/stock';
import { TAPE_NAMES } from './names.ts';

const W = 1000;
/** Stretches narrower than this on the drawing are drawn as one. */
const THIN = 2.5;

/** A tape as long as the units offer; the supplies lie along it, and what hangs over its end does not fit. */
export function TapeDrawing({
  plan,
  tape,
  before,
  onSupply,
}: {
  plan: Plan;
  tape: Tape;
  before: Tape | null;
  onSupply: (id: string) => void;
}) {
  const [over, setOver] = useState<string | null>(null);
  const { demand, offer } = tape;
  const room = (name: TapeName, amount: number) => roomWordsOf(name, amount, plan.head);
  const grown = 1 / (1 - plan.head.growth);
  const longest = Math.max(offer, demand.high, before?.demand.likely ?? 0, 1e-9);
  const x = (amount: number) => (amount / longest) * W;
  let at = 0;
  let rest = 0;
  const drawn: { id: string; from: number; to: number; guessed: boolean }[] = [];
  for (const s of tape.stretches) {
    const to = at + x(s.amount * grown);
    if (to - at >= THIN) drawn.push({ id: s.supplyId, from: at, to, guessed: s.guessed });
    else rest += to - at;
    at = to;
  }
  const end = x(demand.likely);
  const short = demand.likely > offer + 1e-6;
  const difference = Math.abs(demand.likely - offer);
  const shown = over === null ? undefined : plan.supplies[over];
  const words = short
    ? `${room(tape.tape, difference)} short`
    : offer > 0
      ? `${room(tape.tape, difference)} to spare`
      : '';
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-3">
        <span className="font-semibold">{TAPE_NAMES[tape.tape]}</span>
        <span className={short ? 'text-clash' : 'text-soft'}>
          {words}
          {before && Math.abs(before.demand.likely - demand.likely) > 1e-6 && (
            <span className="text-ink">
              {' '}
              ({before.demand.likely > demand.likely ? '−' : '+'}
              {room(tape.tape, Math.abs(before.demand.likely - demand.likely))})
            </span>
          )}
        </span>
      </figcaption>
      <svg
        viewBox={`0 -6 ${W} 50`}
        preserveAspectRatio="none"
        className="h-12 w-full overflow-visible"
        role="img"
        aria-label={`${TAPE_NAMES[tape.tape]}: needs ${room(tape.tape, demand.likely)}, from ${room(tape.tape, demand.low)} to ${room(tape.tape, demand.high)}; there is ${room(tape.tape, offer)}`}
        onMouseLeave={() => setOver(null)}
      >
        {/* the tape itself, with its marks */}
        <rect
          x={0}
          y={22}
          width={x(offer)}
          height={14}
          fill="var(--stone)"
          stroke="var(--edge)"
          vectorEffect="non-scaling-stroke"
        />
        {Array.from({ length: 41 }, (_, i) => (x(offer) * i) / 40).map((t, i) => (
          <line
            key={i}
            x1={t}
            x2={t}
            y1={22}
            y2={i % 10 === 0 ? 32 : i % 5 === 0 ? 29 : 26}
            stroke="var(--edge)"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {/* what lies along it */}
        {drawn.map((d, i) => {
          const out = d.to > x(offer) + 0.5;
          return (
            <rect
              key={d.id}
              x={d.from}
              y={4}
              width={Math.max(0.8, d.to - d.from - 1)}
              height={17}
              fill={plan.supplies[d.id]?.colour ?? (out ? 'var(--clash)' : 'var(--turn)')}
              fillOpacity={over === d.id ? 1 : plan.supplies[d.id]?.colour ? 0.9 : i % 2 === 0 ? 0.75 : 0.5}
              stroke={out ? 'var(--clash)' : 'var(--edge)'}
              strokeDasharray={d.guessed ? '3 2' : undefined}
              vectorEffect="non-scaling-stroke"
              className="cursor-pointer"
              onMouseEnter={() => setOver(d.id)}
              onClick={() => onSupply(d.id)}
            />
          );
        })}
        {rest > 0.5 && <rect x={end - rest} y={4} width={rest} height={17} fill="var(--turn)" fillOpacity={0.3} />}
        {/* from low to high */}
        {demand.high - demand.low > 1e-9 && (
          <g stroke="var(--ink)" vectorEffect="non-scaling-stroke">
            <line x1={x(demand.low)} x2={x(demand.high)} y1={0} y2={0} vectorEffect="non-scaling-stroke" />
            <line x1={x(demand.low)} x2={x(demand.low)} y1={-4} y2={4} vectorEffect="non-scaling-stroke" />
            <line x1={x(demand.high)} x2={x(demand.high)} y1={-4} y2={4} vectorEffect="non-scaling-stroke" />
          </g>
        )}
        {before && (
          <line
            x1={x(before.demand.likely)}
            x2={x(before.demand.likely)}
            y1={-4}
            y2={38}
            stroke="var(--soft)"
            strokeDasharray="4 3"
            vectorEffect="non-scaling-stroke"
          />
        )}
      </svg>
      <p className="flex justify-between text-[13px] text-soft">
        <span>
          {shown ? (
            <strong className="text-ink">{shown.name}</strong>
          ) : demand.high - demand.low > demand.likely * 0.01 ? (
            `needs ${measureOf(tape.nature, demand.low, plan.head)} to ${room(tape.tape, demand.high)}, likely ${measureOf(tape.nature, demand.likely, plan.head)}`
          ) : (
            `needs ${room(tape.tape, demand.likely)}`
          )}
        </span>
        <span>{offer > 0 ? `there is ${room(tape.tape, offer)}` : 'there is none'}</span>
      </p>
    </figure>
  );
}
