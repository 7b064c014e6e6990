import { CircleHelp, Download, ImageDown, Redo2, Search, Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import { useShallow } from 'zustand/react/shallow';
import { roleOf, useAccess } from '../state/access.ts';
import { usePlan } from '../state/plan-store.ts';
import { Button } from '../ui/button.tsx';
import { NextLine } from './first/NextLine.tsx';
import { Help } from './help/Help.tsx';
import { pageOf } from './help/pages.ts';
import { PhoneBar } from './PhoneBar.tsx';
import { SteppingStones } from './SteppingStones.tsx';
import { ThrownAway } from './ThrownAway.tsx';
import { Unsaved } from './Unsaved.tsx';
import { savePlan } from './save-plan.ts';
import { singleKey } from '../ui/single-keys.ts';
import { useWidth } from '../ui/width.ts';
import { fetchAhead } from '../parts/ahead.ts';
import { doing } from '../parts/fetched.ts';
import { part } from '../parts/part.tsx';
import { View } from '../parts/View.tsx';

/** What a guest of a household sees: the page made for them. */
const Guests = part(() => import('../stones/keepup/Guests.tsx'));
const loadWhereIsIt = () => import('./WhereIsIt.tsx');
const WhereIsIt = part(loadWhereIsIt);

/** What surrounds every stone: the stones themselves, undo, where-is-it, and word of trouble with saving. */
export function PlanShell() {
  const { planId = '' } = useParams();
  const { open, status, undo, redo, undoWords, redoWords, trouble } = usePlan(
    useShallow((s) => ({
      open: s.open,
      status: s.status,
      undo: s.undo,
      redo: s.redo,
      undoWords: s.undoWords,
      redoWords: s.redoWords,
      trouble: s.status === 'unreachable' ? s.trouble : null,
    })),
  );
  const name = usePlan((s) => (s.status === 'ready' ? s.plan.head.name : ''));
  const pictures = usePlan(
    (s) =>
      s.status === 'ready' &&
      (Object.values(s.plan.supplies).some((x) => x.photo !== null) ||
        Object.values(s.plan.places).some((x) => x.photo !== null)),
  );
  const stone = useLocation().pathname.split('/')[3] ?? '';
  useEffect(() => {
    if (name) document.title = `${stone.charAt(0).toUpperCase()}${stone.slice(1)} · ${name} · Heronstone`;
    return () => void (document.title = 'Heronstone');
  }, [name, stone]);
  const told = useAccess((s) => s.told);
  /** nothing here is theirs to change; who came by a link sees all of the plan, a guest the page made for them */
  const looks = roleOf(told) === 'guest';
  const guest = looks && told?.member !== undefined && told.member !== null;
  const width = useWidth();
  const [finding, setFinding] = useState(false);
  const [helped, setHelped] = useState(false);
  useEffect(() => open(planId), [open, planId]);
  // fetched ahead, so that the first letters typed after “/” are not lost
  useEffect(() => void loadWhereIsIt().catch(() => undefined), []);
  // and all the rest of the app while the page is idle, for when the server is away
  useEffect(() => {
    if (status === 'ready') void fetchAhead();
  }, [status]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) || e.target.isContentEditable);
      const z = e.key.toLowerCase() === 'z' && (e.ctrlKey || e.metaKey);
      if (z || (e.key.toLowerCase() === 'y' && (e.ctrlKey || e.metaKey))) {
        if (typing) return;
        e.preventDefault();
        void (z && !e.shiftKey ? undo() : redo());
        return;
      }
      const key = singleKey(e);
      if (key === '/') {
        e.preventDefault();
        setFinding(true);
      } else if (key === '?') setHelped(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);

  if (status === 'missing')
    return (
      <main className="p-10">
        <p className="text-lg">This plan is not here. It may belong to another data folder.</p>
        <Link className="text-heron underline" to="/">
          Back to the plans
        </Link>
      </main>
    );
  const phone = width === 'phone';
  const steps = !looks && (
    <>
      <Button
        look="quiet"
        aria-label={undoWords ? `Undo: ${undoWords}` : 'Nothing to undo'}
        title={undoWords ? `Undo: ${undoWords} (Ctrl Z)` : 'Nothing to undo'}
        disabled={!undoWords}
        onClick={() => void undo()}
      >
        <Undo2 size={18} aria-hidden />
      </Button>
      <Button
        look="quiet"
        aria-label={redoWords ? `Redo: ${redoWords}` : 'Nothing to redo'}
        title={redoWords ? `Redo: ${redoWords} (Ctrl Shift Z)` : 'Nothing to redo'}
        disabled={!redoWords}
        onClick={() => void redo()}
      >
        <Redo2 size={18} aria-hidden />
      </Button>
    </>
  );
  return (
    <div className="flex min-h-full flex-col">
      {phone ? (
        <header className="flex items-center gap-2 px-4 pt-1.5 print:hidden">
          <Link to="/" className="font-display text-lg font-semibold" title="All plans">
            Heronstone
          </Link>
          <span className="min-w-0 grow truncate text-soft" data-plan-name>
            {name}
          </span>
          {steps}
        </header>
      ) : (
        <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 pb-1.5 pt-2 print:hidden">
          <Link to="/" className="font-display text-xl font-semibold" title="All plans">
            Heronstone
          </Link>
          {name && (
            <span className="min-w-12 max-w-32 grow basis-0 truncate text-soft" title={name} data-plan-name>
              {name}
            </span>
          )}
          {status === 'ready' && !guest && <SteppingStones />}
          <div className="ml-auto flex items-center gap-1">
            {steps}
            <Button
              look="quiet"
              title="Save the whole plan as a file"
              aria-label="Save the whole plan as a file"
              disabled={status !== 'ready'}
              onClick={() => doing(savePlan)}
            >
              <Download size={18} aria-hidden />
            </Button>
            {pictures && (
              <a
                className="inline-flex min-h-8 items-center rounded-full px-3 hover:bg-stone"
                href={`/api/plans/${planId}/file?photos=1`}
                title="Save the whole plan as a file, with its pictures"
                aria-label="Save the whole plan as a file, with its pictures"
                download
              >
                <ImageDown size={18} aria-hidden />
              </a>
            )}
            <Button onClick={() => setFinding(true)} title="Where is it? ( / )">
              <Search size={16} aria-hidden /> Where is it?
            </Button>
            <Button
              look="quiet"
              aria-label="Guide and keys"
              title="Guide and keys ( ? )"
              onClick={() => setHelped(true)}
            >
              <CircleHelp size={18} aria-hidden />
            </Button>
          </div>
        </header>
      )}
      <Unsaved />
      <ThrownAway />
      {status === 'loading' && <p className="p-8 text-soft">Opening the plan …</p>}
      {status === 'unreachable' && (
        <p role="alert" className="p-8">
          {trouble ?? (
            <>
              The server does not answer. Start it again with <code>npm start</code>; this page follows by itself.
            </>
          )}
        </p>
      )}
      {status === 'ready' && !looks && <NextLine />}
      {status === 'ready' && (
        <View fallback={<p className="p-6 text-soft">Opening …</p>}>
          {guest ? (
            <main className="px-4 py-2">
              <Guests />
            </main>
          ) : (
            <Outlet />
          )}
        </View>
      )}
      {phone && status === 'ready' && !guest && <PhoneBar onFind={() => setFinding(true)} />}
      <View>{finding && <WhereIsIt onClose={() => setFinding(false)} />}</View>
      {helped && (
        <Help
          page={pageOf(stone, new URLSearchParams(window.location.search).get('view'))}
          onClose={() => setHelped(false)}
        />
      )}
    </div>
  );
}
