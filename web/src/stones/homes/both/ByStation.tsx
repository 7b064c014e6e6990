import { type Compared, type StationSum } from '@heronstone/core/homes';
import { type BandNumber, BANDS } from '@heronstone/core/reach';
import { type Pair } from '../../../state/pair.ts';
import { bandColour, yearWords } from '../../../ui/words.ts';

/** One bar a state: as long as its hours, its fetches’ bands as colours, told by the label too. */
function Bar({ sum, longest, label }: { sum: StationSum; longest: number; label: string }) {
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

/** What each station spends on fetching in both states, h a year, one bar under the other. */
export function ByStation({ sides, stations }: { sides: Pair['sides']; stations: Compared['stations'] }) {
  const longest = Math.max(1, ...stations.flatMap((s) => [s.before.seconds, s.after.seconds]));
  return (
    <section aria-label="By station" className="min-h-0 overflow-auto">
      <h2 className="font-semibold">Fetching, by station</h2>
      <table className="w-full border-separate border-spacing-y-1">
        <thead className="sr-only">
          <tr>
            <th>station</th>
            <th>{sides.map((s) => s.name).join(' and ')}</th>
            <th>hours a year</th>
          </tr>
        </thead>
        <tbody>
          {stations.map(({ before: was, after: is }) => (
            <tr key={was.station.id}>
              <th className="w-36 pr-2 text-left align-top font-normal">
                {was.station.name}
                <span className="block text-[13px] text-soft">{was.person}</span>
              </th>
              <td className="align-middle">
                <Bar sum={was} longest={longest} label={`${was.station.name}, ${sides[0].name}`} />
                <Bar sum={is} longest={longest} label={`${was.station.name}, ${sides[1].name}`} />
              </td>
              <td className="w-24 pl-2 text-right align-middle text-[14px] tabular-nums">
                <span className="block text-soft">{yearWords(was.seconds)}</span>
                <span className="block font-semibold">{yearWords(is.seconds)}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
