import { Trash2 } from 'lucide-react';
import {
  blankFixture,
  blankHeater,
  type FixtureKind,
  type FloorUse,
  type Heat,
  middleOfRoom,
  newId,
} from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields/index.ts';
import { MonthsField } from '../../ui/months.tsx';
import { FixtureRow } from './OnWall.tsx';

const FREE: [FixtureKind, string][] = [
  ['stairs', 'Stair opening'],
  ['obstacle', 'Post'],
  ['lamp', 'Ceiling lamp'],
];
const HEATING: [Heat, string][] = [
  ['portable', 'Portable heater'],
  ['fire', 'Stove'],
];

/** What stands or hangs in the room away from the walls, and what else its floor is for. */
export function RoomThingsList() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const free = Object.values(plan.fixtures).filter((f) => f.wallId === null);
  const middle = middleOfRoom(plan);
  return (
    <section aria-label="Away from the walls" className="space-y-2">
      <div className="flex flex-wrap items-center gap-1">
        <h2 className="mr-2 font-semibold">Away from the walls</h2>
        {FREE.map(([kind, name]) => (
          <Button
            key={kind}
            look="quiet"
            onClick={() =>
              dispatch({
                type: 'addFixture',
                fixture: { ...blankFixture(newId('fixture'), kind), name, ...middle, sizeBy: 'usual' },
              })
            }
          >
            {name}
          </Button>
        ))}
        {HEATING.map(([heat, name]) => (
          <Button
            key={heat}
            look="quiet"
            onClick={() =>
              dispatch({
                type: 'addFixture',
                fixture: {
                  ...blankHeater(newId('fixture'), heat, null, 0, plan.head.measure),
                  name,
                  ...middle,
                  sizeBy: 'usual',
                },
              })
            }
          >
            {name}
          </Button>
        ))}
      </div>
      {free.map((f) => (
        <FixtureRow key={f.id} fixture={f} />
      ))}
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">Other uses of the floor</h2>
        <Button
          look="quiet"
          onClick={() =>
            dispatch({
              type: 'addFloorUse',
              floorUse: {
                id: newId('use'),
                name: 'Other use',
                ...middle,
                facing: 0,
                width: 1000,
                depth: 1000,
                height: 1000,
                months: [12],
              },
            })
          }
        >
          Another use
        </Button>
      </div>
      {Object.values(plan.floorUses).map((use) => (
        <FloorUseRow key={use.id} use={use} />
      ))}
    </section>
  );
}

function FloorUseRow({ use }: { use: FloorUse }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<FloorUse>) => dispatch({ type: 'setFloorUse', id: use.id, set: part });
  const length = (key: 'x' | 'y' | 'width' | 'depth' | 'height', label: string) => (
    <LengthField label={label} mm={use[key]} onCommit={(mm) => mm !== null && set({ [key]: mm })} />
  );
  return (
    <div className="border-t border-line pt-1.5">
      <div className="grid grid-cols-4 gap-2">
        <TextField className="col-span-2" label="what for" value={use.name} onCommit={(name) => set({ name })} />
        {length('width', 'width')}
        {length('depth', 'depth')}
        {length('height', 'height')}
        {length('x', 'centre, across')}
        {length('y', 'centre, up the page')}
        <NumberField
          label="turned"
          unit="°"
          min={-360}
          max={360}
          value={use.facing}
          onCommit={(facing) => set({ facing })}
        />
      </div>
      <div className="mt-1 flex items-start justify-between gap-2">
        <MonthsField
          label={`Months of ${use.name}`}
          hideLabel
          months={use.months}
          onCommit={(months) => set({ months })}
        />
        <Button
          look="quiet"
          className="!px-1.5"
          aria-label={`Take out ${use.name}`}
          onClick={() => dispatch({ type: 'removeFloorUse', id: use.id })}
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
    </div>
  );
}
