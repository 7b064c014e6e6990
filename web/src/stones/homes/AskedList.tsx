import { type ReactNode } from 'react';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { useAsked } from '../../state/asked.ts';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { Button } from '../../ui/button.tsx';

/** A question that takes a while, put when it is pressed, with its answers in a list; with another plan it is to be put again. */
export function AskedList<T>({
  plan,
  question,
  working,
  title,
  asking,
  none,
  children,
}: {
  plan: Plan;
  question: string;
  /** while it is worked out */
  working: string;
  /** of the list, for who hears it */
  title: string;
  asking: () => Promise<T[]>;
  /** what is said where nothing was found */
  none: string;
  children: (one: T) => ReactNode;
}) {
  const { answer, ask } = useAsked<T[]>([plan]);
  const said = useFocusAfter<HTMLDivElement>(answer === 'working');
  if (answer === null || answer === 'working')
    return (
      <Button
        look="quiet"
        disabled={answer === 'working'}
        onClick={() => void ask(asking).catch((e: Error) => toast.error(`It could not be worked out: ${e.message}`))}
      >
        {answer === 'working' ? working : question}
      </Button>
    );
  return (
    <div ref={said} tabIndex={-1} role="status" className="mt-1 text-[14px] outline-none">
      {answer.length === 0 ? (
        <p className="text-soft">{none}</p>
      ) : (
        <ul aria-label={title} className="space-y-1">
          {answer.map(children)}
        </ul>
      )}
    </div>
  );
}
