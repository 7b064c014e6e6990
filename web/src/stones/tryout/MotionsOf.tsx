import { type Moment } from '@heronstone/core/tryout';
import { MotionsTable } from '../../views/ledger/Ledger.tsx';

/** The motions of a moment, each with its code and time. */
export function MotionsOf({ moment }: { moment: Moment }) {
  const motions = moment.source?.motions ?? moment.brought?.motions ?? [];
  if (motions.length === 0) return null;
  return (
    <details className="text-[14px]">
      <summary className="cursor-pointer">Why it takes so long: every motion</summary>
      <MotionsTable motions={motions} />
    </details>
  );
}
