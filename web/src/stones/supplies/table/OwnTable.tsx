import { Download, Upload } from 'lucide-react';
import { type ClipboardEvent, useRef, useState } from 'react';
import { toast } from 'sonner';
import {
  MEANINGS,
  type Meaning,
  type OwnReading,
  takeOwnTable,
  writeOwnTable,
  writeSupplies,
} from '@heronstone/core/formats';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { saveFile } from '../../../ui/save-file.ts';
import { countWords, today } from '../../../ui/words.ts';
import type { ListInHand } from '../../../workers/csv.worker.ts';
import { sizeWords } from '../list/columns.ts';
import { DecimalQuestion } from './DecimalQuestion.tsx';
import { readList } from './read-list.ts';

const MEANING_WORDS: Record<Meaning, string> = {
  name: 'what it is called',
  family: 'its family',
  size: 'its whole size',
  width: 'its width',
  depth: 'its depth or length',
  height: 'its height or thickness',
  mass: 'its weight',
  grammage: 'its paper weight',
  working: 'how many',
  backstock: 'how many in reserve',
  packs: 'how many packs',
  packOf: 'how many in a pack',
  reorderAt: 'buy below so many',
  colour: 'its colour',
  maker: 'who makes it',
  line: 'the line it is of',
  theme: 'its theme',
  uses: 'what it is used for',
  home: 'where it lives',
  note: 'a note',
  '': 'kept in the note',
};
/** Rows of the preview, and of each list below it. */
const SHOWN = 6;
const LISTED = 60;

/** A list that the maker already keeps: brought as it is, its columns matched, shown and corrected; read again it updates and doubles nothing. */
export default function OwnTable() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [inHand, setInHand] = useState<(ListInHand & { from: string }) | null>(null);
  const [reading, setReading] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const read = async (from: File | string, name: string, ...said: [Meaning[]?, ('dot' | 'comma')?]) => {
    setReading(true);
    const got = await readList(from, plan, said[0] ?? null, said[1] ?? null);
    setReading(false);
    if (typeof got === 'string') return void toast.error(got);
    if (got.list.what === 'lines' && got.list.lines.length > 0 && !said[0])
      toast('It has one column: read line by line.');
    setInHand({ ...got, from: name });
  };
  const onPaste = (e: ClipboardEvent) => {
    const text = e.clipboardData.getData('text/plain');
    if (text.trim() === '') return;
    e.preventDefault();
    void read(text, 'Pasted list');
  };
  const lists = Object.values(plan.ownLists);
  const total = Object.keys(plan.supplies).length;
  return (
    <div className="min-w-0">
      <div className="flex flex-wrap items-center gap-2 py-1">
        <Button look="main" onClick={() => file.current?.click()} disabled={reading}>
          <Upload size={16} aria-hidden /> {reading ? 'Reading …' : 'Bring a file'}
        </Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain,text/tab-separated-values"
          className="hidden"
          aria-label="A list as CSV or text"
          onChange={(e) => {
            const [f] = e.target.files ?? [];
            e.target.value = '';
            if (f) void read(f, f.name.replace(/\.\w+$/, ''));
          }}
        />
        <span className="ml-auto flex flex-wrap gap-2">
          <Button onClick={() => saveFile('supplies.csv', 'text/csv', writeSupplies(plan))} disabled={total === 0}>
            <Download size={16} aria-hidden /> All as CSV
          </Button>
          {lists.map((list) => (
            <Button
              key={list.id}
              onClick={() => saveFile(`${list.name}.csv`, 'text/csv', writeOwnTable(plan, list))}
              disabled={total === 0}
              title="With its own headings, as it was read"
            >
              <Download size={16} aria-hidden /> As {list.name}
            </Button>
          ))}
        </span>
      </div>
      {!inHand && (
        <>
          <label htmlFor="paste" className="mt-2 block font-semibold">
            Or copy the cells of a spreadsheet and paste them here
          </label>
          <textarea
            id="paste"
            onPaste={onPaste}
            placeholder={'Item\tSize\tHow many\tUsed for\nRubber stamp\t2 x 2 x 3/4\t12\tCards, Tags'}
            className="mt-1 h-40 w-full max-w-3xl rounded-xl border-2 border-dashed border-edge bg-paper p-3"
          />
          <p className="mt-1 max-w-prose text-soft">
            Any headings, any order, either system of measures; sizes in one cell or three. What fits nowhere is kept in
            the note. Read the same list again after you have changed it, and what changed is shown before anything is
            taken over.
          </p>
        </>
      )}
      {inHand?.list.what === 'table' && (
        <Columns list={inHand.list} onChange={(meanings) => void read(inHand.text, inHand.from, meanings)} />
      )}
      {inHand?.list.what === 'ours' && (
        <>
          <DecimalQuestion
            report={inHand.list.report}
            onSay={(mark) => void read(inHand.text, inHand.from, undefined, mark)}
          />
          {inHand.encoding !== 'UTF-8' && (
            <p className="text-soft">
              Read as {inHand.encoding}. If letters look wrong, save it as “CSV (UTF-8)” and bring that.
            </p>
          )}
        </>
      )}
      {inHand && inHand.list.what !== 'lines' && (
        <WouldDo
          reading={inHand.list.reading}
          onLeave={() => setInHand(null)}
          onTake={() => {
            if (inHand.list.what === 'lines') return;
            const own =
              inHand.list.what === 'table'
                ? { table: inHand.list.table, meanings: inHand.list.meanings, name: inHand.from }
                : null;
            const command = takeOwnTable(plan, inHand.list.reading, own, today());
            if (command && dispatch(command)) {
              setInHand(null);
              select({ view: 'list' });
            }
          }}
        />
      )}
      {inHand?.list.what === 'lines' && (
        <div className="mt-3">
          <p>
            {countWords(inHand.list.lines.length, 'line', 'lines')} without columns: copy them to{' '}
            <button type="button" className="text-heron underline" onClick={() => select({ view: 'lines' })}>
              Lines
            </button>
            , where each is shown with what it was taken for.
          </p>
          <Button className="mt-2" onClick={() => setInHand(null)}>
            Leave it
          </Button>
        </div>
      )}
    </div>
  );
}

