import { Square } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { type LongWork } from '../state/long-work.ts';
import { Button } from './button.tsx';
import { focusIsLost } from './focus-after.ts';

/** How far long work is, and a way to end it. Nothing while none runs. */
export function Working({ work, words }: { work: Pick<LongWork, 'share' | 'cancel'>; words: string }) {
  return work.share === null ? null : <Runs share={work.share} cancel={work.cancel} words={words} />;
}

function Runs({ share, cancel, words }: { share: number; cancel: () => void; words: string }) {
  const here = useRef<HTMLDivElement>(null);
  const enough = useRef<HTMLButtonElement>(null);
  // it stands where the button was that began it, and that comes back in its place: so does the focus
  useEffect(() => {
    if (focusIsLost()) enough.current?.focus();
    const around = here.current?.parentElement;
    const at = around ? [...around.children].indexOf(here.current!) : 0;
    return () => {
      requestAnimationFrame(() => {
        if (!focusIsLost() || !around?.isConnected) return;
        const next = around.children[at];
        const button = 'button:not(:disabled)';
        const target = next?.matches(button) ? next : (next?.querySelector(button) ?? around.querySelector(button));
        (target as HTMLElement | null)?.focus();
      });
    };
  }, []);
  return (
    <div ref={here} className="flex items-center gap-2" role="status" aria-label={words}>
      <progress className="h-2 w-24 accent-heron" value={share} max={1} aria-label={`How far: ${words}`} />
      <span className="text-[14px] text-soft">{words} …</span>
      <Button ref={enough} onClick={cancel}>
        <Square size={13} aria-hidden /> Enough
      </Button>
    </div>
  );
}
