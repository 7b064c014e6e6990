import { lazy, Suspense } from 'react';
import { useSelection } from '../../state/selection.ts';
import { useWidth } from '../../ui/width.ts';
import { Today } from './Today.tsx';

/** What keeps a room true, in the order in which it comes up. */
const WAYS = [
  { id: '', name: 'Today', tip: 'what asks for a hand', View: Today },
  { id: 'back', name: 'Put back', tip: 'what lies about, in one round', View: lazy(() => import('./PutBack.tsx')) },
  {
    id: 'projects',
    name: 'Projects',
    tip: 'what is out for what, trays, trips, ideas',
    View: lazy(() => import('./Projects.tsx')),
  },
  { id: 'labels', name: 'Labels', tip: 'notes, labels, codes, printing', View: lazy(() => import('./Labels.tsx')) },
  { id: 'seasons', name: 'Seasons', tip: 'boxes in and out round the year', View: lazy(() => import('./Seasons.tsx')) },
  { id: 'buy', name: 'To buy', tip: 'what runs out, by shop', View: lazy(() => import('./ToBuy.tsx')) },
  { id: 'log', name: 'Log', tip: 'what happened, and what it says of uses', View: lazy(() => import('./Log.tsx')) },
  { id: 'scan', name: 'Scan', tip: 'read a code with the camera', View: lazy(() => import('./Scan.tsx')) },
  { id: 'guests', name: 'For others', tip: 'a page for a child or a guest', View: lazy(() => import('./Guests.tsx')) },
] as const;

/** On a phone the bar below has these. */
const IN_THE_BAR: readonly string[] = ['', 'scan'];

/** Keep-up: a few seconds at a time, mostly from a phone. */
export default function KeepUpStone() {
  const { get, select } = useSelection();
  const phone = useWidth() === 'phone';
  const way = WAYS.find((w) => w.id === (get('view') ?? '')) ?? WAYS[0];
  return (
    <main className="flex grow flex-col px-4 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1 print:hidden">
        <h1 className="font-display text-2xl font-semibold max-sm:sr-only">Keep-up</h1>
        <nav
          aria-label="Keep-up"
          className={`flex gap-x-4 ${phone ? 'w-full overflow-x-auto whitespace-nowrap text-[15px]' : 'flex-wrap'}`}
        >
          {WAYS.filter((w) => !phone || !IN_THE_BAR.includes(w.id)).map((w) => (
            <button
              key={w.id}
              type="button"
              title={w.tip}
              aria-current={w === way ? 'page' : undefined}
              onClick={() => select({ view: w.id === '' ? null : w.id, place: null, project: null })}
              className={`min-h-8 border-b-2 ${w === way ? 'border-heron font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              {w.name}
            </button>
          ))}
        </nav>
      </div>
      <Suspense fallback={<p className="p-6 text-soft">Opening …</p>}>
        <way.View />
      </Suspense>
    </main>
  );
}
