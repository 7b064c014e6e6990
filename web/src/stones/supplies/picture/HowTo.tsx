import { ClipboardPaste } from 'lucide-react';

export function HowTo() {
  return (
    <div className="max-w-2xl rounded-2xl border-2 border-dashed border-line p-6 text-soft">
      <p className="text-ink">
        A photo with one thing of known size in it measures everything that lies in the same plane.
      </p>
      <ol className="mt-2 list-decimal space-y-1 pl-5">
        <li>
          Print the measuring sheet and lay it in; a sheet of paper, a bank card, or the drawer’s own size will do too.
        </li>
        <li>Take the picture from above, with all of it in view.</li>
        <li>Draw round what lies there and say what it is: size, place and count are in the plan.</li>
      </ol>
      <p className="mt-2 flex items-center gap-1.5 text-[14px]">
        <ClipboardPaste size={15} aria-hidden /> A picture can be pasted here too. It stays on this machine; what is
        kept of it is drawn anew without where and when it was taken.
      </p>
    </div>
  );
}
