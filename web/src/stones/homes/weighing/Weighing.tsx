import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Effect, SCHOOLS } from '@heronstone/core/homes';
import { type PlanHead } from '@heronstone/core/plan';
import { Names } from '../Names.tsx';
import { askHomes, enoughOfHomes } from '../../../state/homes-worker.ts';
import { usePair } from '../../../state/found.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField } from '../../../ui/fields/index.ts';
import { Sheet } from '../../../ui/sheet.tsx';
import { today } from '../../../ui/words.ts';
import { type Variant, WEIGHED, weightsFor } from './weights.ts';
import { SchoolRow } from './SchoolRow.tsx';
import { Apart } from './Apart.tsx';
import { Choice } from './Choice.tsx';

/** Work for each way that is tried: enough to tell them apart, short enough to wait for. */
const WORK = 60_000;

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
