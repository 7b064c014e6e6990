import { create } from 'zustand';

/** How far Round is turned while it is dragged, degrees; null: it is not. The address follows once it is let go. */
export const useTurning = create<{ to: number | null }>()(() => ({ to: null }));
