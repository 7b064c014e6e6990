import { type ReactNode } from 'react';
import { Room } from './RoomSketch.tsx';
import { Furniture } from './FurnitureSketch.tsx';
import { Activities } from './ActivitiesSketch.tsx';
import { Homes } from './HomesSketch.tsx';
import { TryOut } from './TryOutSketch.tsx';
import { KeepUp } from './KeepUpSketch.tsx';

const SKETCHES = {
  room: Room,
  furniture: Furniture,
  activities: Activities,
  homes: Homes,
  tryout: TryOut,
  keepup: KeepUp,
};

/** A stone with nothing in it yet: what will be seen here, and in words what comes first. */
export function EmptyStone({ of, children }: { of: keyof typeof SKETCHES; children: ReactNode }) {
  const Drawn = SKETCHES[of];
  return (
    <div className="mx-auto flex max-w-xl flex-col items-center rounded-3xl border-2 border-dashed border-line p-6">
      <svg aria-hidden viewBox="0 0 560 300" className="w-full opacity-80">
        <Drawn />
      </svg>
      <div className="max-w-md text-center text-soft">{children}</div>
    </div>
  );
}
