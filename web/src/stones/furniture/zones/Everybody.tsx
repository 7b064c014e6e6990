import { useDroppable } from '@dnd-kit/core';
import { Brush } from 'lucide-react';
import { type Plan } from '@heronstone/core/plan';
import { zonable } from '@heronstone/core/zones';
import { Button } from '../../../ui/button.tsx';
import { UnitChip } from './UnitChip.tsx';

export function Everybody({ plan, inHand, onBrush }: { plan: Plan; inHand: boolean; onBrush: () => void }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'zone:all', data: { zone: 'all' } });
  const units = zonable(plan).filter((id) => plan.units[id]!.zoneId === null);
  return (
    <section
      ref={setNodeRef}
      aria-label="For everybody"
      className={`rounded-xl border border-dashed px-3 py-2 ${inHand || isOver ? 'border-heron' : 'border-edge'}`}
    >
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">For everybody</h2>
        <Button
          className="!px-2"
          aria-pressed={inHand}
          aria-label="Brush for everybody"
          title="Take it in hand ( 0 )"
          onClick={onBrush}
        >
          <Brush size={15} aria-hidden />
        </Button>
      </div>
      <ul className="mt-1 flex flex-wrap gap-1">
        {units.map((id) => (
          <UnitChip key={id} unitId={id} name={plan.units[id]!.name} />
        ))}
      </ul>
    </section>
  );
}
