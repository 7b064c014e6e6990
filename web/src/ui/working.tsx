import { Square } from 'lucide-react';
import { type LongWork } from '../state/long-work.ts';
import { Button } from './button.tsx';

/** How far long work is, and a way to end it. Nothing while none runs. */
export function Working({ work, words }: { work: Pick<LongWork, 'share' | 'cancel'>; words: string }) {
  if (work.share === null) return null;
  return (
    <div className="flex items-center gap-2" role="status" aria-label={words}>
      <progress className="h-2 w-24 accent-heron" value={work.share} max={1} aria-label={`How far: ${words}`} />
      <span className="text-[14px] text-soft">{words} …</span>
      <Button onClick={work.cancel}>
        <Square size={13} aria-hidden /> Enough
      </Button>
    </div>
  );
}
