import { Command } from 'cmdk';
import { useMemo, useState } from 'react';
import { type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { findSupplies } from '../../state/search.ts';

/** A supply found by a few letters and chosen. */
export function SupplySearch({ label, onChoose }: { label: string; onChoose: (supply: Supply) => void }) {
  const plan = usePlan((s) => s.plan);
  const [text, setText] = useState('');
  const found = useMemo(() => findSupplies(plan.supplies, text, 6), [plan, text]);
  return (
    <Command shouldFilter={false} label={label} className="max-w-md py-1">
      <Command.Input
        autoFocus
        value={text}
        onValueChange={setText}
        placeholder={label}
        className="w-full rounded-full border border-edge bg-paper px-4 py-1.5"
      />
      <Command.List>
        {text.trim() !== '' && found.length === 0 && <p className="px-3 py-1 text-soft">Nothing called that.</p>}
        {found.map((supply) => (
          <Command.Item
            key={supply.id}
            value={supply.id}
            onSelect={() => {
              setText('');
              onChoose(supply);
            }}
            className="cursor-pointer rounded-lg px-3 py-1.5 data-[selected=true]:bg-stone"
          >
            {supply.name} <span className="text-soft">{supply.family}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}
