import { ArrowDown, ArrowUp } from 'lucide-react';
import { type CSSProperties } from 'react';
import { type Column } from './columns.ts';
import { type Looking, type Row } from './rows.ts';

/** Names of the columns, each sorts by it; and the mark for all. */
export function ListHead({
  template,
  columns,
  looking,
  all,
  onAll,
  onLook,
}: {
  template: string;
  columns: readonly Column[];
  looking: Looking;
  all: boolean;
  onAll: (on: boolean) => void;
  onLook: (part: Partial<Looking>) => void;
}) {
  return (
    <div
      className="grid items-end gap-2 border-b border-line px-1 pb-1 text-[13px] text-soft"
      style={{ gridTemplateColumns: template }}
    >
      <label className="flex size-6 items-center justify-center">
        <input
          type="checkbox"
          aria-label="Mark all"
          className="accent-heron"
          checked={all}
          onChange={(e) => onAll(e.target.checked)}
        />
      </label>
      {columns.map((c) => {
        const on = looking.sortBy === c.id;
        return (
          <button
            key={c.id}
            type="button"
            className={`flex items-center gap-0.5 truncate text-left hover:text-heron ${c.right ? 'justify-end' : ''} ${on ? 'font-semibold text-ink' : ''}`}
            title={`Sort by ${c.title}`}
            onClick={() => onLook({ sortBy: c.id, descending: on && !looking.descending })}
          >
            {c.title}
            {on && (looking.descending ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
          </button>
        );
      })}
    </div>
  );
}

/** The name of a group and how many there are in it. */
export function GroupRow({
  row,
  index,
  style,
}: {
  row: Extract<Row, { group: string }>;
  index: number;
  style: CSSProperties;
}) {
  return (
    <div role="row" aria-rowindex={index + 1} style={style} className="flex items-end px-2 pb-0.5">
      <span role="gridcell" className="font-display font-semibold">
        {row.group} <span className="font-sans text-[13px] font-normal text-soft">{row.count}</span>
      </span>
    </div>
  );
}
