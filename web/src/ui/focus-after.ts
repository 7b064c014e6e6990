import { type RefObject, useEffect, useRef } from 'react';

/** Whether nothing has the focus: what had it is gone from the screen. */
export const focusIsLost = (): boolean => (document.activeElement ?? document.body) === document.body;

/**
 * Where the focus goes when what had it makes way for an answer: to the element of the returned ref, unless somebody is elsewhere by then.
 * @param busy while it is being worked out, or asked
 */
export function useFocusAfter<E extends HTMLElement>(busy: boolean): RefObject<E | null> {
  const next = useRef<E>(null);
  const was = useRef(busy);
  useEffect(() => {
    if (was.current && !busy && focusIsLost()) next.current?.focus();
    was.current = busy;
  }, [busy]);
  return next;
}
