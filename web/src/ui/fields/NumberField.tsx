import { Explained } from '../explained.tsx';
import { type Term } from '../explanations.ts';
import { minutesIn } from './minutes.ts';
import { useId } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

/** A number with its unit behind it. */
export function NumberField({
  value,
  unit,
  min = 0,
  max = 1e6,
  whole,
  read,
  explained,
  onCommit,
  ...shared
}: Shared & {
  value: number;
  unit?: string;
  /** says on a press what its unit means */
  explained?: Term;
  min?: number;
  max?: number;
  whole?: boolean;
  /** what may be said in words besides; null: it is none of that */
  read?: (text: string) => number | null;
  onCommit: (n: number) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, String(value), (text) => {
    // the field's own unit may stand behind the number; another one is refused, or it would be taken for this one
    const [, bare = text.trim(), said = ''] = /^(.*\d)\s*([a-z%°/²]*)$/i.exec(text.trim()) ?? [];
    const time = read?.(text) ?? (unit === 'min' ? minutesIn(text) : null);
    const n = time ?? Number(bare.replace(',', '.').replace('−', '-'));
    if (text.trim() === '' || !Number.isFinite(n)) return `“${text}” is not a number.`;
    if (time === null && said !== '' && said.toLowerCase() !== unit?.toLowerCase())
      return unit
        ? `“${said}” is not understood here: it is in ${unit}.`
        : `“${said}” is not understood: a number is wanted.`;
    if (whole && !Number.isInteger(n)) return 'It must be a whole number.';
    if (n < min) return min === 0 ? 'It cannot be negative.' : `At least ${min}.`;
    if (n > max) return `At most ${max}.`;
    return onCommit(n) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <div className="flex items-center gap-1">
        <input id={id} className={box} inputMode={read ? 'text' : 'decimal'} autoComplete="off" {...typed.props} />
        {unit && (
          <span className="shrink-0 text-[13px] text-soft">
            {explained ? <Explained term={explained}>{unit}</Explained> : unit}
          </span>
        )}
      </div>
    </Labelled>
  );
}
