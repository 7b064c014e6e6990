import { useDraggable } from '@dnd-kit/core';
import { type Organiser } from '@heronstone/core/plan';

/** A kind of container to be dragged into the place. */
export function OrganiserChip({ organiser }: { organiser: Organiser }) {
  const { setNodeRef, listeners, transform } = useDraggable({
    id: `set:${organiser.id}`,
    data: { organiserId: organiser.id },
  });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, position: 'relative', zIndex: 20 }
          : undefined
      }
      className="cursor-grab touch-none rounded-md border border-edge bg-stone px-2 py-0.5 text-[13px]"
    >
      {organiser.name}
    </span>
  );
}
