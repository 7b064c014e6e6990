import { useDroppable } from '@dnd-kit/core';
import { Brush, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { type Plan, type Zone, ZONE_RULES } from '@heronstone/core/plan';
import { type Balance, togetherOf, zonable } from '@heronstone/core/zones';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { ZoneSwatch } from '../../../views/zones/marks.tsx';
import { liesWords, RULE_WORDS } from './zone-words.ts';
import { Bars } from './Bars.tsx';
import { UnitChip } from './UnitChip.tsx';

export function ZoneRow({
  plan,
  zone,
  number,
  balance,
  inHand,
  onBrush,
}: {
  plan: Plan;
  zone: Zone;
  number: number;
  balance: readonly Balance[];
  inHand: boolean;
  onBrush: () => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const { setNodeRef, isOver } = useDroppable({ id: `zone:${zone.id}`, data: { zone: zone.id } });
  const set = (part: Partial<Zone>) => dispatch({ type: 'setZone', id: zone.id, set: part });
  const together = useMemo(() => togetherOf(plan, zone.id), [plan, zone.id]);
  const units = zonable(plan).filter((id) => plan.units[id]!.zoneId === zone.id);
  return (
    <section
      ref={setNodeRef}
      aria-label={zone.name}
      className={`rounded-xl border px-3 py-2 ${inHand || isOver ? 'border-heron' : 'border-line'}`}
    >
      <div className="flex items-end gap-2">
        <ZoneSwatch zone={zone} className="mb-1 size-7 shrink-0" />
        <TextField
          className="min-w-0 grow"
          label={`zone ${number}`}
          value={zone.name}
          onCommit={(name) => set({ name })}
        />
        <SelectField
          className="w-44 shrink-0"
          label="how it is kept"
          value={zone.rule}
          options={ZONE_RULES.map((r) => [r, RULE_WORDS[r]] as const)}
          onCommit={(rule) => set({ rule })}
        />
        <Button
          className="!px-2"
          aria-pressed={inHand}
          aria-label={`Brush for ${zone.name}`}
          title={`Take it in hand ( ${number} )`}
          onClick={onBrush}
        >
          <Brush size={15} aria-hidden />
        </Button>
        <Button
          look="quiet"
          className="!px-1"
          aria-label={`Take out ${zone.name}`}
          onClick={() => dispatch({ type: 'removeZone', id: zone.id })}
        >
          <Trash2 size={14} aria-hidden />
        </Button>
      </div>
      <p className="mt-1 text-[14px] text-soft">{liesWords(together)}</p>
      <Bars plan={plan} balance={balance} />
      <ul className="mt-1 flex flex-wrap gap-1" aria-label="Units kept for it">
        {units.map((id) => (
          <UnitChip key={id} unitId={id} name={plan.units[id]!.name} />
        ))}
      </ul>
      <details className="mt-1 text-[14px]">
        <summary className="cursor-pointer text-heron">What belongs to it</summary>
        <div className="grid grid-cols-2 gap-x-3">
          {Object.values(plan.activities).map((a) => (
            <CheckField
              key={a.id}
              label={a.name}
              checked={a.zoneId === zone.id}
              onCommit={(on) => dispatch({ type: 'setActivity', id: a.id, set: { zoneId: on ? zone.id : null } })}
            />
          ))}
        </div>
      </details>
    </section>
  );
}
