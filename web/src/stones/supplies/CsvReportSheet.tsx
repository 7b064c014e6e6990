import { type CsvReport } from '@heronstone/core/formats';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { Sheet } from '../../ui/sheet.tsx';
import { countWords } from '../../ui/words.ts';

const SHOWN = 200;

/** What the list holds, before anything is taken over. */
export function CsvReportSheet({ report, onClose }: { report: CsvReport; onClose: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { supplies, troubles, unknown } = report;
  const take = () => {
    if (dispatch({ type: 'addSupplies', supplies })) onClose();
  };
  return (
    <Sheet title="The list" onClose={onClose}>
      <p>
        <strong>{countWords(supplies.length, 'supply', 'supplies')}</strong> can be taken over
        {troubles.length > 0 && (
          <>
            , <strong>{countWords(troubles.length, 'line', 'lines')}</strong> cannot
          </>
        )}
        .
      </p>
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
