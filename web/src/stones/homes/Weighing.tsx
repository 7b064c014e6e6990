import { proxy } from 'comlink';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Effect, SCHOOLS, type School } from '@heronstone/core/homes';
import { newId, type PlanHead, WEIGHTS, WEIGHTS_OR_NONE } from '@heronstone/core/plan';
import { Names } from './Names.tsx';
import { SchoolDrawing } from './SchoolDrawing.tsx';
import { askHomes, enoughOfHomes } from '../../state/homes-worker.ts';
import { usePair } from '../../state/found.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, SelectField } from '../../ui/fields.tsx';
import { Sheet } from '../../ui/sheet.tsx';
import { countWords, today, yearWords } from '../../ui/words.ts';

type WeightKey = 'weighAgain' | 'weighFamilies' | 'weighHarm' | 'weighOrder' | 'weighZones' | 'weighMoving';
const WEIGHED: readonly [WeightKey, string][] = [
  ['weighAgain', 'that things are found again'],
  ['weighFamilies', 'that families lie together'],
  ['weighHarm', 'that sun, damp, heat, frost and dust keep off'],
  ['weighOrder', 'that things lie as such things should'],
  ['weighZones', 'that everything is in its zone'],
  ['weighMoving', 'that moving takes time once'],
];
/** Finding again may be left out of account. */
const weightsFor = (key: WeightKey) => (key === 'weighAgain' ? WEIGHTS_OR_NONE : WEIGHTS);
/** Work for each way that is tried: enough to tell them apart, short enough to wait for. */
const WORK = 60_000;

type Variant = { key: string; set: Partial<PlanHead> };

