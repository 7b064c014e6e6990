import { type CSSProperties } from 'react';
import { type Plan, type Supply } from '@heronstone/core/plan';
import { Cell } from './Cell.tsx';
import { type Column } from './columns.ts';

type Props = {
  plan: Plan;
  supply: Supply;
  index: number;
  style: CSSProperties;
  columns: readonly Column[];
  /** the column one is in, where one is in this row */
  active: Column | undefined;
  editing: { typed: string | null } | null;
  look: 'marked' | 'chosen' | 'plain';
  onMark: () => void;
  onPoint: (column: number, twice: boolean) => void;
  onDone: (column: Column, text: string | null, move: number) => void;
};
const LOOKS: Record<Props['look'], string> = { marked: 'bg-stone', chosen: 'bg-paper', plain: 'hover:bg-paper' };

/** One supply of the list. */
export function ListRow({
  plan,
  supply,
  index,
  style,
  columns,
  active,
  editing,
  look,
  onMark,
  onPoint,
  onDone,
}: Props) {
  const marked = look === 'marked';
  return (
    <div
      role="row"
      aria-rowindex={index + 1}
      aria-selected={marked}
      data-supply={supply.id}
      style={style}
      className={`items-center gap-2 rounded-md px-1 ${LOOKS[look]}`}
    >
      <div role="gridcell">
        <label className="flex size-6 items-center justify-center">
          <input
            type="checkbox"
            tabIndex={-1}
            aria-label={`Mark ${supply.name}`}
            className="accent-heron"
            checked={marked}
            onChange={onMark}
          />
        </label>
      </div>
      {columns.map((c, i) => (
        <Cell
          key={c.id}
          id={`cell-${index}-${c.id}`}
          plan={plan}
          supply={supply}
          column={c}
          active={c === active}
          editing={c === active ? editing : null}
          onPoint={(twice) => onPoint(i, twice)}
          onDone={(text, move) => onDone(c, text, move)}
        />
      ))}
    </div>
  );
}
