import { wholeDay } from './whole-day.ts';
import { useId, useState } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';

/** A day, or none where it is not `required`; one that is only half typed is not handed over. */
export function DayField({
  value,
  onCommit,
  required,
  min,
  max,
  ...shared
}: Shared & {
  value: string | null;
  onCommit: (day: string | null) => boolean | void;
  required?: boolean;
  min?: string;
  max?: string;
}) {
  const id = useId();
  // what is half typed, kept until it is whole or left
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Labelled {...shared} id={id}>
      <input
        id={id}
        type="date"
        className={box}
        value={draft ?? value ?? ''}
        {...{ required, min, max }}
        onChange={(e) => {
          const day = wholeDay(e.target.value);
          if (day === undefined || (day === null && required)) return setDraft(e.target.value);
          setDraft(null);
          onCommit(day);
        }}
        onBlur={() => setDraft(null)}
      />
    </Labelled>
  );
}
