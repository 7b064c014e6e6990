import { useState } from 'react';
import { type DecimalMark } from '@heronstone/core/formats';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { Sheet } from '../../ui/sheet.tsx';
import { countWords } from '../../ui/words.ts';
import { type CsvList } from '../../workers/csv.worker.ts';
import { readCsv } from './read-csv.ts';

const SHOWN = 200;
const ENCODING = {
  'UTF-8': null,
  'UTF-16': 'The file was read as UTF-16.',
  'Windows-1252':
    'The file was read as Western European text (Windows-1252). If letters look wrong, save it as “CSV (UTF-8)” and bring that.',
};

/** What the list holds, before anything is taken over. */
export function CsvReportSheet({ file, first, onClose }: { file: File; first: CsvList; onClose: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [report, setReport] = useState(first);
  const [meant, setMeant] = useState<DecimalMark | null>(null);
  const { supplies, troubles, unknown, decimal, encoding } = report;
  // asked as long as the first reading could not tell, also when it was answered: an answer can be changed
  const { unclear } = first;
  const take = () => {
    if (dispatch({ type: 'addSupplies', supplies })) onClose();
  };
  const say = async (mark: DecimalMark) => {
    setMeant(mark);
    const read = await readCsv(file, mark);
    if (typeof read !== 'string') setReport(read);
  };
  return (
    <Sheet title="The list" onClose={onClose}>
      {unclear && (
        <fieldset className="mb-3 rounded-lg border border-heron bg-paper p-3">
          <legend className="px-1 font-semibold">What does {unclear.number} mean in this list?</legend>
          <p className="text-soft">It stands in line {unclear.line}, and no other number tells.</p>
          {(['dot', 'comma'] as const).map((mark) => (
            <label key={mark} className="mr-6 inline-flex min-h-8 items-center gap-1.5">
              <input
                type="radio"
                name="decimal"
                className="accent-heron"
                checked={meant === mark}
                onChange={() => void say(mark)}
              />
              {mark === 'dot' ? unclear.number.replace(',', '') : `${unclear.number.replace(/,(\d*?)0*$/, '.$1')}`}
              <span className="text-soft">{mark === 'dot' ? '(the comma parts thousands)' : '(a decimal comma)'}</span>
            </label>
          ))}
        </fieldset>
      )}
      <p>
        <strong>{countWords(supplies.length, 'supply', 'supplies')}</strong> can be taken over
        {troubles.length > 0 && (
          <>
            , <strong>{countWords(troubles.length, 'line', 'lines')}</strong> cannot
          </>
        )}
        .
      </p>
      {ENCODING[encoding] && <p className="text-soft">{ENCODING[encoding]}</p>}
      {decimal === 'comma' && !unclear && <p className="text-soft">Numbers are read with a decimal comma.</p>}
      {unknown.length > 0 && (
        <p className="text-soft">Columns without a meaning here are kept in the note: {unknown.join(', ')}.</p>
      )}
      {troubles.length > 0 && (
        <ul className="mt-2 max-h-64 overflow-auto rounded-lg bg-paper p-2 text-[14px]" aria-label="Lines left out">
          {troubles.slice(0, SHOWN).map((t) => (
            <li key={t.line}>
              <span className="inline-block w-16 text-soft">line {t.line}</span> {t.reason}
            </li>
          ))}
          {troubles.length > SHOWN && <li className="text-soft">… and {troubles.length - SHOWN} more</li>}
        </ul>
      )}
      <div className="mt-4 flex gap-2">
        <Button look="main" disabled={supplies.length === 0} onClick={take}>
          Take over {supplies.length}
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Sheet>
  );
}
