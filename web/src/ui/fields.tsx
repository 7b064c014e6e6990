import { Explained } from './explained.tsx';
import { type Term } from './explanations.ts';
import { minutesIn } from './minutes.ts';
import { moneyIn, moneyShown } from './money.ts';
import { wholeDay } from './whole-day.ts';
import { type ReactNode, useId, useState } from 'react';
import {
  formatLength,
  formatNumberOnly,
  formatWeight,
  parseLength,
  parseLengths,
  parseWeight,
  unitSuffix,
} from '@heronstone/core/lengths';
import { usePlan } from '../state/plan-store.ts';

const box =
  'min-h-[34px] w-full rounded-md border border-edge bg-paper px-2 py-1 text-ink placeholder:text-soft focus-visible:outline-2 aria-invalid:border-clash';

type Shared = { label: string; hideLabel?: boolean; className?: string };

function Labelled({
  label,
  hideLabel,
  className,
  id,
  trouble,
  children,
}: Shared & { id: string; trouble?: string | null; children: ReactNode }) {
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block text-[13px] text-soft'}>
        {label}
      </label>
      {children}
      {trouble && (
        <p id={`${id}-trouble`} role="alert" className="mt-0.5 text-[13px] text-clash">
          {trouble}
        </p>
      )}
    </div>
  );
}

/**
 * A text box that hands its value over on Enter or when left; Escape takes the typing back. What is typed is kept apart from
 * what is shown, so that leaving the field right after Enter cannot bring the former value back. What another window has changed since the typing began
 * is said, and overwritten only when it is handed over once more.
 */
function useTyped(id: string, shown: string, commit: (text: string) => string | null) {
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** what was shown when the typing began */
  const [seen, setSeen] = useState(shown);
  const finish = () => {
    if (draft !== null && draft !== shown && seen !== shown) {
      setSeen(shown);
      setTrouble(`It has become “${shown}” meanwhile. Enter once more writes yours, Escape leaves it.`);
      return;
    }
    const why = draft === null || draft === shown ? null : commit(draft);
    setTrouble(why);
    if (why === null) setDraft(null);
  };
  return {
    trouble,
    props: {
      value: draft ?? shown,
      onChange: (e: { target: { value: string } }) => {
        if (draft === null) setSeen(shown);
        setDraft(e.target.value);
      },
      onBlur: finish,
      onKeyDown: (e: React.KeyboardEvent) => {
        if (e.key === 'Enter') finish();
        if (e.key === 'Escape') {
          setDraft(null);
          setTrouble(null);
        }
        e.stopPropagation();
      },
      'aria-invalid': trouble !== null,
      'aria-describedby': trouble === null ? undefined : `${id}-trouble`,
    },
  };
}

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

/** An amount of money in the maker’s own coin; null: not said. */
export function MoneyField({
  amount,
  onCommit,
  empty,
  ...shared
}: Shared & {
  amount: number | null;
  /** what stands in it while none is said */
  empty: string;
  onCommit: (amount: number | null) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, moneyShown(amount), (text) => {
    const said = moneyIn(text);
    if (!said.ok) return said.reason;
    return onCommit(said.amount) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} inputMode="decimal" autoComplete="off" placeholder={empty} {...typed.props} />
    </Labelled>
  );
}

export function TextField({
  value,
  onCommit,
  placeholder,
  ...shared
}: Shared & { value: string; onCommit: (text: string) => boolean | void; placeholder?: string }) {
  const id = useId();
  const typed = useTyped(id, value, (text) => (onCommit(text) === false ? 'That was refused.' : null));
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={placeholder} {...typed.props} />
    </Labelled>
  );
}

/** Something said in words, understood and then shown elsewhere: the box is empty again. `wanted` says what is understood. */
export function WordsField<T>({
  read,
  wanted,
  placeholder,
  onCommit,
  ...shared
}: Shared & {
  read: (text: string) => T | null;
  wanted: string;
  placeholder?: string;
  onCommit: (said: T) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, '', (text) => {
    const said = read(text);
    if (said === null) return `“${text}” is not understood: ${wanted}.`;
    return onCommit(said) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={placeholder} {...typed.props} />
    </Labelled>
  );
}

export function SelectField<T extends string>({
  value,
  options,
  onCommit,
  ...shared
}: Shared & { value: T; options: readonly (readonly [T, string])[]; onCommit: (value: T) => void }) {
  const id = useId();
  return (
    <Labelled {...shared} id={id}>
      <select id={id} className={box} value={value} onChange={(e) => onCommit(e.target.value as T)}>
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

export function CheckField({
  label,
  checked,
  onCommit,
}: {
  label: string;
  checked: boolean;
  onCommit: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        className="size-4 accent-heron"
        checked={checked}
        onChange={(e) => onCommit(e.target.checked)}
      />
      {label}
    </label>
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

/** A day, or none where it is not `required`; one that is only half typed is not handed over. */
export function DayField({
  value,
  onCommit,
  required,
  min,
  max,
  ...shared
}: Shared & {
  value: string | null;
  onCommit: (day: string | null) => boolean | void;
  required?: boolean;
  min?: string;
  max?: string;
}) {
  const id = useId();
  // what is half typed, kept until it is whole or left
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Labelled {...shared} id={id}>
      <input
        id={id}
        type="date"
        className={box}
        value={draft ?? value ?? ''}
        {...{ required, min, max }}
        onChange={(e) => {
          const day = wholeDay(e.target.value);
          if (day === undefined || (day === null && required)) return setDraft(e.target.value);
          setDraft(null);
          onCommit(day);
        }}
        onBlur={() => setDraft(null)}
      />
    </Labelled>
  );
}

/** Words over several lines, handed over when left. */
export function NoteField({
  value,
  onCommit,
  rows = 4,
  ...shared
}: Shared & { value: string; onCommit: (text: string) => void; rows?: number }) {
  const id = useId();
  // what is typed and not yet kept; else what the plan has, also when that changes elsewhere
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Labelled {...shared} id={id}>
      <textarea
        id={id}
        rows={rows}
        maxLength={8000}
        className={box}
        value={draft ?? value}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={() => {
          if (draft !== null && draft !== value) onCommit(draft);
          setDraft(null);
        }}
      />
    </Labelled>
  );
}
