import { type ComponentProps } from 'react';
import { useTurning } from '../../state/turning.ts';
import { wrap } from '../round/geometry.ts';
import { Floor } from './Floor.tsx';

/** Floor as it lies before who looks; while Round is dragged it turns along as it is drawn, and its words are upright again once it is let go. */
export function TurningFloor({ turn, ...floor }: { turn: number } & ComponentProps<typeof Floor>) {
  return (
    <div className="min-h-64 min-w-0 overflow-hidden">
      <Along turn={turn}>
        <Floor {...floor} />
      </Along>
    </div>
  );
}

function Along({ turn, children }: { turn: number; children: React.ReactNode }) {
  const by = useTurning((s) => (s.to === null ? 0 : wrap(s.to - turn)));
  return (
    <div className="h-full" style={by === 0 ? undefined : { transform: `rotate(${-by}deg)`, willChange: 'transform' }}>
      {children}
    </div>
  );
}
