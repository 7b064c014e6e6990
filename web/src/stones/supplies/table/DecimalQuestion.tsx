import { useState } from 'react';
import { type CsvReport, type DecimalMark } from '@heronstone/core/formats';

/** Asked where one number of the list may mean two things and no other tells; an answer can be changed. */
export function DecimalQuestion({ report, onSay }: { report: CsvReport; onSay: (mark: DecimalMark) => void }) {
  const [asked] = useState(report.unclear);
  const [meant, setMeant] = useState<DecimalMark | null>(null);
  const unclear = asked ?? report.unclear;
  if (!unclear)
    return report.decimal === 'comma' ? <p className="text-soft">Numbers are read with a decimal comma.</p> : null;
  return (
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
            onChange={() => {
              setMeant(mark);
              onSay(mark);
            }}
          />
          {mark === 'dot' ? unclear.number.replace(',', '') : unclear.number.replace(/,(\d*?)0*$/, '.$1')}
          <span className="text-soft">{mark === 'dot' ? '(the comma parts thousands)' : '(a decimal comma)'}</span>
        </label>
      ))}
    </fieldset>
  );
}
