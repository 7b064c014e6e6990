import { moneyIn, moneyShown } from './money.ts';
import { useId } from 'react';
import { type Shared, Labelled, box } from './Labelled.tsx';
import { useTyped } from './use-typed.ts';

/** An amount of money in the maker’s own coin; null: not said. */
export function MoneyField({
  amount,
  onCommit,
  empty,
  ...shared
}: Shared & {
  amount: number | null;
  /** what stands in it while none is said */
  empty: string;
  onCommit: (amount: number | null) => boolean | void;
}) {
  const id = useId();
  const typed = useTyped(id, moneyShown(amount), (text) => {
    const said = moneyIn(text);
    if (!said.ok) return said.reason;
    return onCommit(said.amount) === false ? 'That was refused.' : null;
  });
  return (
    <Labelled {...shared} id={id} trouble={typed.trouble}>
      <input id={id} className={box} inputMode="decimal" autoComplete="off" placeholder={empty} {...typed.props} />
    </Labelled>
  );
}
