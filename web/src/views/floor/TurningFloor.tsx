import { type ComponentProps, type ReactNode } from 'react';
import { type Maker } from '@heronstone/core/reach';
import { useTurning } from '../../state/turning.ts';
import { wrap } from '../round/geometry.ts';
import { Floor } from './Floor.tsx';

/** Floor as it lies before who looks; while Round is dragged it turns along as it is drawn, and its words are upright again once it is let go. */
export function TurningFloor({
  turn,
  maker,
  ...floor
}: { turn: number; maker: Maker } & Omit<ComponentProps<typeof Floor>, 'up' | 'maker'>) {
  return (
    <div className="min-h-64 min-w-0 overflow-hidden">
      <Along turn={turn}>
        <Floor {...floor} maker={maker} up={maker.seat.heading + turn} />
      </Along>
    </div>
  );
}

function Along({ turn, children }: { turn: number; children: ReactNode }) {
  const by = useTurning((s) => (s.to === null ? 0 : wrap(s.to - turn)));
  return (
    <div className="h-full" style={by === 0 ? undefined : { transform: `rotate(${-by}deg)`, willChange: 'transform' }}>
      {children}
    </div>
  );
}
