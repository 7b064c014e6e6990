import { AlertDialog } from 'radix-ui';
import { type ComponentProps } from 'react';
import { Button } from './button.tsx';

/** A button for what cannot be taken back: what it does is said, and it is done when that is answered with a yes. Escape is a no. */
export function AskFirst({
  title,
  words,
  yes,
  no,
  onYes,
  ...button
}: {
  title: string;
  /** what comes of it */
  words: string;
  yes: string;
  no: string;
  onYes: () => void;
} & Omit<ComponentProps<typeof Button>, 'onClick' | 'title'>) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button {...button} />
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-[20vh] z-50 w-[94vw] max-w-md -translate-x-1/2 rounded-2xl bg-ground p-5 shadow-xl">
          <AlertDialog.Title className="font-display text-xl font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description className="mt-1">{words}</AlertDialog.Description>
          <div className="mt-4 flex flex-wrap justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button look="plain">{no}</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="main" onClick={onYes}>
                {yes}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