/** How one works and what counts how much: each choice with what it would change, worked out beside the screen. */
export function Weighing({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { keep } = usePair();
  const { select } = useSelection();
  const [effects, setEffects] = useState<ReadonlyMap<string, Effect>>(new Map());
  const [running, setRunning] = useState(false);
  /** number of the work under way; what is older is not wanted any more */
  const asked = useRef(0);
  const drop = () => {
    if (asked.current > 0) enoughOfHomes();
    asked.current++;
  };
  useEffect(() => drop, []);

  const variants = (): Variant[] => [
    { key: 'now', set: {} },
    ...SCHOOLS.flatMap(({ key, choices }) =>
      choices
        .filter(([value]) => value !== plan.head[key])
        .map(([value]) => ({ key: `${key} ${value}`, set: { [key]: value } as Partial<PlanHead> })),
    ),
    ...WEIGHED.flatMap(([key]) =>
      weightsFor(key)
        .filter((w) => w !== plan.head[key])
        .map((w) => ({ key: `${key} ${w}`, set: { [key]: w } })),
    ),
  ];
  const workOut = async () => {
    drop();
    const mine = asked.current;
    setEffects(new Map());
    setRunning(true);
    const list = variants();
    try {
      const tell = proxy((i: number, effect: Effect) => {
        if (asked.current === mine) setEffects((known) => new Map(known).set(list[i]!.key, effect));
      });
      const sets = list.map((v) => v.set);
      await askHomes(plan, (api) => api.effects(sets, WORK, today(), tell));
    } catch (e) {
      toast.error(`It could not be worked out: ${(e as Error).message}`);
    } finally {
      if (asked.current === mine) setRunning(false);
    }
  };
  const set = (change: Partial<PlanHead>) => {
    drop();
    setRunning(false);
    setEffects(new Map());
    dispatch({ type: 'setPlan', set: change });
  };
  const [pairing, setPairing] = useState(false);
  /** Both ways found with the same work, then seen in the room. */
  const beside = async (name: string, change: Partial<PlanHead>) => {
    drop();
    const mine = asked.current;
    setRunning(false);
    setPairing(true);
    try {
      const both = await askHomes(plan, (api) => api.bothWays(change, WORK, today()));
      if (!both || asked.current !== mine) return;
      keep({
        planId: plan.id,
        sides: [
          { name: 'as you work now', ...both[0] },
          { name, ...both[1] },
        ],
        choose: change,
      });
      onClose();
      select({ view: 'both', place: null, supply: null, share: null });
    } catch (e) {
      toast.error(`The two ways could not be set beside each other: ${(e as Error).message}`);
    } finally {
      setPairing(false);
    }
  };
  const now = effects.get('now');
  const people = Object.values(plan.people).filter((p) =>
    Object.values(plan.stations).some((s) => s.personId === p.id),
  );
  return (
    <Sheet title="How you work, and what counts" wide onClose={onClose}>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <Button look="main" disabled={running} onClick={() => void workOut()}>
          {running ? 'Trying each …' : 'What would each choice change?'}
        </Button>
        <p className="text-[14px] text-soft">
          Homes are found anew for every choice, all with the same work; figures are against how you work now.
        </p>
      </div>
      <div className="space-y-3">
        {SCHOOLS.map((school) => (
          <SchoolRow
            key={school.key}
            school={school}
            value={plan.head[school.key]}
            effects={effects}
            now={now}
            onChoose={(value) => set({ [school.key]: value })}
            onBeside={pairing ? null : (value, words) => void beside(words, { [school.key]: value })}
          />
        ))}
      </div>
      <Apart />
      <Names />
      <h3 className="mt-4 font-semibold">How much it counts</h3>
      <ul className="mt-1 space-y-1.5">
        {WEIGHED.map(([key, words]) => (
          <li key={key}>
            <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <legend className="float-left w-72 max-w-full">{words}</legend>
              {weightsFor(key).map((w) => (
                <Choice
                  key={w}
                  name={key}
                  words={w === 'none' ? 'not at all' : w}
                  checked={plan.head[key] === w}
                  effect={effects.get(`${key} ${w}`)}
                  now={now}
                  onChoose={() => set({ [key]: w })}
                />
              ))}
            </fieldset>
          </li>
        ))}
      </ul>
      <h3 className="mt-4 font-semibold">Whose minutes</h3>
      <div className="mt-1 flex flex-wrap gap-3">
        {people.map((p) => (
          <NumberField
            key={p.id}
            className="w-56"
            label={`A minute of ${p.name}’s counts as`}
            unit="min"
            min={0.1}
            max={10}
            value={p.minuteCounts}
            onCommit={(minuteCounts) => dispatch({ type: 'setPerson', id: p.id, set: { minuteCounts } })}
          />
        ))}
      </div>
    </Sheet>
  );
}

function SchoolRow({
  school,
  value,
  effects,
  now,
  onChoose,
  onBeside,
}: {
  school: School;
  value: PlanHead[School['key']];
  effects: ReadonlyMap<string, Effect>;
  now: Effect | undefined;
  onChoose: (value: PlanHead[School['key']]) => void;
  onBeside: ((value: PlanHead[School['key']], words: string) => void) | null;
}) {
  // the figures speak for the choice with the fewest seconds, once all are known
  const known = school.choices.flatMap(([v]) => {
    const effect = v === value ? now : effects.get(`${school.key} ${v}`);
    return effect ? [{ v, seconds: effect.seconds }] : [];
  });
  const best =
    known.length === school.choices.length ? known.reduce((a, b) => (b.seconds < a.seconds - 60 ? b : a)).v : null;
  const own = school.choices.some(([v]) => v === value);
  return (
    <fieldset>
      <legend className="font-semibold">{school.question}</legend>
      <div className="mt-1 flex flex-wrap items-start gap-2">
        {!own && <span>{typeof value === 'number' ? `${Math.round(value * 100)} % kept free` : value}</span>}
        {school.choices.map(([v, words]) => (
          <Choice
            key={String(v)}
            drawing={<SchoolDrawing school={school.key} value={v} />}
            name={school.key}
            words={words}
            checked={v === value}
            effect={effects.get(`${school.key} ${v}`)}
            now={now}
            speaks={best === v}
            onChoose={() => onChoose(v)}
            {...(v === value ? {} : { onBeside: onBeside && (() => onBeside(v, words)) })}
          />
        ))}
      </div>
    </fieldset>
  );
}

function Choice({
  name,
  words,
  checked,
  effect,
  now,
  speaks = false,
  drawing,
  onChoose,
  onBeside,
}: {
  name: string;
  words: string;
  checked: boolean;
  effect: Effect | undefined;
  now: Effect | undefined;
  speaks?: boolean;
  /** what it looks like */
  drawing?: ReactNode;
  onChoose: () => void;
  /** sets it beside how one works now; null while that is being worked out */
  onBeside?: (() => void) | null;
}) {
  const label = (
    <label
      className={
        drawing
          ? `flex w-56 items-start gap-2 rounded-xl border px-2 py-1 focus-within:outline-2 ${checked ? 'border-ink bg-stone' : 'border-line bg-paper hover:border-heron'}`
          : 'inline-flex items-baseline gap-1.5'
      }
    >
      {drawing}
      <input type="radio" name={name} checked={checked} onChange={onChoose} className={drawing ? 'mt-1' : ''} />
      <span className="leading-snug">
        {words}
        {effect && now && <span className="block text-[13px] text-soft">{effectWords(effect, now)}</span>}
        {speaks && <span className="block text-[13px] text-heron">the figures speak for this</span>}
      </span>
    </label>
  );
  if (onBeside === undefined) return label;
  return (
    <span className="block">
      {label}
      <button
        type="button"
        disabled={onBeside === null}
        onClick={() => onBeside?.()}
        aria-label={`${words}: see it in the room`}
        className="ml-2 block min-h-6 text-[13px] text-heron hover:underline disabled:text-soft"
      >
        {onBeside === null ? 'finding both …' : 'see it in the room'}
      </button>
    </span>
  );
}

/** “41 min a year less, 12 l more room taken”. */
function effectWords(effect: Effect, now: Effect): string {
  const seconds = effect.seconds - now.seconds;
  const litres = Math.round(effect.litres - now.litres);
  const parts = [
    Math.abs(seconds) < 60
      ? 'no difference in time'
      : `${yearWords(Math.abs(seconds))} ${seconds < 0 ? 'less' : 'more'}`,
    ...(litres === 0 ? [] : [`${Math.abs(litres)} l ${litres < 0 ? 'less' : 'more'} room taken`]),
    ...(effect.without === now.without
      ? []
      : [
          `${countWords(Math.abs(effect.without - now.without), 'thing', 'things')} ${effect.without > now.without ? 'more' : 'fewer'} without a home`,
        ]),
    ...(effect.buy.length === 0
      ? []
      : [
          `to buy: ${effect.buy
            .slice(0, 4)
            .map((b) => `${b.more} ${b.supply.name}`)
            .join(', ')}${effect.buy.length > 4 ? ' …' : ''}`,
        ]),
  ];
  return parts.join(', ');
}

/** What may be another for a family or a zone. */
const APART = SCHOOLS.filter(
  (s): s is School & { key: 'seen' | 'grouping' | 'packaging' | 'growth' } =>
    s.key !== 'newThings' && s.key !== 'tools',
);

/** Families and zones that are worked with in another way than the rest. */
function Apart() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const ways = Object.values(plan.ways);
  const families = [...new Set(Object.values(plan.supplies).flatMap((s) => s.family || []))].sort();
  const free = [
    ...families.filter((f) => !ways.some((w) => w.family === f)).map((f) => [`f ${f}`, f] as const),
    ...Object.values(plan.zones)
      .filter((z) => !ways.some((w) => w.zoneId === z.id))
      .map((z) => [`z ${z.id}`, `zone ${z.name}`] as const),
  ];
  return (
    <section aria-label="Other for a family or a zone" className="mt-3">
      <h3 className="font-semibold">Other for a family or a zone</h3>
      <ul className="space-y-1">
        {ways.map((way) => (
          <li key={way.id} className="flex flex-wrap items-end gap-2">
            <span className="min-w-36">{way.zoneId === null ? way.family : plan.zones[way.zoneId]?.name}</span>
            {APART.filter(({ key }) => key !== 'growth' || way.zoneId !== null).map(({ key, question, choices }) => (
              <SelectField
                key={key}
                label={question.toLowerCase()}
                value={String(way[key] ?? '')}
                options={[['', 'as in the plan'], ...choices.map(([value, words]) => [String(value), words] as const)]}
                onCommit={(chosen) => {
                  const value = choices.find(([v]) => String(v) === chosen)?.[0] ?? null;
                  dispatch({ type: 'setWay', id: way.id, set: { [key]: value } });
                }}
              />
            ))}
            <Button look="quiet" onClick={() => dispatch({ type: 'removeWay', id: way.id })}>
              As the rest
            </Button>
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <SelectField
          label="Add a family or a zone"
          value=""
          options={[['', 'choose …'], ...free]}
          onCommit={(value) => {
            if (value === '') return;
            const zone = value.startsWith('z ');
            dispatch({
              type: 'addWay',
              way: {
                id: newId('way'),
                family: zone ? '' : value.slice(2),
                zoneId: zone ? value.slice(2) : null,
                seen: null,
                grouping: null,
                packaging: null,
                growth: null,
              },
            });
          }}
        />
      )}
    </section>
  );
}
