import { Search } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { homesOf, newId, type Plan, type Supply } from '@heronstone/core/plan';
import { livingWhereLooked, questionsFor } from '@heronstone/core/upkeep';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { PlaceField } from '../../ui/place-field.tsx';
import { countWords, today, yearWords } from '../../ui/words.ts';
import { Front } from '../../views/front/Front.tsx';
import { type Answer, askedNow, begun, look, scoreOf } from './look-steps.ts';

/** Where would you look? Twelve things, answered by a tap; what is missed can come to live where it was looked for. */
export default function LookTest() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [answers, setAnswers] = useState<readonly Answer[] | null>(null);
  const [personId, setPerson] = useState('');
  const people = Object.values(plan.people);
  const wanted = useMemo(() => (answers ? [] : questionsFor(plan)), [answers, plan]);
  if (answers === null)
    return (
      <section aria-label="Look test" className="max-w-2xl">
        <h1 className="font-display text-xl font-semibold">Would you find it?</h1>
        <p className="mt-1">
          {wanted.length === 0
            ? 'Everything that is used is in view or has no home yet: there is nothing to be asked.'
            : `${countWords(wanted.length, 'thing', 'things')}, one after the other: where would you look? Half of them are what is fetched most, half what is hardest to find. Your answers stay yours and count from then on.`}
        </p>
        {wanted.length > 0 && (
          <div className="mt-3 flex flex-wrap items-end gap-3">
            <SelectField
              className="w-52"
              label="who looks"
              value={personId}
              options={[['', 'somebody else'], ...people.map((p) => [p.id, p.name] as const)]}
              onCommit={setPerson}
            />
            <Button look="main" onClick={() => setAnswers(begun(wanted.map((s) => s.id)))}>
              <Search size={16} aria-hidden /> Begin
            </Button>
          </div>
        )}
      </section>
    );
  const at = askedNow(answers);
  const tap = (placeId: string | null) => {
    if (at === null) return;
    const next = look(plan, answers, placeId);
    const one = next[at]!;
    setAnswers(next);
    if (one.found === null) return;
    dispatch({
      type: 'addLook',
      look: {
        ...{ id: newId('look'), supplyId: one.supplyId, placeId: one.looked[0] ?? null },
        ...{ personId: personId === '' ? null : personId, lookedOn: today(), found: one.found },
      },
    });
  };
  if (at === null) return <Told plan={plan} answers={answers} onAgain={() => setAnswers(null)} />;
  const asked = plan.supplies[answers[at]!.supplyId];
  const last = answers[at - 1];
  return (
    <section aria-label="Look test">
      <p className="text-soft">
        {at + 1} of {answers.length}
        {last?.found === 'not' && plan.supplies[last.supplyId] && (
          <>
            {' '}
            · {plan.supplies[last.supplyId]!.name} is in {whereIs(plan, last.supplyId)}
          </>
        )}
        {last && last.found !== 'not' && <> · found</>}
      </p>
      <h1 className="font-display text-xl font-semibold" aria-live="polite">
        Where would you look for {asked?.name ?? 'it'}?{answers[at]!.looked.length > 0 && ' Not there. Where else?'}
      </h1>
      <div className="flex flex-wrap items-end gap-3 py-1">
        {/* every look is a question of its own: the same place may be the answer twice in a row */}
        <PlaceField
          key={`${at} ${answers[at]!.looked.length}`}
          plan={plan}
          label="or by its name"
          placeId={null}
          none="choose a place …"
          onCommit={(id) => id !== null && tap(id)}
        />
        <Button onClick={() => tap(null)}>I do not know</Button>
      </div>
      <ul className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-5">
        {unitsWithPlaces(plan).map((unit) => (
          <li key={unit.id} className="rounded-xl border border-line bg-paper p-2">
            <p className="truncate text-[14px]">{unit.name}</p>
            {/* what lies where is not to be read off */}
            <Front plan={plan} unit={unit} silent onChoose={tap} className="h-32 w-full" />
          </li>
        ))}
      </ul>
    </section>
  );
}

const whereIs = (plan: Plan, supplyId: string): string => {
  const place = plan.places[homesOf(plan, supplyId, 'working')[0]?.placeId ?? ''];
  return place ? placeSaid(plan, place) : 'no home';
};

const unitsWithPlaces = (plan: Plan) => {
  const used = new Set(Object.values(plan.places).map((p) => p.unitId));
  return Object.values(plan.units)
    .filter((u) => used.has(u.id))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
};

/** What came of it; each miss can come to live where it was looked for, at its price. */
function Told({ plan, answers, onAgain }: { plan: Plan; answers: readonly Answer[]; onAgain: () => void }) {
  const { first, second, not } = scoreOf(answers);
  const missed = answers.filter((a) => a.found !== 'first' && a.looked.length > 0);
  return (
    <section aria-label="Look test" className="max-w-3xl">
      <h1 className="font-display text-xl font-semibold" aria-live="polite">
        {first} of {answers.length} at the first look, {second} at the second, {not} not.
      </h1>
      {missed.length > 0 && (
        <>
          <h2 className="mt-3 font-semibold">Let them live where you looked?</h2>
          <ul className="mt-1 divide-y divide-line">
            {missed.flatMap((a) => {
              const supply = plan.supplies[a.supplyId];
              return supply ? [<Missed key={a.supplyId} plan={plan} supply={supply} placeId={a.looked[0]!} />] : [];
            })}
          </ul>
        </>
      )}
      <Button className="mt-3" onClick={onAgain}>
        Another twelve
      </Button>
    </section>
  );
}

function Missed({ plan, supply, placeId }: { plan: Plan; supply: Supply; placeId: string }) {
  const dispatch = usePlan((s) => s.dispatch);
  const place = plan.places[placeId];
  const refit = useMemo(
    () => (place ? livingWhereLooked(plan, supply, placeId, today()) : null),
    [plan, supply, placeId, place],
  );
  if (!place) return null;
  const lives = homesOf(plan, supply.id, 'working').some((h) => h.placeId === placeId);
  const price = refit && refit.change;
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1.5">
      <span className="min-w-0 grow basis-64">
        <strong className="font-semibold">{supply.name}</strong>: you looked in {placeSaid(plan, place)}.{' '}
        <span className="text-soft">
          {lives
            ? 'It lives there now.'
            : price === null
              ? 'It does not go in there, or not beside what lies there.'
              : `${yearWords(Math.abs(price))} ${price > 0 ? 'more' : 'less'} in all${refit!.displaced.length > 0 ? `; ${refit!.displaced.map((d) => d.supply.name).join(' and ')} would make room` : ''}.`}
        </span>
      </span>
      {refit && !lives && (
        <Button
          aria-label={`Let it live there: ${supply.name}`}
          onClick={() => {
            if (dispatch(refit.command as never))
              toast.success(`${supply.name} lives in ${placeSaid(plan, place)} now.`);
          }}
        >
          Let it live there
        </Button>
      )}
    </li>
  );
}
