import { getCoreRowModel, useReactTable, type ColumnDef } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Plus } from 'lucide-react';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { blankSupply, newId, type Supply } from '@heronstone/core/plan';
import { useKept } from '../../../state/kept.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { useWidth } from '../../../ui/width.ts';
import { countWords } from '../../../ui/words.ts';
import { type Column, COLUMNS, USUAL_COLUMNS } from './columns.ts';
import { actOf, marksBetween } from './keys.ts';
import { InHand } from './InHand.tsx';
import { GroupRow, ListHead } from './ListHead.tsx';
import { ListRow } from './ListRow.tsx';
import { ManyBar } from './ManyBar.tsx';
import { PhoneRows } from './PhoneRows.tsx';
import { type Looking, type Row, rowsOf } from './rows.ts';
import { Narrowing } from './Narrowing.tsx';

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
  const toggle = (id: string) => {
    const next = new Set(marked);
    if (!next.delete(id)) next.add(id);
    setMarked(next);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (editing || e.target !== scroller.current) return;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / ROW) - 1);
    const act = actOf(e, { row: at, column: active.column, anchor: anchor.current, page, rows, columns });
    if (!act) return;
    if (act.what !== 'markNone') e.preventDefault();
    anchor.current = act.what === 'markTo' ? act.from : act.what === 'go' ? null : anchor.current;
    if (act.what === 'go') go(act.row, act.column);
    else if (act.what === 'markTo') {
      setMarked(marksBetween(rows, act.from, act.row));
      go(act.row);
    } else if (act.what === 'markAll') setMarked(new Set(ids));
    else if (act.what === 'markNone') setMarked(new Set());
    else if (act.what === 'mark') toggle(act.id);
    else if (act.what === 'open') select({ supply: act.id });
    else setEditing({ typed: act.typed });
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
          <Narrowing
            looking={looking}
            shown={shown}
            phone={phone}
            onLook={look}
            onShow={setShown}
            onTake={(to, cols) => (setLooking(to), setShown(cols))}
          />
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
              <ListHead
                template={template}
                columns={columns}
                looking={looking}
                all={many.length > 0 && many.length === ids.length}
                onAll={(on) => setMarked(new Set(on ? ids : []))}
                onLook={look}
              />
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
                      return <GroupRow key={`group ${row.group}`} row={row} index={item.index} style={style} />;
                    const { supply } = row;
                    return (
                      <ListRow
                        key={supply.id}
                        plan={plan}
                        supply={supply}
                        index={item.index}
                        style={{ ...style, display: 'grid', gridTemplateColumns: template }}
                        columns={columns}
                        active={item.index === at ? column : undefined}
                        editing={item.index === at ? editing : null}
                        look={marked.has(supply.id) ? 'marked' : chosenId === supply.id ? 'chosen' : 'plain'}
                        onMark={() => toggle(supply.id)}
                        onPoint={(i, twice) => {
                          setActive({ row: item.index, column: i });
                          if (twice && columns[i]!.edit) setEditing({ typed: null });
                          else {
                            select({ supply: supply.id });
                            scroller.current?.focus();
                          }
                        }}
                        onDone={(c, text, move) => {
                          if (text === null || commit(supply, c, text)) done(text === null ? 0 : move);
                        }}
                      />
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
      <InHand chosen={chosen} phone={phone} onClose={() => select({ supply: null })} />
    </div>
  );
}
