import { useMemo } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { SelectField } from './fields/index.ts';

/** One of the places of the plan, each with what it is called, or none. */
export function PlaceField({
  plan,
  label,
  placeId,
  none = 'nowhere yet',
  onCommit,
}: {
  plan: Plan;
  label: string;
  placeId: string | null;
  none?: string;
  onCommit: (placeId: string | null) => void;
}) {
  const places = useMemo(
    () =>
      Object.values(plan.places)
        .map((p) => [p.id, placeSaid(plan, p)] as const)
        .sort((a, b) => (a[1] < b[1] ? -1 : 1)),
    [plan],
  );
  return (
    <SelectField
      className="min-w-0"
      label={label}
      value={placeId ?? ''}
      options={[['', none], ...places]}
      onCommit={(id) => onCommit(id === '' ? null : id)}
    />
  );
}
