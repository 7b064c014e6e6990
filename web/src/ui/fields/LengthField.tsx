import { useId } from 'react';
import { formatLength, formatNumberOnly, parseLength, parseLengths, unitSuffix } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

/** A length in either system; shows the plan's own. `null` stands for “not measured” where `optional`. */
export function LengthField({
  mm,
  onCommit,
  optional,
  positive,
  empty = 'not measured',
  ...shared
}: Shared & {
  mm: number | null;
  /** what stands in it while there is none */
  empty?: string;
  onCommit: (mm: number | null) => boolean | void;
  optional?: boolean;
  positive?: boolean;
}) {
  const measure = usePlan((s) => s.plan.head?.measure ?? 'metric');
  const id = useId();
  const typed = useTyped(id, mm === null ? '' : formatLength(mm, measure), (text) => {
    if (optional && text.trim() === '') return onCommit(null) === false ? 'That was refused.' : null;
    const got = parseLength(text, measure);
    if (!got.ok) return got.reason;
    if (positive && got.mm <= 0) return 'It must be more than zero.';
    return onCommit(got.mm) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input
        id={id}
        className={box}
        inputMode="text"
        autoComplete="off"
        data-length
        placeholder={optional ? empty : undefined}
        {...typed.props}
      />
    </Labelled>
  );
}

/** Several lengths in a row: “70, 70, 110, 110 mm”. Empty: none. */
export function LengthsField({
  mm,
  onCommit,
  placeholder,
  ...shared
}: Shared & { mm: readonly number[]; onCommit: (mm: number[]) => boolean | void; placeholder?: string }) {
  const measure = usePlan((s) => s.plan.head?.measure ?? 'metric');
  const id = useId();
  const shown = mm.length ? `${mm.map((n) => formatNumberOnly(n, measure)).join(', ')} ${unitSuffix(measure)}` : '';
  const typed = useTyped(id, shown, (text) => {
    const got = parseLengths(text, measure);
    if (!got.ok) return got.reason;
    return onCommit(got.mm) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={placeholder} {...typed.props} />
    </Labelled>
  );
}
