import { useId } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

/** Something said in words, understood and then shown elsewhere: the box is empty again. `wanted` says what is understood. */
export function WordsField<T>({
  read,
  wanted,
  placeholder,
  onCommit,
  ...shared
}: Shared & {
  read: (text: string) => T | null;
  wanted: string;
  placeholder?: string;
  onCommit: (said: T) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, '', (text) => {
    const said = read(text);
    if (said === null) return `“${text}” is not understood: ${wanted}.`;
    return onCommit(said) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={placeholder} {...typed.props} />
    </Labelled>
  );
}
