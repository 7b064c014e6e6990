import { Footprints, List, Milestone, ScanLine, Search, Sunrise, Waypoints } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { usePlan } from '../state/plan-store.ts';
import { Sheet } from '../ui/sheet.tsx';
import { SteppingStones } from './SteppingStones.tsx';

/** What makes sense in the hand, one below the other thumb: tour, the list, what asks today, scanning, where is it; the other stones behind the last. */
export function PhoneBar({ onFind }: { onFind: () => void }) {
  const planId = usePlan((s) => s.plan.id);
  const moving = usePlan((s) => Object.values(s.plan.moves).some((m) => m.doneOn === null));
  const { pathname, search } = useLocation();
  const [more, setMore] = useState(false);
  const view = pathname.endsWith('/supplies') ? (new URLSearchParams(search).get('view') ?? '') : '';
  const keeping = pathname.endsWith('/keepup');
  const keepView = new URLSearchParams(search).get('view') ?? '';
  const item = 'flex min-h-14 grow basis-0 flex-col items-center justify-center gap-0.5 text-[12.5px]';
  const to = (way: string) => `/p/${planId}/supplies?view=${way}`;
  return (
    <>
      <nav
        aria-label="In the hand"
        data-bar
        className="sticky bottom-0 z-30 flex border-t border-line bg-paper pb-[env(safe-area-inset-bottom)] print:hidden"
      >
        {(
          [
            ['tour', 'Tour', Footprints],
            ['list', 'List', List],
          ] as const
        ).map(([way, name, Icon]) => (
          <Link
            key={way}
            to={to(way)}
            aria-current={view === way ? 'page' : undefined}
            className={`${item} ${view === way ? 'font-semibold text-heron' : 'text-ink'}`}
          >
            <Icon size={21} aria-hidden />
            {name}
          </Link>
        ))}
        {(
          [
            ['', 'Today', Sunrise],
            ['scan', 'Scan', ScanLine],
          ] as const
        ).map(([way, name, Icon]) => {
          const here = keeping && keepView === way;
          return (
            <Link
              key={name}
              to={`/p/${planId}/keepup${way ? `?view=${way}` : ''}`}
              aria-current={here ? 'page' : undefined}
              className={`${item} ${here ? 'font-semibold text-heron' : 'text-ink'}`}
            >
              <Icon size={21} aria-hidden />
              {name}
            </Link>
          );
        })}
        {moving && (
          <Link to={`/p/${planId}/homes?view=crossing`} className={`${item} text-ink`}>
            <Milestone size={21} aria-hidden />
            Moves
          </Link>
        )}
        <button type="button" className={item} onClick={onFind}>
          <Search size={21} aria-hidden />
          Where is it?
        </button>
        <button type="button" className={item} onClick={() => setMore(true)}>
          <Waypoints size={21} aria-hidden />
          All stones
        </button>
      </nav>
      {more && (
        <Sheet title="Stones" onClose={() => setMore(false)}>
          <div onClick={(e) => e.target instanceof Element && e.target.closest('a') && setMore(false)}>
            <SteppingStones />
          </div>
        </Sheet>
      )}
    </>
  );
}
