import { useId } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

export function TextField({
  value,
  onCommit,
  placeholder,
  ...shared
}: Shared & { value: string; onCommit: (text: string) => boolean | void; placeholder?: string }) {
  const id = useId();
  const typed = useTyped(id, value, (text) => (onCommit(text) === false ? 'That was refused.' : null));
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={placeholder} {...typed.props} />
    </Labelled>
  );
}
