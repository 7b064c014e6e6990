import { type Held } from '../../views/places/held.ts';
import { DropWords } from './DropWords.tsx';

/** What is dragged, with what it would cost in the place it is over. */
export function DraggedCard({ held, over }: { held: Held; over: string | null }) {
  return (
    <div className="pointer-events-none w-64 rounded-xl border border-heron bg-paper px-3 py-1.5 shadow-lg">
      <p className="font-semibold">{held.supply.name}</p>
      <p className="text-[14px]">
        {over ? (
          <DropWords held={held} placeId={over} />
        ) : (
          <span className="text-soft">over a place of Round: what it would cost</span>
        )}
      </p>
    </div>
  );
}
