import { type Plan } from '@heronstone/core/plan';
import { CheckField } from '../../../ui/fields/index.ts';

/** Rows of slots have a label of their own. */
export function Rows({
  plan,
  picked,
  onPick,
}: {
  plan: Plan;
  picked: ReadonlySet<string>;
  onPick: (id: string) => void;
}) {
  const rows = Object.values(plan.colourRows);
  if (rows.length === 0) return null;
  return (
    <fieldset className="mt-3">
      <legend className="font-display text-lg font-semibold">Rows</legend>
      <div className="flex flex-wrap gap-x-5">
        {rows.map((row) => (
          <CheckField key={row.id} label={row.name} checked={picked.has(row.id)} onCommit={() => onPick(row.id)} />
        ))}
      </div>
    </fieldset>
  );
}
