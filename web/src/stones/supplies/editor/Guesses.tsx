import { placeSaid } from '@heronstone/core/concepts';
import { closeCall, holderOf } from '@heronstone/core/fit';
import { kindOf } from '@heronstone/core/kinds';
import { formatLength } from '@heronstone/core/lengths';
import { countIn, homesOf, SHARES, type Sized, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { closeWords } from '../../../ui/close-words.ts';

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
  const plan = usePlan((s) => s.plan);
  const { measure } = plan.head;
  const kind = kindOf(supply.kind);
  const usual = supply.usual.filter((f) => !supply.unsure.includes(f));
  const seen = supply.pictured;
  if (usual.length + supply.unsure.length + seen.length === 0) return null;
  const close = SHARES.flatMap((share) => homesOf(plan, supply.id, share)).flatMap((home) => {
    const place = plan.places[home.placeId]!;
    const call = closeCall(holderOf(place), supply, countIn(plan, home, supply));
    return call ? [{ id: home.id, where: placeSaid(plan, place), words: closeWords(call, measure) }] : [];
  });
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
      {close.map(({ id, where, words }) => (
        <p key={id} className="text-clash">
          It lives in {where} and goes in there if it is not more than {words}.
        </p>
      ))}
      <button type="button" className="mt-1 text-heron underline" onClick={onSure}>
        It is all right as it stands
      </button>
    </div>
  );
}
