import { useRef } from 'react';
import { type Moment } from '@heronstone/core/tryout';
import { type Plan } from '@heronstone/core/plan';
import { colourOf, momentWords, spentWords } from './words.ts';

/** A session as one strip of moments, each as long as it takes and in the colour of its band; above it how much of the table is covered. */
export function Strip({
  plan,
  moments,
  scale,
  at,
  onAt,
  title,
}: {
  plan: Plan;
  moments: readonly Moment[];
  /** seconds that are as long as the whole width: the longer of two strips */
  scale: number;
  at: number | null;
  onAt: (at: number) => void;
  title: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const total = moments.reduce((sum, m) => sum + m.toll.seconds, 0);
  const share = (s: number) => `${(100 * s) / Math.max(1, scale)}%`;
  const tables = moments.some((m) => m.covered !== null);
  return (
    <figure className="min-w-0">
      <figcaption className="flex items-baseline justify-between gap-3 text-[14px]">
        <span className="truncate font-semibold">{title}</span>
        <span className="shrink-0 text-soft">
          {spentWords(total)} in {moments.length} moments
        </span>
      </figcaption>
      {tables && (
        <div aria-hidden className="flex h-6 items-end" style={{ width: share(total) }}>
          {moments.map((m, i) => (
            <span
              key={i}
              className="block min-w-0"
              style={{
                flexGrow: m.toll.seconds,
                flexBasis: 0,
                height: `${Math.min(100, (m.covered ?? 0) * 70)}%`,
                background: (m.covered ?? 0) > 1 ? 'var(--clash)' : 'var(--wood)',
              }}
            />
          ))}
        </div>
      )}
      <div
        ref={box}
        role="slider"
        tabIndex={0}
        aria-label={`Moments of ${title}`}
        aria-valuemin={1}
        aria-valuemax={Math.max(1, moments.length)}
        aria-valuenow={(at ?? 0) + 1}
        aria-valuetext={moments[at ?? 0] ? momentWords(plan, moments[at ?? 0]!) : 'nothing'}
        className="flex h-11 cursor-pointer overflow-hidden rounded-md border border-edge bg-paper focus-visible:outline-2"
        style={{ width: share(total), minWidth: '2rem' }}
        onKeyDown={(e) => {
          const by = { ArrowRight: 1, ArrowLeft: -1, PageDown: 10, PageUp: -10 }[e.key];
          const to =
            e.key === 'Home' ? 0 : e.key === 'End' ? moments.length - 1 : by === undefined ? null : (at ?? 0) + by;
          if (to === null) return;
          e.preventDefault();
          onAt(Math.max(0, Math.min(moments.length - 1, to)));
        }}
        onClick={(e) => {
          const rect = box.current!.getBoundingClientRect();
          let left = ((e.clientX - rect.left) / rect.width) * total;
          const i = moments.findIndex((m) => (left -= m.toll.seconds) <= 0);
          onAt(i < 0 ? moments.length - 1 : i);
        }}
      >
        {moments.map((m, i) => (
          <span
            key={i}
            title={`${momentWords(plan, m)}, ${spentWords(m.toll.seconds)}`}
            className={`block min-w-0 ${i === at ? 'outline-2 -outline-offset-2 outline-ink' : ''} ${m.what === 'put back' ? 'opacity-60' : ''}`}
            style={{
              flexGrow: m.toll.seconds,
              flexBasis: 0,
              background: m.what === 'hand on' ? 'var(--ink)' : colourOf(m.band),
            }}
          />
        ))}
      </div>
    </figure>
  );
}
