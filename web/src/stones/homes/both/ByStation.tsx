import { type StationSum } from '@heronstone/core/homes';
import { type BandNumber, BANDS } from '@heronstone/core/reach';
import { bandColour, yearWords } from '../../../ui/words.ts';

/** One bar a state: as long as its hours, its fetches’ bands as colours, told by the label too. */
export function Bar({ sum, longest, label }: { sum: StationSum; longest: number; label: string }) {
  const all = sum.fetchesByBand.reduce((a, b) => a + b, 0);
  const words = sum.fetchesByBand
    .flatMap((n, b) => (n > 0 && b > 0 ? [`${Math.round((n / all) * 100)} % ${BANDS[b]}`] : []))
    .join(', ');
  return (
    <div
      role="img"
      aria-label={`${label}: ${yearWords(sum.seconds)}; ${words || 'nothing fetched'}`}
      title={words}
      className="mb-0.5 flex h-3 overflow-hidden rounded-sm bg-stone"
      style={{ width: `${Math.max(1, (sum.seconds / longest) * 100)}%` }}
    >
      {sum.fetchesByBand.map((n, b) =>
        n > 0 && b > 0 ? (
          <span key={b} style={{ width: `${(n / all) * 100}%`, background: bandColour(b as BandNumber) }} />
        ) : null,
      )}
    </div>
  );
}
