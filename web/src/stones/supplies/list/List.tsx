import { getCoreRowModel, useReactTable, type ColumnDef } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, Plus } from 'lucide-react';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { blankSupply, newId, type Supply } from '@heronstone/core/plan';
import { useKept } from '../../../state/kept.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { Sheet } from '../../../ui/sheet.tsx';
import { useWidth } from '../../../ui/width.ts';
import { countWords } from '../../../ui/words.ts';
import { Cell } from './Cell.tsx';
import { type Column, COLUMNS, ONLY, USUAL_COLUMNS } from './columns.ts';
import { ManyBar } from './ManyBar.tsx';
import { PhoneRows } from './PhoneRows.tsx';
import { type Looking, type Row, rowsOf } from './rows.ts';
import { SupplyEditor } from '../editor/SupplyEditor.tsx';
import { Views } from './Views.tsx';
import { ColumnMenu } from './ColumnMenu.tsx';

const ROW = 32;

const ALL: Looking = { text: '', only: '', sortBy: '', descending: false, groupBy: '' };

/** All supplies as rows: keyboard first, edited in place, many changed at once. */
export default function List() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const phone = useWidth() === 'phone';
  const [looking, setLooking] = useKept<Looking>('list.looking', ALL);
  const [shown, setShown] = useKept<readonly string[]>('list.columns', USUAL_COLUMNS);
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [active, setActive] = useState({ row: 0, column: 0 });
  const [editing, setEditing] = useState<{ typed: string | null } | null>(null);
  const anchor = useRef<number | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const seen = useDeferredValue(looking);
  const rows = useMemo(() => rowsOf(plan, seen), [plan, seen]);
  const defs = useMemo<ColumnDef<Row>[]>(() => COLUMNS.map((c) => ({ id: c.id, header: c.title, size: c.width })), []);
  const table = useReactTable({
    data: rows,
    columns: defs,
    getCoreRowModel: getCoreRowModel(),
    state: { columnVisibility: Object.fromEntries(COLUMNS.map((c) => [c.id, shown.includes(c.id)])) },
  });
  const columns = table.getVisibleLeafColumns().map((c) => COLUMNS.find((own) => own.id === c.id)!);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 10,
  });
  const chosenId = get('supply');
  const chosen = chosenId ? plan.supplies[chosenId] : undefined;
  const ids = useMemo(() => rows.flatMap((r) => ('supply' in r ? [r.supply.id] : [])), [rows]);
  const many = [...marked].filter((id) => plan.supplies[id]);

  // a supply that the address names is shown where it stands
  useEffect(() => {
    if (!chosenId) return;
    const at = rows.findIndex((r) => 'supply' in r && r.supply.id === chosenId);
    if (at >= 0) {
      setActive((a) => ({ ...a, row: at }));
      virtual.scrollToIndex(at, { align: 'auto' });
    }
    // only when another one is chosen: rows change under the hand while it types
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosenId]);

  const at = Math.min(active.row, rows.length - 1);
  const column = columns[Math.min(active.column, columns.length - 1)];
  const here = rows[at];
  const go = (row: number, col = active.column) => {
    const to = Math.max(0, Math.min(rows.length - 1, row));
    setActive({ row: to, column: Math.max(0, Math.min(columns.length - 1, col)) });
    virtual.scrollToIndex(to, { align: 'auto' });
  };
  const commit = (supply: Supply, col: Column, text: string): boolean => {
    const edited = col.edit!(text, supply, plan.head.measure);
    if (!edited.ok) {
      toast.error(edited.reason);
      return false;
    }
    return dispatch({ type: 'setSupply', id: supply.id, set: edited.set });
  };
  const mark = (from: number, to: number) => {
    const [a, b] = [Math.min(from, to), Math.max(from, to)];
    setMarked(new Set(rows.slice(a, b + 1).flatMap((r) => ('supply' in r ? [r.supply.id] : []))));
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (editing || e.target !== scroller.current) return;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / ROW) - 1);
    const steps: Partial<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page };
    const step = steps[e.key] ?? 0;
    if (step !== 0) {
      e.preventDefault();
      let to: number = Math.max(0, Math.min(rows.length - 1, at + step));
      // heads of groups are stepped over
      const isHead = (i: number) => 'group' in (rows[i] ?? {});
      while (isHead(to) && rows[to + Math.sign(step)]) to += Math.sign(step);
      if (e.shiftKey) mark((anchor.current ??= at), to);
      else anchor.current = null;
      return go(to);
    }
    const stop = (then: () => void) => {
      e.preventDefault();
      then();
    };
    if (e.key === 'ArrowRight') return stop(() => go(at, active.column + 1));
    if (e.key === 'ArrowLeft') return stop(() => go(at, active.column - 1));
    if (e.key === 'Home') return stop(() => (e.ctrlKey ? go(0) : go(at, 0)));
    if (e.key === 'End') return stop(() => (e.ctrlKey ? go(rows.length - 1) : go(at, columns.length - 1)));
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'a') return stop(() => setMarked(new Set(ids)));
    if (e.key === 'Escape') return setMarked(new Set());
    if (!here || !('supply' in here)) return;
    if (e.key === ' ')
      return stop(() => {
        const next = new Set(marked);
        if (!next.delete(here.supply.id)) next.add(here.supply.id);
        setMarked(next);
      });
    if (e.key === 'Enter' && e.shiftKey) return stop(() => select({ supply: here.supply.id }));
    if (e.key === 'Enter' || e.key === 'F2')
      return stop(() => (column?.edit ? setEditing({ typed: null }) : select({ supply: here.supply.id })));
    if (
      e.key.length === 1 &&
      !e.ctrlKey &&
      !e.metaKey &&
      !e.altKey &&
      column?.edit &&
      !column.options &&
      e.key !== '/' &&
      e.key !== '?'
    )
      stop(() => setEditing({ typed: e.key }));
  };
  const done = (move: number) => {
    setEditing(null);
    scroller.current?.focus();
    if (move !== 0) go(at + move);
  };
  const add = () => {
    const supply = blankSupply(newId('supply'), 'New supply');
    if (dispatch({ type: 'addSupplies', supplies: [supply] })) select({ supply: supply.id });
  };
  const look = (part: Partial<Looking>) => setLooking({ ...looking, ...part });
  const template = `1.6rem ${columns.map((c) => `minmax(${Math.round(c.width * 0.55)}px, ${c.width}fr)`).join(' ')}`;
  const total = Object.keys(plan.supplies).length;

  return (
    <div className="grid grow grid-cols-1 gap-6 xl:grid-cols-[minmax(0,1fr)_21rem]">
      <section aria-label="Stock list" className="flex min-w-0 flex-col">
        <div className="flex flex-wrap items-center gap-2 py-1">
          <input
            aria-label="Narrow the list"
            placeholder="Narrow the list"
            className="w-44 rounded-full border border-edge bg-paper px-3 py-1"
            value={looking.text}
            onChange={(e) => look({ text: e.target.value })}
          />
          <select
            aria-label="Only"
            className="rounded-full border border-edge bg-paper px-2 py-1"
            value={looking.only}
            onChange={(e) => look({ only: e.target.value })}
          >
            {ONLY.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
          {!phone && (
            <>
              <select
                aria-label="Put together by"
                className="rounded-full border border-edge bg-paper px-2 py-1"
                value={looking.groupBy}
                onChange={(e) => look({ groupBy: e.target.value })}
              >
                <option value="">not put together</option>
                {COLUMNS.filter((c) => c.groups).map((c) => (
                  <option key={c.id} value={c.id}>
                    by {c.title}
                  </option>
                ))}
              </select>
              <ColumnMenu shown={shown} onChange={setShown} />
              <Views looking={looking} shown={shown} onTake={(to, cols) => (setLooking(to), setShown(cols))} />
            </>
          )}
          <Button onClick={add}>
            <Plus size={16} aria-hidden /> One more
          </Button>
          <span className="ml-auto text-soft">
            {ids.length === total ? countWords(total, 'supply', 'supplies') : `${ids.length} of ${total}`}
          </span>
        </div>
        {many.length > 0 && (
          <ManyBar plan={plan} ids={many} onDone={() => (setMarked(new Set()), scroller.current?.focus())} />
        )}
        {phone ? (
          <PhoneRows plan={plan} rows={rows} onOpen={(id) => select({ supply: id })} />
        ) : (
          <div className="min-w-0 overflow-x-auto">
            <div className="min-w-fit">
              <div
                className="grid items-end gap-2 border-b border-line px-1 pb-1 text-[13px] text-soft"
                style={{ gridTemplateColumns: template }}
              >
                <label className="flex size-6 items-center justify-center">
                  <input
                    type="checkbox"
                    aria-label="Mark all"
                    className="accent-heron"
                    checked={many.length > 0 && many.length === ids.length}
                    onChange={(e) => setMarked(new Set(e.target.checked ? ids : []))}
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
                      onClick={() => look({ sortBy: c.id, descending: on && !looking.descending })}
                    >
                      {c.title}
                      {on &&
                        (looking.descending ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
                    </button>
                  );
                })}
              </div>
              <div
                ref={scroller}
                role="grid"
                tabIndex={0}
                aria-label="Supplies"
                aria-rowcount={rows.length}
                aria-colcount={columns.length}
                aria-multiselectable
                aria-activedescendant={here && column ? `cell-${at}-${column.id}` : undefined}
                onKeyDown={onKeyDown}
                className="h-[calc(100vh-14rem)] min-h-64 overflow-auto"
                style={{ outline: 'none' }}
              >
                <div role="presentation" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
                  {virtual.getVirtualItems().map((item) => {
                    const row = rows[item.index]!;
                    const style = {
                      position: 'absolute',
                      top: 0,
                      left: 0,
                      right: 0,
                      height: ROW,
                      transform: `translateY(${item.start}px)`,
                    } as const;
                    if ('group' in row)
                      return (
                        <div
                          key={`group ${row.group}`}
                          role="row"
                          aria-rowindex={item.index + 1}
                          style={style}
                          className="flex items-end px-2 pb-0.5"
                        >
                          <span role="gridcell" className="font-display font-semibold">
                            {row.group} <span className="font-sans text-[13px] font-normal text-soft">{row.count}</span>
                          </span>
                        </div>
                      );
                    const { supply } = row;
                    const isMarked = marked.has(supply.id);
                    return (
                      <div
                        key={supply.id}
                        role="row"
                        aria-rowindex={item.index + 1}
                        aria-selected={isMarked}
                        data-supply={supply.id}
                        style={{ ...style, display: 'grid', gridTemplateColumns: template }}
                        className={`items-center gap-2 rounded-md px-1 ${isMarked ? 'bg-stone' : chosenId === supply.id ? 'bg-paper' : 'hover:bg-paper'}`}
                      >
                        <div role="gridcell">
                          <label className="flex size-6 items-center justify-center">
                            <input
                              type="checkbox"
                              tabIndex={-1}
                              aria-label={`Mark ${supply.name}`}
                              className="accent-heron"
                              checked={isMarked}
                              onChange={() => {
                                const next = new Set(marked);
                                if (!next.delete(supply.id)) next.add(supply.id);
                                setMarked(next);
                              }}
                            />
                          </label>
                        </div>
                        {columns.map((c, i) => (
                          <Cell
                            key={c.id}
                            id={`cell-${item.index}-${c.id}`}
                            plan={plan}
                            supply={supply}
                            column={c}
                            active={item.index === at && c === column}
                            editing={item.index === at && c === column ? editing : null}
                            onPoint={(twice) => {
                              setActive({ row: item.index, column: i });
                              if (twice && c.edit) setEditing({ typed: null });
                              else {
                                select({ supply: supply.id });
                                scroller.current?.focus();
                              }
                            }}
                            onDone={(text, move) => {
                              if (text === null || commit(supply, c, text)) done(text === null ? 0 : move);
                            }}
                          />
                        ))}
                      </div>
                    );
                  })}
                </div>
              </div>
            </div>
            <p className="mt-1 text-[13px] text-soft">
              Arrows go from cell to cell; type to change one, Enter to mend it; Space marks a row, Shift with arrows
              many; Shift Enter opens its form.
            </p>
          </div>
        )}
      </section>
      {phone ? (
        chosen && (
          <Sheet title={chosen.name} onClose={() => select({ supply: null })}>
            <SupplyEditor key={chosen.id} supply={chosen} />
          </Sheet>
        )
      ) : (
        <aside aria-label="The supply in hand" className="min-w-0 overflow-auto pt-1 xl:max-h-[calc(100vh-8rem)]">
          {chosen ? (
            <SupplyEditor key={chosen.id} supply={chosen} />
          ) : (
            <p className="pt-10 text-soft">Choose a supply to see its whole story.</p>
          )}
        </aside>
      )}
    </div>
  );
}
