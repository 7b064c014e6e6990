import { type SeatAt } from '@heronstone/core/room';
import { type Turn } from './turn.ts';

const WORDS: Record<SeatAt['side'], string> = {
  front: 'at its front',
  left: 'at its left end',
  back: 'at its back',
  right: 'at its right end',
};

/** Where one could sit at the chosen table: a ring at each free side, pressed to sit there. */
export function SeatOffers({
  name,
  seats,
  turn,
  scale,
  onSit,
}: {
  name: string;
  seats: readonly SeatAt[];
  turn: Turn;
  scale: number;
  onSit: (seat: SeatAt) => void;
}) {
  return (
    <g>
      {seats.map((seat) => {
        const p = turn(seat);
        const label = `Sit down ${WORDS[seat.side]}: ${name}`;
        return (
          <g
            key={seat.side}
            role="button"
            tabIndex={0}
            aria-label={label}
            className="cursor-pointer"
            transform={`translate(${p.x} ${p.y})`}
            onPointerDown={(e) => e.stopPropagation()}
            onClick={() => onSit(seat)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              onSit(seat);
            }}
          >
            <title>{label}</title>
            <circle
              r={14 * scale}
              fill="var(--paper)"
              stroke="var(--heron)"
              strokeWidth={2 * scale}
              strokeDasharray={`${4 * scale} ${3 * scale}`}
            />
            <path
              d={`M${-5 * scale} 0 h${10 * scale} M0 ${-5 * scale} v${10 * scale}`}
              stroke="var(--heron)"
              strokeWidth={2 * scale}
            />
          </g>
        );
      })}
    </g>
  );
}
