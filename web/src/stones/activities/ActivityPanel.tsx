import { Trash2 } from 'lucide-react';
import { CATALOGUE } from '@heronstone/core/catalogue';
import { type Activity, middleOfRoom, newId, type Station } from '@heronstone/core/plan';
import { asSeen } from '../../state/as-seen.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';
import { MonthsField } from '../../ui/months.tsx';
import { UseLine } from './UseLine.tsx';

/** One activity: how often, in which months, from which seat, and its use line. */
export function ActivityPanel({ activity }: { activity: Activity }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Activity>) =>
    dispatch({
      type: 'setActivity',
      id: activity.id,
      set: part,
      was: asSeen(activity, part),
    });
  return (
    <div className="space-y-4 pt-2">
      <div className="flex flex-wrap items-end gap-3">
        <TextField className="w-56" label="What is made" value={activity.name} onCommit={(name) => set({ name })} />
        <NumberField
          className="w-28"
          label="sessions a month"
          value={activity.sessionsPerMonth}
          onCommit={(sessionsPerMonth) => set({ sessionsPerMonth })}
        />
        <NumberField
          className="w-28"
          label="each lasting"
          unit="min"
          min={1}
          max={1440}
          value={activity.minutes}
          onCommit={(minutes) => set({ minutes })}
        />
        <Button look="quiet" onClick={() => dispatch({ type: 'removeActivity', id: activity.id })}>
          <Trash2 size={15} aria-hidden /> Take out
        </Button>
      </div>
      <MonthsField label="in these months" months={activity.months} onCommit={(months) => set({ months })} />
      <SeatFields activity={activity} />
      <UseLine activity={activity} />
    </div>
  );
}

function SeatFields({ activity }: { activity: Activity }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const stations = Object.values(plan.stations).filter((s) => s.activityId === activity.id);
  const people = Object.values(plan.people).filter((p) => !p.child);
  const tables = Object.values(plan.units).filter((u) => CATALOGUE[u.kind].worktop);
  const add = () => {
    const table = tables[0];
    const middle = middleOfRoom(plan);
    const off = table ? table.depth / 2 + 250 : 0;
    const rad = table ? (table.facing * Math.PI) / 180 : 0;
    dispatch({
      type: 'addStation',
      station: {
        id: newId('station'),
        name: `${activity.name} seat`,
        activityId: activity.id,
        personId: people[0]!.id,
        unitId: table?.id ?? null,
        x: table ? Math.round(table.x + Math.sin(rad) * off) : middle.x,
        y: table ? Math.round(table.y + Math.cos(rad) * off) : middle.y,
        heading: table ? (table.facing + 180) % 360 : 0,
        standing: false,
        seatHeight: null,
      },
    });
  };
  if (stations.length === 0)
    return (
      <div className="rounded-2xl border-2 border-dashed border-line p-4">
        {people.length === 0 ? (
          <p className="text-soft">First say who works here (on the right), then give this activity a seat.</p>
        ) : (
          <p className="flex items-center gap-3 text-soft">
            No seat yet: near and far are measured from one.
            <Button look="main" onClick={add}>
              Give it a seat
            </Button>
          </p>
        )}
      </div>
    );
  return (
    <>
      {stations.map((s) => {
        const set = (part: Partial<Station>) => dispatch({ type: 'setStation', id: s.id, set: part });
        return (
          <fieldset key={s.id} className="rounded-2xl bg-paper p-3">
            <legend className="sr-only">Seat</legend>
            <div className="flex flex-wrap items-end gap-2">
              <TextField className="w-40" label="Seat" value={s.name} onCommit={(name) => set({ name })} />
              <SelectField
                className="w-28"
                label="who"
                value={s.personId}
                options={people.map((p) => [p.id, p.name] as const)}
                onCommit={(personId) => set({ personId })}
              />
              <SelectField
                className="w-36"
                label="at"
                value={s.unitId ?? ''}
                options={[['', 'no worktop'], ...tables.map((t) => [t.id, t.name] as const)]}
                onCommit={(id) => set({ unitId: id || null })}
              />
              <SelectField
                className="w-28"
                label="posture"
                value={s.standing ? 'standing' : 'sitting'}
                options={[
                  ['sitting', 'sitting'],
                  ['standing', 'standing'],
                ]}
                onCommit={(v) => set({ standing: v === 'standing' })}
              />
              {!s.standing && (
                <LengthField
                  className="w-28"
                  label="seat height"
                  optional
                  mm={s.seatHeight}
                  onCommit={(seatHeight) => set({ seatHeight })}
                />
              )}
              <NumberField
                className="w-24"
                label="looks to"
                unit="°"
                min={-360}
                max={360}
                value={s.heading}
                onCommit={(heading) => set({ heading })}
              />
              <LengthField
                className="w-24"
                label="from the left"
                mm={Math.max(0, s.x)}
                onCommit={(mm) => mm !== null && set({ x: mm })}
              />
              <LengthField
                className="w-24"
                label="from below"
                mm={Math.max(0, s.y)}
                onCommit={(mm) => mm !== null && set({ y: mm })}
              />
              <Button
                look="quiet"
                aria-label={`Take out ${s.name}`}
                onClick={() => dispatch({ type: 'removeStation', id: s.id })}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </div>
          </fieldset>
        );
      })}
    </>
  );
}
