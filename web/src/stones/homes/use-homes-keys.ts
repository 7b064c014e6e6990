import { useEffect } from 'react';
import { singleKey } from '../../ui/single-keys.ts';

/** Keys of Homes: `[` and `]` turn by fifteen degrees, `+` steps closer, `p` pins what is in hand, Escape lets everything go. Null: not now. */
export function useHomesKeys(does: {
  onTurn: ((by: number) => void) | null;
  onStepCloser: (() => void) | null;
  onPin: () => void;
  onLetGo: () => void;
}): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const key = singleKey(e);
      if (key === '[') does.onTurn?.(-15);
      if (key === ']') does.onTurn?.(15);
      if (key === '+') does.onStepCloser?.();
      if (key === 'p') does.onPin();
      const typing = e.target instanceof Element && e.target.closest('input, textarea, select, [role="dialog"]');
      if (e.key === 'Escape' && !typing) does.onLetGo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
