import { kindOf } from '@heronstone/core/kinds';
import { formatLength } from '@heronstone/core/lengths';
import { type Sized, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';

const GUESS_WORDS: Record<Sized, string> = {
  width: 'width',
  depth: 'depth',
  height: 'height',
  mass: 'weight',
  working: 'how many at hand',
  backstock: 'how many in reserve',
};

/** What of it nobody measured; a size that is typed is known from then on. */
export function Guesses({ supply, onSure }: { supply: Supply; onSure: () => void }) {
  const measure = usePlan((s) => s.plan.head.measure);
  const kind = kindOf(supply.kind);
  const usual = supply.usual.filter((f) => !supply.unsure.includes(f));
  const seen = supply.pictured;
  if (usual.length + supply.unsure.length + seen.length === 0) return null;
  const say = (list: readonly Sized[]) => list.map((f) => GUESS_WORDS[f]).join(', ');
  return (
    <div className="rounded-lg bg-stone px-3 py-2 text-[14px]">
      {usual.length > 0 && (
        <p>
          Usual for {kind ? kind.name : 'such things'}, not measured: {say(usual)}.{' '}
          <span className="text-soft">{kind?.source}</span>
        </p>
      )}
      {supply.unsure.length > 0 && <p>Guessed: {say(supply.unsure)}.</p>}
      {seen.length > 0 && (
        <p>
          By picture, ± {formatLength(supply.plusMinus, measure)}: {say(seen)}.
        </p>
      )}
      <button type="button" className="mt-1 text-heron underline" onClick={onSure}>
        It is all right as it stands
      </button>
    </div>
  );
}
