import { Popover } from 'radix-ui';
import { type ReactNode } from 'react';
import { EXPLANATIONS, type Term } from './explanations.ts';

/** A word of the trade, or of measuring, that says on a press what it means. */
export function Explained({ term, children }: { term: Term; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          className="min-h-6 underline decoration-dotted underline-offset-2 hover:text-heron"
          title="What is that?"
        >
          {children}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={8}
          className="z-50 max-w-xs rounded-xl border border-edge bg-paper p-3 text-[14px] text-ink shadow-lg"
        >
          {EXPLANATIONS[term]}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
