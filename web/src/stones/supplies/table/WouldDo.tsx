import { type OwnReading } from '@heronstone/core/formats';
import { Button } from '../../../ui/button.tsx';
import { countWords } from '../../../ui/words.ts';
import { sizeWords } from '../list/columns.ts';

const LISTED = 60;

/** What taking the list over would do. */
export function WouldDo({
  reading,
  onTake,
  onLeave,
}: {
  reading: OwnReading;
  onTake: () => void;
  onLeave: () => void;
}) {
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
