import { useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { type SlotRow } from '@heronstone/core/stock';
import { SelectField } from '../../../ui/fields/index.ts';
import { Insert } from './Insert.tsx';
import { PadFits } from './PadFits.tsx';
import { OneRow } from './OneRow.tsx';

/** Rows of slots: as they are, as they would be in order, and where a newcomer goes. */
export function Rows({
  plan,
  rows,
  chosen,
  shown,
}: {
  plan: Plan;
  rows: readonly SlotRow[];
  chosen: readonly string[];
  /** what the chart shows: slots are planned for it when nothing is chosen */
  shown: readonly string[];
}) {
  const [at, setAt] = useState('');
  const row = rows.find((r) => r.id === at) ?? rows[0];
  const insert = (
    <Insert
      plan={plan}
      ids={chosen.length > 0 ? chosen : shown}
      of={chosen.length > 0 ? `the ${chosen.length} chosen` : `the ${shown.length} of the chart`}
      onMade={setAt}
    />
  );
  if (!row)
    return (
      <section aria-label="Rows">
        <h2 className="font-display text-lg font-semibold">Rows of slots</h2>
        <p className="text-soft">
          No unit has slots beside each other yet. Plan some here, or give a cubby paper slots at Furniture; then its
          row is put in order here.
        </p>
        {insert}
      </section>
    );
  return (
    <section aria-label="Rows">
      <div data-print-part="none" className="mb-1 flex flex-wrap items-end gap-2">
        <h2 className="mr-2 font-display text-lg font-semibold">Rows of slots</h2>
        <SelectField
          label="which row"
          value={row.id}
          options={rows.map((r) => [r.id, `${r.name} (${r.length})`] as const)}
          onCommit={setAt}
        />
      </div>
      <OneRow key={row.id} plan={plan} row={row} chosen={chosen} />
      <div className="mt-2 space-y-2" data-print-part="none">
        <PadFits key={row.id} plan={plan} row={row} />
        {insert}
      </div>
    </section>
  );
}