type TableInHand = Extract<ListInHand['list'], { what: 'table' }>;

/** What each column was taken for, over its first cells; corrected from a list. */
function Columns({ list, onChange }: { list: TableInHand; onChange: (meanings: Meaning[]) => void }) {
  const { table, meanings, reading } = list;
  return (
    <div className="mt-2 overflow-x-auto rounded-xl border border-line" role="region" aria-label="Columns" tabIndex={0}>
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr>
            {table.headings.map((h, i) => (
              <th key={h} className="border-b border-line bg-stone px-2 py-1 text-left align-top font-semibold">
                {h}
                <select
                  aria-label={`${h} is`}
                  className="mt-1 block w-full min-w-36 rounded-md border border-edge bg-paper px-1 py-0.5 font-normal"
                  value={meanings[i]}
                  onChange={(e) => {
                    const to = e.target.value as Meaning;
                    // a meaning that only one column can have leaves the other
                    onChange(meanings.map((m, k) => (k === i ? to : m === to && to !== 'note' && to !== '' ? '' : m)));
                  }}
                >
                  {MEANINGS.map((m) => (
                    <option key={m} value={m}>
                      {MEANING_WORDS[m]}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.slice(0, SHOWN).map((row, r) => (
            <tr key={r}>
              {row.map((c, i) => (
                <td key={i} className="max-w-60 truncate border-b border-line px-2 py-0.5">
                  {c}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="px-2 py-1 text-[14px] text-soft">
        {countWords(table.rows.length, 'row', 'rows')}; bare numbers are{' '}
        {reading.measure === 'imperial' ? 'inches and ounces' : 'centimetres and grams'}.
      </p>
    </div>
  );
}

/** What taking the list over would do. */
function WouldDo({ reading, onTake, onLeave }: { reading: OwnReading; onTake: () => void; onLeave: () => void }) {
  const { fresh, changed, same, troubles, activities, kept } = reading;
  const doubts = fresh.filter((r) => r.doubts.length > 0).length;
  const things = fresh.length + changed.length;
  return (
    <section aria-label="What it would do" className="mt-3">
      <p>
        <strong>{countWords(fresh.length, 'new supply', 'new supplies')}</strong>, {changed.length} changed,{' '}
        {same.length} as they were
        {troubles.length > 0 && (
          <span className="text-clash">, {countWords(troubles.length, 'line', 'lines')} not understood</span>
        )}
        .
        {doubts > 0 && (
          <span className="text-soft"> Of {doubts} the kind is in doubt: they come in with what the list says.</span>
        )}
      </p>
      {activities.length > 0 && <p className="text-soft">New activities: {activities.slice(0, 20).join(', ')}.</p>}
      {kept.length > 0 && <p className="text-soft">Kept in the note: {kept.join(', ')}.</p>}
      <div className="my-2 flex gap-2">
        <Button look="main" disabled={things === 0} onClick={onTake}>
          Take over {things}
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </div>
      {troubles.length > 0 && (
        <ul
          aria-label="Lines left out"
          className="max-h-48 overflow-auto rounded-lg bg-paper p-2 text-[14px]"
          tabIndex={0}
        >
          {troubles.slice(0, LISTED).map((t) => (
            <li key={t.line}>
              <span className="inline-block w-16 text-soft">line {t.line}</span> {t.reason}
            </li>
          ))}
          {troubles.length > LISTED && <li className="text-soft">… and {troubles.length - LISTED} more</li>}
        </ul>
      )}
      {changed.length > 0 && (
        <ul aria-label="What changes" className="max-h-72 overflow-auto text-[14px]" tabIndex={0}>
          {changed.slice(0, LISTED).map(({ row, changes }) => (
            <li key={row.line} className="border-b border-line py-0.5">
              <strong>{row.supply.name}</strong>{' '}
              {changes.map((c) => (
                <span key={c.field} className="mr-2">
                  <span className="text-soft">{c.field}</span> {c.from} → {c.to}
                </span>
              ))}
            </li>
          ))}
          {changed.length > LISTED && <li className="text-soft">… and {changed.length - LISTED} more</li>}
        </ul>
      )}
      {fresh.length > 0 && (
        <ul aria-label="What is new" className="max-h-72 overflow-auto text-[14px]" tabIndex={0}>
          {fresh.slice(0, LISTED).map((r) => (
            <li key={r.line} className="border-b border-line py-0.5">
              <strong>
                {r.supply.working} × {r.supply.name}
              </strong>{' '}
              <span className="text-soft">
                {sizeWords(r.supply, reading.measure) || 'no size'}
                {r.supply.mass > 0 && ` · ${Math.round(r.supply.mass)} g`}
                {r.guessed.length > 0 && ' · partly usual sizes'}
                {r.uses.length > 0 && ` · for ${r.uses.includes('*') ? 'everything' : r.uses.join(', ')}`}
              </span>
            </li>
          ))}
          {fresh.length > LISTED && <li className="text-soft">… and {fresh.length - LISTED} more</li>}
        </ul>
      )}
    </section>
  );
}
