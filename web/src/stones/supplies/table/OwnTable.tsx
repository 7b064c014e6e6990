import { Download, Upload } from 'lucide-react';
import { type ClipboardEvent, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Meaning, takeOwnTable, writeOwnTable, writeSupplies } from '@heronstone/core/formats';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { saveFile } from '../../../ui/save-file.ts';
import { countWords, today } from '../../../ui/words.ts';
import { type ListInHand } from '../../../workers/csv.worker.ts';
import { DecimalQuestion } from './DecimalQuestion.tsx';
import { readList } from './read-list.ts';
import { Columns } from './Columns.tsx';
import { WouldDo } from './WouldDo.tsx';

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
