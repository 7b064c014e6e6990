import { useMemo } from 'react';
import { type Activity, newId, seatsHere, type Trait, TRAITS } from '@heronstone/core/plan';
import { machinesOf, needsOf } from '@heronstone/core/stations';
import { usePlan } from '../../state/plan-store.ts';
import { CheckField, LengthField, NumberField, SelectField } from '../../ui/fields/index.ts';
import { today } from '../../ui/words.ts';
import { NeedMarks } from './NeedMarks.tsx';
import { TableRoom } from './TableRoom.tsx';

/** What an activity asks of the place it is done at, against what each of its stations gives. */
export function Asks({ activity }: { activity: Activity }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Activity>) => dispatch({ type: 'setActivity', id: activity.id, set: part });
  const stations = seatsHere(plan).filter((s) => s.activityId === activity.id);
  const needs = useMemo(
    () => stations.map((s) => ({ station: s, needs: needsOf(plan, s, today()) })),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- stations follow the plan
    [plan, activity.id],
  );
  const machines = machinesOf(plan, activity.id);
  const runnable = Object.values(plan.units).filter((u) => u.watts > 0 || u.kind === 'machine');
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          className="w-32"
          label="done"
          value={activity.posture}
          options={[
            ['either', 'either way'],
            ['sitting', 'sitting'],
            ['standing', 'standing'],
          ]}
          onCommit={(posture) => set({ posture })}
        />
        <SelectField
          className="w-44"
          label="kind of work"
          value={activity.work}
          options={[
            ['fine', 'fine: near the eyes'],
            ['light', 'light'],
            ['heavy', 'heavy: press, cut'],
          ]}
          onCommit={(work) => set({ work })}
        />
        <LengthField
          className="w-28"
          label="worktop wide"
          mm={activity.surfaceWidth}
          onCommit={(mm) => set({ surfaceWidth: mm ?? 0 })}
        />
        <LengthField
          className="w-28"
          label="and deep"
          mm={activity.surfaceDepth}
          onCommit={(mm) => set({ surfaceDepth: mm ?? 0 })}
        />
        <SelectField
          className="w-52"
          label="what was got out"
          value={activity.leaving ?? 'asUsual'}
          options={[
            ['asUsual', plan.head.leaving === 'untilDone' ? 'as usual: out until done' : 'as usual: back at once'],
            ['untilDone', 'lies out until done'],
            ['atOnce', 'goes back at once'],
          ]}
          onCommit={(v) => set({ leaving: v === 'asUsual' ? null : v })}
        />
        <NumberField
          className="w-24"
          label="light"
          unit="lx"
          explained="lux"
          max={5000}
          value={activity.lux}
          onCommit={(lux) => set({ lux })}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-x-4">
        <fieldset>
          <legend className="text-[13px] text-soft">it is, or wants to be</legend>
          <div className="flex flex-wrap gap-x-4">
            {TRAITS.map((t: Trait) => (
              <CheckField
                key={t}
                label={t}
                checked={activity.traits.includes(t)}
                onCommit={(on) =>
                  set({ traits: on ? [...activity.traits, t] : activity.traits.filter((x) => x !== t) })
                }
              />
            ))}
          </div>
        </fieldset>
        {runnable.length > 0 && (
          <fieldset>
            <legend className="text-[13px] text-soft">machines it runs</legend>
            <div className="flex flex-wrap gap-x-4">
              {runnable.map((u) => (
                <CheckField
                  key={u.id}
                  label={u.watts > 0 ? `${u.name} (${u.watts} W)` : u.name}
                  checked={machines.includes(u)}
                  onCommit={(on) => {
                    const row = Object.values(plan.machineUses).find(
                      (m) => m.activityId === activity.id && m.unitId === u.id,
                    );
                    if (on)
                      dispatch({
                        type: 'addMachineUse',
                        machineUse: { id: newId('machine'), activityId: activity.id, unitId: u.id },
                      });
                    else if (row) dispatch({ type: 'removeMachineUse', id: row.id });
                  }}
                />
              ))}
            </div>
          </fieldset>
        )}
      </div>
      {needs.length === 0 && (
        <p className="mt-4 text-soft">
          It has no seat yet: give it one at “Where it lives”, then it is seen what is lacking there.
        </p>
      )}
      {needs.map(({ station, needs: rows }) => (
        <section
          key={station.id}
          aria-label={`Needs of ${station.name}`}
          className="mt-3 rounded-2xl bg-paper px-4 py-2"
        >
          <h2 className="font-display text-lg font-semibold">
            {station.name}{' '}
            <span className="font-sans text-[14px] font-normal text-soft">
              {rows.some((n) => n.lacks)
                ? `lacks ${rows.filter((n) => n.lacks).length} of ${rows.length}`
                : 'has what it asks for'}
            </span>
          </h2>
          <NeedMarks needs={rows} />
          <TableRoom plan={plan} station={station} />
        </section>
      ))}
    </>
  );
}
