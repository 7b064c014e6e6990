import { useDraggable } from '@dnd-kit/core';
import { Pin } from 'lucide-react';
import { Which } from '../../../ui/which.tsx';
import { type Held } from '../../../views/places/held.ts';

export function Chip({
  held,
  count,
  pinned,
  onTake,
}: {
  held: Held;
  /** so many of it; null: all that have no other home */
  count: number | null;
  pinned: boolean;
  onTake: (held: Held) => void;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: `lives:${held.supply.id}.${held.share}`, data: held });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        onClick={() => onTake(held)}
        className="inline-flex cursor-grab items-center gap-1 rounded-full border border-edge bg-paper px-2.5 py-0.5 hover:border-heron"
      >
        {pinned && <Pin size={13} aria-label="pinned" />}
        {count !== null && <span className="text-soft">{count} of</span>}
        {held.supply.name}
        <Which share={held.share} />
      </button>
    </li>
  );
}
