import { EmptyStone } from '../../views/empty/EmptyStone.tsx';

/** What is said over an empty Floor; without walls there is none, and what it will be is drawn. */
export function NothingStands({ walls }: { walls: boolean }) {
  const words = (
    <p>
      Nothing stands here yet. <strong>Bring in a unit</strong> above: a work table is a good first one.
    </p>
  );
  return walls ? (
    <div className="absolute inset-x-0 top-1/2 z-10 mx-auto w-fit -translate-y-1/2 rounded-2xl bg-ground px-6 py-4 text-center">
      {words}
    </div>
  ) : (
    <div className="absolute inset-x-0 top-2 z-10">
      <EmptyStone of="furniture">{words}</EmptyStone>
    </div>
  );
}
