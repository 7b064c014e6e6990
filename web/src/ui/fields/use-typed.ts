import { useState } from 'react';

/**
 * A text box that hands its value over on Enter or when left; Escape takes the typing back. What is typed is kept apart from
 * what is shown, so that leaving the field right after Enter cannot bring the former value back. What another window has changed since the typing began
 * is said, and overwritten only when it is handed over once more.
 */
export function useTyped(id: string, shown: string, commit: (text: string) => string | null) {
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** what was shown when the typing began */
  const [seen, setSeen] = useState(shown);
  const finish = () => {
    if (draft !== null && draft !== shown && seen !== shown) {
      setSeen(shown);
      setTrouble(`It has become “${shown}” meanwhile. Enter once more writes yours, Escape leaves it.`);
      return;
    }
    const why = draft === null || draft === shown ? null : commit(draft);
    setTrouble(why);
    if (why === null) setDraft(null);
  };
  return {
    trouble,
    props: {
      value: draft ?? shown,
      onChange: (e: { target: { value: string } }) => {
        if (draft === null) setSeen(shown);
        setDraft(e.target.value);
      },
      onBlur: finish,
      onKeyDown: (e: React.KeyboardEvent) => {
        if (e.key === 'Enter') finish();
        if (e.key === 'Escape') {
          setDraft(null);
          setTrouble(null);
        }
        e.stopPropagation();
      },
      'aria-invalid': trouble !== null,
      'aria-describedby': trouble === null ? undefined : `${id}-trouble`,
    },
  };
}
