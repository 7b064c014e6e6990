import { useVirtualizer } from '@tanstack/react-virtual';
import { Download, Plus, Upload } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { pieceOf } from '@heronstone/core/fit';
import { writeSupplies } from '@heronstone/core/formats';
import { formatNumberOnly } from '@heronstone/core/lengths';
import { blankSupply, homeOf, newId, placeTitle, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { findSupplies } from '../../state/search.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { countWords } from '../../ui/words.ts';
import { useRoving } from '../../ui/roving.ts';
import { type CsvList } from '../../workers/csv.worker.ts';
import { CsvReportSheet } from './CsvReportSheet.tsx';
import { readCsv } from './read-csv.ts';
import { SupplyEditor } from './SupplyEditor.tsx';

const ROW = 34;

/** The stock list: what there is, how big, how many; one at a time beside it for measuring and counting. */
export default function SuppliesStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [text, setText] = useState('');
  const [unmeasured, setUnmeasured] = useState(false);
  const [reading, setReading] = useState(false);
  const [list, setList] = useState<{ file: File; first: CsvList } | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useMemo(() => {
    const all = text.trim()
      ? findSupplies(plan.supplies, text, 500)
      : Object.values(plan.supplies).sort((a, b) => a.family.localeCompare(b.family) || a.name.localeCompare(b.name));
    return unmeasured ? all.filter((s) => !pieceOf(s)) : all;
  }, [plan.supplies, text, unmeasured]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const chosen = get('supply') ? plan.supplies[get('supply')!] : undefined;
  const total = Object.keys(plan.supplies).length;

  const add = () => {
    const id = newId('supply');
    const supply = blankSupply(id, 'New supply');
    if (dispatch({ type: 'addSupplies', supplies: [supply] })) select({ supply: id });
  };
  const onFile = async (chosenFile: File) => {
    setReading(true);
    try {
      const first = await readCsv(chosenFile);
      if (typeof first === 'string') toast.error(first);
      else setList({ file: chosenFile, first });
    } catch {
      toast.error('The file could not be read.');
    } finally {
      setReading(false);
    }
  };
  const roving = useRoving<HTMLDivElement>();
  const save = () => saveFile('supplies.csv', 'text/csv', writeSupplies(plan));

  return (
    <main className="grid grow grid-cols-1 gap-6 px-4 pb-3 lg:grid-cols-[1fr_24rem]">
      <section aria-label="Stock list" className="flex min-w-0 flex-col">
        <div className="flex flex-wrap items-center gap-2 py-1">
          <h1 className="font-display text-2xl font-semibold">Supplies</h1>
          <Button look="main" onClick={add}>
            <Plus size={16} aria-hidden /> One more
          </Button>
          <Button onClick={() => file.current?.click()} disabled={reading}>
            <Upload size={16} aria-hidden /> {reading ? 'Reading …' : 'From a CSV list'}
          </Button>
          <Button onClick={save} disabled={total === 0}>
            <Download size={16} aria-hidden /> As CSV
          </Button>
          <input
            ref={file}
            type="file"
            accept=".csv,text/csv"
            className="hidden"
            aria-label="CSV list"
            onChange={(e) => {
              const [f] = e.target.files ?? [];
              e.target.value = '';
              if (f) void onFile(f);
            }}
          />
          <label className="ml-auto flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-heron"
              checked={unmeasured}
              onChange={(e) => setUnmeasured(e.target.checked)}
            />{' '}
            only without size
          </label>
          <input
            aria-label="Narrow the list"
            placeholder="Narrow the list"
            className="w-44 rounded-full border border-edge bg-paper px-3 py-1"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </div>
        {total === 0 ? (
          <div className="mt-6 max-w-lg rounded-2xl border-2 border-dashed border-line p-6 text-soft">
            <p>
              Take everything out and count it. Bring in a list you already keep as CSV (a column “name” is enough), or
              add one supply after the other.
            </p>
          </div>
        ) : (
          <>
            <div
              className="grid grid-cols-[2fr_1.2fr_1.5fr_3.5rem_4.5rem_1.8fr] gap-2 border-b border-line px-2 pb-1 text-[13px] text-soft"
              aria-hidden
            >
              <span>{countWords(rows.length, 'supply', 'supplies')}</span>
              <span>family</span>
              <span>w × d × h, {plan.head.measure === 'metric' ? 'cm' : 'inches'}</span>
              <span className="text-right">at hand</span>
              <span className="text-right">in reserve</span>
              <span>lives in</span>
            </div>
            <div
              ref={(el) => {
                scroller.current = el;
                roving.ref.current = el;
              }}
              onKeyDown={roving.onKeyDown}
              className="h-[calc(100vh-11rem)] min-h-64 overflow-auto"
              role="listbox"
              aria-label="Supplies"
              tabIndex={-1}
            >
              <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
                {virtual.getVirtualItems().map((item) => {
                  const s = rows[item.index]!;
                  const home = homeOf(plan, s.id, 'working');
                  const place = home && plan.places[home.placeId];
                  return (
                    <button
                      key={s.id}
                      type="button"
                      role="option"
                      data-row
                      aria-selected={chosen?.id === s.id}
                      onClick={() => select({ supply: s.id })}
                      style={{
                        position: 'absolute',
                        top: 0,
                        left: 0,
                        right: 0,
                        height: ROW,
                        transform: `translateY(${item.start}px)`,
                      }}
                      className={`grid w-full grid-cols-[2fr_1.2fr_1.5fr_3.5rem_4.5rem_1.8fr] items-center gap-2 rounded-md px-2 text-left ${chosen?.id === s.id ? 'bg-stone' : 'hover:bg-paper'}`}
                    >
                      <span className="truncate font-medium">
                        {s.colour && (
                          <span
                            className="mr-1.5 inline-block size-2.5 rounded-full border border-edge"
                            style={{ background: s.colour }}
                          />
                        )}
                        {s.name}
                      </span>
                      <span className="truncate text-soft">{s.family}</span>
                      <span className={`truncate ${pieceOf(s) ? '' : 'text-clash'}`}>
                        {sizeWords(s, plan.head.measure)}
                      </span>
                      <span className="text-right">{s.working}</span>
                      <span className="text-right">{s.backstock || '–'}</span>
                      <span className={`truncate ${place ? '' : 'text-soft'}`}>
                        {place ? placeTitle(plan, place) : s.working ? 'no home yet' : ''}
                      </span>
                    </button>
                  );
                })}
              </div>
            </div>
          </>
        )}
      </section>
      <aside aria-label="The supply in hand" className="min-w-0 overflow-auto pt-1">
        {chosen ? (
          <SupplyEditor key={chosen.id} supply={chosen} />
        ) : (
          total > 0 && <p className="pt-10 text-soft">Choose a supply to measure and count it.</p>
        )}
      </aside>
      {list && <CsvReportSheet {...list} onClose={() => setList(null)} />}
    </main>
  );
}

function sizeWords(s: Supply, measure: 'metric' | 'imperial'): string {
  const piece = pieceOf(s);
  if (!piece) return 'not measured';
  const n = (mm: number) => (mm < 1 ? `${mm.toFixed(2)} mm` : formatNumberOnly(mm, measure));
  return `${n(piece.width)} × ${n(piece.depth)} × ${n(piece.height)}`;
}
