import { type Household } from '../../state/household.ts';
import { momentWords } from '../../ui/words.ts';

/** Who did what, newest first; and the receipts of copies. */
export function Acts({ told }: { told: Household }) {
  if (!told.acts) return null;
  return (
    <>
      {told.receipts && told.receipts.length > 0 && (
        <section aria-labelledby="receipts">
          <h2 id="receipts" className="mt-8 font-display text-xl">
            Receipts
          </h2>
          <ul className="mt-1">
            {told.receipts.map((r) => (
              <li key={`${r.at} ${r.words}`}>
                <span className="text-soft">{momentWords(r.at)}</span> {r.words}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="acts">
        <h2 id="acts" className="mt-8 font-display text-xl">
          Who did what
        </h2>
        <ul className="mt-1">
          {told.acts.map((a, i) => (
            <li key={i}>
              <span className="text-soft">{momentWords(a.at)}</span> <b>{a.byWhom}</b>
              {': '}
              {a.words}
              {a.plan && <span className="text-soft"> in {a.plan}</span>}
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}
