import { useDraggable } from '@dnd-kit/core';
import { useSelection } from '../../../state/selection.ts';

export function UnitChip({ unitId, name }: { unitId: string; name: string }) {
  const { select } = useSelection();
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: `zone-unit:${unitId}`, data: { unitId } });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        onClick={() => select({ unit: unitId })}
        className={`cursor-grab rounded-full border border-edge bg-paper px-2.5 py-0.5 text-[14px] hover:border-heron ${isDragging ? 'opacity-40' : ''}`}
      >
        {name}
      </button>
    </li>
  );
}
