import { useState } from 'react';

/** Does something and shows what has become of it; whether it was done. */
export type Run = (work: () => Promise<unknown>) => Promise<boolean>;

/** Does one thing at a time, and keeps why it failed, in plain words. */
export function useAtWork() {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** @returns whether it was done */
  const run: Run = async (work) => {
    setBusy(true);
    setTrouble(null);
    try {
      await work();
      return true;
    } catch (error) {
      // a browser’s own window that was closed without choosing is no trouble
      const left = (error as Error).name === 'NotAllowedError' || (error as Error).name === 'AbortError';
      setTrouble(left ? 'Nothing was chosen.' : (error as Error).message);
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { busy, trouble, run };
}
