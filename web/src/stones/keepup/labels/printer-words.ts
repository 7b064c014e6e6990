import { type PrinterStatus } from '../../../state/api.ts';
import { TROUBLE } from '../../../state/printer.ts';
import { countWords } from '../../../ui/words.ts';

/** How many labels have yet to come out of the printer. */
export const waitingIn = (status: PrinterStatus | null): number =>
  status?.jobs.filter((j) => j.state === 'waiting' || j.state === 'printing').length ?? 0;

/** What the label printer says of itself; null: it says nothing at all. */
export function printerWords(status: PrinterStatus | null): string {
  if (status === null) return 'The printer does not answer.';
  const waiting = waitingIn(status);
  if (status.trouble)
    return `${TROUBLE[status.trouble]}${waiting > 0 ? ` ${countWords(waiting, 'label waits', 'labels wait')}.` : ''}`;
  if (waiting > 0) return `It prints; ${countWords(waiting, 'label', 'labels')} to go.`;
  return 'A stand-in for a real one, ready. What is out counts as stuck on for good.';
}
