import { useId, useState } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';

/** Words over several lines, handed over when left. */
export function NoteField({
  value,
  onCommit,
  rows = 4,
  ...shared
}: Shared & { value: string; onCommit: (text: string) => void; rows?: number }) {
  const id = useId();
  // what is typed and not yet kept; else what the plan has, also when that changes elsewhere
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Labelled {...shared} id={id}>
      <textarea
        id={id}
        rows={rows}
        maxLength={8000}
        className={box}
        value={draft ?? value}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={() => {
          if (draft !== null && draft !== value) onCommit(draft);
          setDraft(null);
        }}
      />
    </Labelled>
  );
}
