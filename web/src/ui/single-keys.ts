import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Whether keys of one character do anything by themselves: who dictates or mistypes switches them off (WCAG 2.2, 2.1.4). Kept in this browser. */
export const useSingleKeys = create<{ on: boolean }>()(
  persist((): { on: boolean } => ({ on: true }), { name: 'heronstone-single-keys' }),
);

/** Where a character is typed, or looked for in a list. */
const MEANT_OTHERWISE =
  'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="menu"], [role="listbox"], [role="combobox"]';

/** The one character typed, in lower case, where it can be meant as nothing else; null otherwise, or when such keys are switched off. */
export function singleKey(e: KeyboardEvent): string | null {
  if (e.key.length !== 1 || e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return null;
  if (!useSingleKeys.getState().on) return null;
  if (document.querySelector('[role="dialog"], [role="menu"]')) return null;
  if (e.target instanceof Element && e.target.closest(MEANT_OTHERWISE)) return null;
  return e.key.toLowerCase();
}
