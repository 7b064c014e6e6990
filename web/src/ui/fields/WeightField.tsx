import { useId } from 'react';
import { formatWeight, parseWeight } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

/** A weight with its unit, as people write it; kept in grams. A bare number is in `bare`, or its like in ounces and pounds. */
export function WeightField({
  g,
  bare,
  max,
  onCommit,
  ...shared
}: Shared & { g: number; bare: 'g' | 'kg'; max: number; onCommit: (g: number) => boolean | void }) {
  const id = useId();
  const measure = usePlan((s) => s.plan.head.measure);
  const own = measure === 'metric' ? bare : bare === 'kg' ? 'lb' : 'oz';
  const typed = useTyped(id, formatWeight(g, measure), (text) => {
    const got = parseWeight(text, own);
    if (!got.ok) return got.reason;
    if (got.g > max) return `At most ${formatWeight(max, measure)}.`;
    return onCommit(Number(got.g.toFixed(3))) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" {...typed.props} />
    </Labelled>
  );
}
