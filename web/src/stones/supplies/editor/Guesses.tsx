import { placeSaid } from '@heronstone/core/concepts';
import { closeCall, closeRoom, holderOf } from '@heronstone/core/fit';
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
  const close = SHARES.flatMap((share) => homesOf(plan, supply.id, share)).flatMap((home) => {
    const place = plan.places[home.placeId]!;
    const unit = plan.units[place.unitId];
    const [holder, count, where] = [holderOf(place), countIn(plan, home, supply), placeSaid(plan, place)];
    const call = closeCall(holder, supply, count);
    const room = unit && place.inId === null ? closeRoom(holder, unit, supply, count) : null;
    return [
      ...(call ? [`It lives in ${where} and goes in there if it is not more than ${closeWords(call, measure)}.`] : []),
      ...(room
        ? [
            `It lives in ${where}, which nobody measured: it goes in there if ${unit!.name} is not more than ${closeWords(room, measure, 'smaller')}.`,
          ]
        : []),
    ];
  });
  const guesses = usual.length + supply.unsure.length + seen.length;
  if (guesses + close.length === 0) return null;
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
      {close.map((words) => (
        <p key={words} className="text-clash">
          {words}
        </p>
      ))}
      {guesses > 0 && (
        <button type="button" className="mt-1 text-heron underline" onClick={onSure}>
          It is all right as it stands
        </button>
      )}
    </div>
  );
}
