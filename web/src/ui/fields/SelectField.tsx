import { useId } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';

export function SelectField<T extends string>({
  value,
  options,
  onCommit,
  ...shared
}: Shared & { value: T; options: readonly (readonly [T, string])[]; onCommit: (value: T) => void }) {
  const id = useId();
  return (
    <Labelled {...shared} id={id}>
      <select id={id} className={box} value={value} onChange={(e) => onCommit(e.target.value as T)}>
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </Labelled>
  );
}
