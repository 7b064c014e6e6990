import { useId } from 'react';
import { Labelled, type Shared, box } from '../../ui/fields/Labelled.tsx';
import { useTyped } from '../../ui/fields/use-typed.ts';
import { timesAMonthIn } from '../../ui/often.ts';

/** How often a month, as people say it (“every other Saturday”); null: not said. */
export function OftenField({
  times,
  empty,
  onCommit,
  ...shared
}: Shared & {
  times: number | null;
  /** what stands in it while nothing is said */
  empty: string;
  onCommit: (times: number | null) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, times === null ? '' : String(times), (text) => {
    const said = text.trim() === '' ? null : timesAMonthIn(text);
    if (said === null && text.trim() !== '') return `“${text}” is not understood: say “once a month”, “every Tuesday”.`;
    return onCommit(said) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} autoComplete="off" placeholder={empty} {...typed.props} />
    </Labelled>
  );
}
