import { formatLength } from '@heronstone/core/lengths';
import { readLaser } from './api.ts';
import { usePlan } from './plan-store.ts';

let target: HTMLInputElement | null = null;
if (typeof document !== 'undefined')
  document.addEventListener('focusin', (e) => {
    if (e.target instanceof HTMLInputElement && e.target.dataset.length !== undefined) target = e.target;
  });

/** Which length waits for a reading: its label, or null when no length has been in focus. */
export const waiting = (): string | null =>
  target?.isConnected ? (target.labels?.[0]?.textContent ?? 'the field in focus') : null;

/**
 * Points the stand-in laser at something `distance` mm away and types what it shows into the length that was last in focus, as
 * if by hand: Enter takes it.
 */
export async function sendReading(distance: number): Promise<{ mm: number; into: string | null }> {
  const { mm } = await readLaser(distance);
  const into = waiting();
  if (target && into) {
    const text = formatLength(mm, usePlan.getState().plan.head.measure);
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(target, text);
    target.dispatchEvent(new Event('input', { bubbles: true }));
    target.focus();
  }
  return { mm, into };
}
