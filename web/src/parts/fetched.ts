import { toast } from 'sonner';

/** A part of the app could not be fetched. Its message is for the maker. */
export class PartMissing extends Error {
  /** has it asked for anew when it is shown the next time */
  again: () => void = () => undefined;
}

/** How long is waited before a part that did not come is asked for again, ms: a server that is being started is there soon (own assumption). */
const WAITS = [300, 1500];

/**
 * Fetches a part of the app; one that does not come is asked for again.
 * @throws PartMissing when it does not come at all
 */
export async function fetched<T>(load: () => Promise<T>, waits: readonly number[] = WAITS): Promise<T> {
  for (const wait of [...waits, null]) {
    try {
      return await load();
    } catch (error) {
      if (wait === null)
        throw new PartMissing(
          'This part of the app could not be fetched: the server does not answer, or was renewed.',
          {
            cause: error,
          },
        );
      await new Promise((go) => setTimeout(go, wait));
    }
  }
  throw new PartMissing('');
}

/** Does something that was pressed, and says so where it cannot be done. */
export function doing(work: () => Promise<void>): void {
  work().catch((error: unknown) => void toast.error(error instanceof Error ? error.message : 'It could not be done.'));
}
