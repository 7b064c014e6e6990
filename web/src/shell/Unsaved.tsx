import { useEffect, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { describeCommand } from '@heronstone/core/plan';
import { doing } from '../parts/fetched.ts';
import { usePlan } from '../state/plan-store.ts';
import { Button } from '../ui/button.tsx';
import { saveFile } from '../ui/save-file.ts';
import { savePlan } from './save-plan.ts';
import { Sheet } from '../ui/sheet.tsx';
import { countWords, momentWords } from '../ui/words.ts';

/** Word of trouble with saving: what waits, where it is kept meanwhile, and what could not be kept at all. */
export function Unsaved() {
  const { unsaved, trouble, keeps, aside, asOf, deaf } = usePlan(
    useShallow((s) => ({
      // how many there are matters only while saving does not work
      unsaved: s.trouble || !s.keeps ? s.unsaved : 0,
      // while the plan is not even open, the page itself says what is wrong
      trouble: s.status === 'ready' || s.unsaved > 0 ? s.trouble : null,
      keeps: s.keeps,
      aside: s.setAside.length,
      asOf: s.asOf,
      deaf: s.deaf && s.status === 'ready' && !s.trouble,
    })),
  );
  const [looking, setLooking] = useState(false);
  const atRisk = !keeps && unsaved > 0;
  useEffect(() => {
    if (!atRisk) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [atRisk]);
  const one = unsaved === 1;
  return (
    <>
      {trouble && (
        <div role="alert" className="flex flex-wrap items-center gap-x-3 bg-clash px-4 py-1.5 text-ground">
          <p>
            {unsaved > 0 && 'Not saved yet: '}
            {trouble} {asOf !== null && `This is the plan as the server last had it here, on ${momentWords(asOf)}. `}
            {unsaved === 0
              ? 'Nothing of yours is waiting.'
              : atRisk
                ? `${one ? 'One change lives' : `${unsaved} changes live`} in this window only: this browser keeps nothing (its storage is full, or the window is private). Do not close it before the plan is saved to a file.`
                : `${one ? 'One change is' : `${unsaved} changes are`} kept in this browser and will be saved as soon as it answers.`}
          </p>
          {unsaved > 0 && (
            <Button onClick={() => doing(savePlan)} className="text-ink">
              Save the plan to a file
            </Button>
          )}
        </div>
      )}
      {deaf && (
        <p role="status" className="bg-stone px-4 py-1">
          The server is not heard just now: what others change does not show yet. It is asked again by itself.
        </p>
      )}
      {aside > 0 && (
        <div role="status" className="flex flex-wrap items-center gap-x-3 bg-stone px-4 py-1">
          <p>
            {aside === 1 ? 'One change' : `${aside} changes`} could not be kept and {aside === 1 ? 'is' : 'are'} set
            aside.
          </p>
          <Button onClick={() => setLooking(true)}>Look at {aside === 1 ? 'it' : 'them'}</Button>
        </div>
      )}
      {looking && <Aside onClose={() => setLooking(false)} />}
    </>
  );
}

/** The changes that were set aside, each with why. */
function Aside({ onClose }: { onClose: () => void }) {
  const { setAside, tryAgain, forget } = usePlan(
    useShallow((s) => ({ setAside: s.setAside, tryAgain: s.tryAgain, forget: s.forget })),
  );
  return (
    <Sheet title="Changes set aside" onClose={onClose}>
      <p className="text-soft">
        {countWords(setAside.length, 'change', 'changes')} could not be kept. All others go on without{' '}
        {setAside.length === 1 ? 'it' : 'them'}.
      </p>
      <ul className="mt-2 divide-y divide-line" aria-label="Set aside">
        {setAside.map((one) => (
          <li key={one.id} className="flex items-start justify-between gap-3 py-2">
            <span>
              <span className="inline-block font-semibold first-letter:uppercase">{describeCommand(one.command)}</span>
              <span className="block text-soft">
                {one.reason} ({momentWords(one.when)})
              </span>
            </span>
            <span className="flex shrink-0 gap-1">
              <Button onClick={() => tryAgain(one)}>Try again</Button>
              <Button look="quiet" onClick={() => forget([one.id])}>
                Forget
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {setAside.length > 0 && (
        <div className="mt-3 flex gap-2">
          <Button
            look="main"
            onClick={() =>
              saveFile('changes-set-aside.json', 'application/json', `${JSON.stringify(setAside, null, 1)}\n`)
            }
          >
            Save them to a file
          </Button>
          <Button onClick={() => forget(setAside.map((one) => one.id))}>Forget all</Button>
        </div>
      )}
    </Sheet>
  );
}
