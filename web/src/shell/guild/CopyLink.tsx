import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Code } from '../InTheHand.tsx';

/** A link that is shown once: to copy, or for the camera of the phone that is to have it. */
export function CopyLink({ link, words, onDone }: { link: string; words: string; onDone: () => void }) {
  const copy = () =>
    navigator.clipboard.writeText(link).then(
      () => toast('Copied.'),
      () => toast.error('This browser does not let it be copied: mark it and copy it by hand.'),
    );
  return (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-5 rounded-2xl border border-line bg-paper p-4">
      <Code text={link} />
      <div className="min-w-0 max-w-md">
        <p>{words} It is shown this once.</p>
        <p className="mt-1 break-all font-semibold" data-link>
          {link}
        </p>
        <div className="mt-2 flex gap-2">
          <Button look="main" onClick={() => void copy()}>
            Copy
          </Button>
          <Button onClick={onDone}>Done</Button>
        </div>
      </div>
    </div>
  );
}
