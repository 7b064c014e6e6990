import { useCallback, useEffect, useRef, useState } from 'react';
import { printerStatus, type PrinterStatus } from './api.ts';

/** How often the stand-in is asked how it stands, ms. */
const EVERY = 800;

/** The label printer as it stands, asked again and again while somebody looks. Null while it does not answer. */
export function usePrinter(): { status: PrinterStatus | null; told: (status: PrinterStatus) => void } {
  const [status, setStatus] = useState<PrinterStatus | null>(null);
  const alive = useRef(true);
  useEffect(() => {
    alive.current = true;
    let timer: ReturnType<typeof setTimeout>;
    const look = () =>
      void printerStatus()
        .then(
          (s) => alive.current && setStatus(s),
          () => alive.current && setStatus(null),
        )
        .finally(() => {
          if (alive.current) timer = setTimeout(look, EVERY);
        });
    look();
    return () => {
      alive.current = false;
      clearTimeout(timer);
    };
  }, []);
  const told = useCallback((s: PrinterStatus) => setStatus(s), []);
  return { status, told };
}

export const TROUBLE = {
  off: 'The printer is off.',
  outOfTape: 'The tape is at its end: put in another reel.',
  jam: 'The tape is jammed: open it and take the crumpled piece out.',
} as const;
