import { useState } from 'react';
import { compartmentsOf, homesIn, placeWithAllIn, type Plan } from '@heronstone/core/plan';
import { type Cut, type MapsOf } from '@heronstone/core/book';
import { type Paper } from '@heronstone/core/drawings';
import { usePlan } from '../../state/plan-store.ts';
import { usePrinting } from '../../state/printing.ts';
import { Button } from '../../ui/button.tsx';
import { fileName } from '../../ui/file-name.ts';
import { CheckField, LengthField, SelectField } from '../../ui/fields/index.ts';
import { Working } from '../../ui/working.tsx';

const ALL = '';

/** The compartments of a unit in which something lives: an empty one needs no sheet. */
const usedPlaces = (plan: Plan, unitId: string): string[] =>
  compartmentsOf(plan, unitId).flatMap((p) =>
    placeWithAllIn(plan, p).some((q) => homesIn(plan, q.id).length > 0) ? [p.id] : [],
  );

/** Maps to stick inside a door or beside a unit: front to scale, what lies where in words, drawers as one looks into them. */
export function DrawerMaps({ unitId = ALL }: { unitId?: string }) {
  const plan = usePlan((s) => s.plan);
  const { work, print } = usePrinting();
  const units = Object.values(plan.units)
    .filter((u) => compartmentsOf(plan, u.id).length > 0)
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const [chosen, setChosen] = useState(unitId);
  const [each, setEach] = useState<'unit' | 'place'>('unit');
  const [cut, setCut] = useState<'sheet' | 'door' | 'own'>('sheet');
  const [own, setOwn] = useState<Cut>({ width: 150, height: 200 });
  const [pictures, setPictures] = useState(false);
  const [trial, setTrial] = useState(false);
  const maps = (paper: Paper) => {
    const some = chosen === ALL ? units.map((u) => u.id) : [chosen];
    const of: MapsOf = each === 'unit' ? { units: some } : { places: some.flatMap((id) => usedPlaces(plan, id)) };
    const what = chosen === ALL ? 'maps' : `map of ${plan.units[chosen]?.name ?? ''}`;
    print(
      fileName(plan.head.name, what, 'pdf'),
      paper,
      (api, how, tell) =>
        api.maps(plan, of, { ...how, trial, cut: cut === 'own' ? own : cut === 'door' ? 'door' : null }, tell),
      pictures ? plan : null,
    );
  };
  return (
    <section aria-label="Drawer maps">
      <h3 className="font-display font-semibold">Drawer maps</h3>
      <p className="text-soft">
        To stick inside a door: the front to scale, what lies where, drawers as you look into them.
      </p>
      {units.length === 0 ? (
        <p>No unit has places yet.</p>
      ) : (
        <div className="my-2 flex flex-wrap items-end gap-2">
          <SelectField
            className="w-40"
            label="Map of"
            value={chosen}
            options={[[ALL, 'every unit'], ...units.map((u) => [u.id, u.name] as const)]}
            onCommit={setChosen}
          />
          <SelectField
            className="w-24"
            label="On a sheet"
            value={each}
            options={[
              ['unit', 'a unit'],
              ['place', 'one place'],
            ]}
            onCommit={setEach}
          />
          <SelectField
            className="w-40"
            label="Cut to"
            value={cut}
            options={[
              ['sheet', 'not at all'],
              ['door', 'the inside of its door'],
              ['own', 'a size of my own'],
            ]}
            onCommit={setCut}
          />
          {cut === 'own' &&
            (['width', 'height'] as const).map((side) => (
              <LengthField
                key={side}
                className="w-24"
                label={side}
                mm={own[side]}
                positive
                onCommit={(mm) => setOwn({ ...own, [side]: mm! })}
              />
            ))}
          <CheckField label="with pictures" checked={pictures} onCommit={setPictures} />
          <CheckField label="on trial" checked={trial} onCommit={setTrial} />
          <Working work={work} words="drawing the maps" />
          {work.share === null && (
            <>
              <Button onClick={() => maps('a4')}>Maps, A4</Button>
              <Button onClick={() => maps('letter')}>Maps, US Letter</Button>
            </>
          )}
        </div>
      )}
      {cut === 'door' && (
        <p className="text-soft">A door larger than the sheet needs no cutting, and gets the whole of it.</p>
      )}
    </section>
  );
}
