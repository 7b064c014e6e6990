import { memo, useEffect, useRef, useState } from 'react';
import { type Plan, type Supply } from '@heronstone/core/plan';
import { type Column } from './columns.ts';

type Props = {
  id: string;
  plan: Plan;
  supply: Supply;
  column: Column;
  active: boolean;
  editing: { typed: string | null } | null;
  onPoint: (twice: boolean) => void;
  /** with the new text and how many rows to go on; without a text nothing is changed */
  onDone: (text: string | null, move: number) => void;
};

/** One cell of the list; it is read until somebody types into it. */
export const Cell = memo(
  function Cell({ id, plan, supply, column, active, editing, onPoint, onDone }: Props) {
    const text = column.text(plan, supply);
    const guessed = column.guessed?.(supply) ?? false;
    return (
      <div
        id={id}
        role="gridcell"
        aria-readonly={!column.edit}
        onClick={() => onPoint(false)}
        onDoubleClick={() => onPoint(true)}
        className={`flex h-7 min-w-0 items-center rounded px-1 ${column.right ? 'justify-end' : ''} ${active ? 'outline-2 -outline-offset-1 outline-heron' : ''}`}
      >
        {editing ? (
          <CellEditor column={column} supply={supply} text={text} typed={editing.typed} onDone={onDone} />
        ) : (
          <span
            className={`truncate ${column.id === 'name' ? 'font-medium' : ''} ${guessed ? 'italic text-soft' : ''} ${text === '' && column.id === 'size' ? 'text-clash' : ''}`}
          >
            {column.id === 'name' && supply.colour && (
              <span
                className="mr-1.5 inline-block size-2.5 rounded-full border border-edge"
                style={{ background: supply.colour }}
              />
            )}
            {text === '' && column.id === 'size' ? 'not measured' : text}
            {guessed && <span className="sr-only"> (a guess)</span>}
          </span>
        )}
      </div>
    );
  },
  (a, b) =>
    a.supply === b.supply &&
    a.column === b.column &&
    a.active === b.active &&
    a.editing === b.editing &&
    a.id === b.id &&
    (a.plan === b.plan ||
      (a.plan.homes === b.plan.homes &&
        a.plan.places === b.plan.places &&
        a.plan.uses === b.plan.uses &&
        a.plan.head === b.plan.head &&
        // what a place is called goes by all that lies there
        (a.column.id !== 'home' || a.plan.supplies === b.plan.supplies))) &&
    !b.active,
);

function CellEditor({
  column,
  supply,
  text,
  typed,
  onDone,
}: Pick<Props, 'column' | 'supply' | 'onDone'> & { text: string; typed: string | null }) {
  const [draft, setDraft] = useState(typed ?? text);
  const field = useRef<HTMLInputElement & HTMLSelectElement>(null);
  const left = useRef(false);
  useEffect(() => {
    field.current?.focus();
    if (typed === null) field.current?.select?.();
  }, [typed]);
  const finish = (value: string | null, move: number) => {
    if (left.current) return;
    left.current = value === null || move !== 0;
    onDone(value, move);
    // a cell that was refused stays open
    setTimeout(() => (left.current = false), 0);
  };
  if (column.options)
    return (
      <select
        ref={field}
        aria-label={`${column.title} of ${supply.name}`}
        className="w-full bg-paper"
        defaultValue={column.options.find(([, words]) => words === text)?.[0]}
        onChange={(e) => finish(e.target.value, 0)}
        onBlur={() => finish(null, 0)}
        onKeyDown={(e) => e.key === 'Escape' && finish(null, 0)}
      >
        {column.options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    );
  return (
    <input
      ref={field}
      aria-label={`${column.title} of ${supply.name}`}
      className="w-full min-w-0 bg-paper px-0.5"
      value={draft}
      autoComplete="off"
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => finish(draft === text ? null : draft, 0)}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Escape') finish(null, 0);
        if (e.key === 'Enter') finish(draft, e.shiftKey ? -1 : 1);
      }}
    />
  );
}
