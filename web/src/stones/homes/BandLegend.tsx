import { type ReactNode } from 'react';
import { type BandNumber, BANDS } from '@heronstone/core/reach';
import { Figures } from '../../ui/Figures.tsx';
import { bandColour } from '../../ui/words.ts';
import { Readings } from '../../views/round/Readings.tsx';
import { type Counted } from '../../workers/homes.worker.ts';

/** The seven bands with the share of all walks that each gets; null: not counted yet. */
export function BandLegend({
  fetches,
  tally,
  children,
}: {
  fetches: number[] | null;
  tally: Counted | null;
  /** said instead of what all comes to: the place that is pointed at */
  children?: ReactNode;
}) {
  const all = fetches?.reduce((a, b) => a + b, 0) ?? 0;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-0.5 px-4 py-1 text-[13px]">
      <Readings />
      {([1, 2, 3, 4, 5, 6, 7] as BandNumber[]).map((b) => (
        <span key={b} className="inline-flex items-center gap-1.5">
          <span className="inline-block size-3 rounded-sm" style={{ background: bandColour(b) }} />
          {BANDS[b]}{' '}
          <span className="text-soft">{fetches && all ? `${Math.round((fetches[b]! / all) * 100)} %` : ''}</span>
        </span>
      ))}
      <p className="ml-auto min-w-0 truncate" aria-live="polite">
        {children || (
          <span className="text-soft">
            {fetches && tally ? (
              <>
                shares of {Math.round(all)} walks a year · <Figures tally={tally} />
              </>
            ) : (
              'counting …'
            )}
          </span>
        )}
      </p>
    </div>
  );
}
