import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { type ReactNode, useState } from 'react';

/** A sheet of paper laid over the screen; Escape puts it away. */
export function Sheet({
  title,
  onClose,
  children,
  wide,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  // what had the focus gets it back: a sheet opened by a key or a menu has no button of its own to go back to
  const [opener] = useState(() => document.activeElement);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            if (opener instanceof HTMLElement || opener instanceof SVGElement) opener.focus();
          }}
          className={`fixed left-1/2 top-[8vh] z-50 max-h-[84vh] w-[94vw] -translate-x-1/2 overflow-auto rounded-2xl bg-ground p-5 shadow-xl ${wide ? 'max-w-3xl' : 'max-w-xl'}`}
        >
          <div className="mb-2 flex items-start justify-between gap-4">
            <Dialog.Title className="font-display text-xl font-semibold">{title}</Dialog.Title>
            <Dialog.Close aria-label="Close" className="rounded-full p-1 hover:bg-stone">
              <X size={18} aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
