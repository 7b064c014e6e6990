import { useState } from 'react';
import { compartmentsOf, homesIn, placeWithAllIn, type Plan } from '@heronstone/core/plan';
import { type MapsOf } from '@heronstone/core/book';
import { type Paper } from '@heronstone/core/drawings';
import { shippedFaces } from '../../parts/faces.ts';
import { doing } from '../../parts/fetched.ts';
import { usePrinting } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { savePrint } from '../../ui/save-print.ts';
import { today } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';
import { fileName } from './file-name.ts';

const ALL = '';

/** The compartments of a unit in which something lives: an empty one needs no sheet. */
const usedPlaces = (plan: Plan, unitId: string): string[] =>
  compartmentsOf(plan, unitId).flatMap((p) =>
    placeWithAllIn(plan, p).some((q) => homesIn(plan, q.id).length > 0) ? [p.id] : [],
  );

/** Maps to stick inside a door or beside a unit: front to scale, what lies where in words, drawers as one looks into them. */
export function DrawerMaps({ unitId = ALL }: { unitId?: string }) {
  const plan = usePlan((s) => s.plan);
  const work = usePrinting();
  const units = Object.values(plan.units)
    .filter((u) => compartmentsOf(plan, u.id).length > 0)
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const [chosen, setChosen] = useState(unitId);
  const [each, setEach] = useState<'unit' | 'place'>('unit');
  const print = async (paper: Paper) => {
    const faces = await shippedFaces();
    const some = chosen === ALL ? units.map((u) => u.id) : [chosen];
    const of: MapsOf = each === 'unit' ? { units: some } : { places: some.flatMap((id) => usedPlaces(plan, id)) };
    const bound = await work.run((api, tell) => api.maps(plan, of, { paper, faces, day: today() }, tell));
    const what = chosen === ALL ? 'maps' : `map of ${plan.units[chosen]?.name ?? ''}`;
    if (bound) savePrint(fileName(plan.head.name, what, 'pdf'), bound);
  };
  const field = 'min-h-8 rounded-md border border-edge bg-ground px-2';
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
          <label className="flex flex-col text-[13px] text-soft">
            Map of
            <select className={`${field} text-ink`} value={chosen} onChange={(e) => setChosen(e.target.value)}>
              <option value={ALL}>every unit</option>
              {units.map((u) => (
                <option key={u.id} value={u.id}>
                  {u.name}
                </option>
              ))}
            </select>
          </label>
          <label className="flex flex-col text-[13px] text-soft">
            On a sheet
            <select
              className={`${field} text-ink`}
              value={each}
              onChange={(e) => setEach(e.target.value as 'unit' | 'place')}
            >
              <option value="unit">a unit</option>
              <option value="place">one place</option>
            </select>
          </label>
          <Working work={work} words="drawing the maps" />
          {work.share === null && (
            <>
              <Button onClick={() => doing(() => print('a4'))}>Maps, A4</Button>
              <Button onClick={() => doing(() => print('letter'))}>Maps, US Letter</Button>
            </>
          )}
        </div>
      )}
    </section>
  );
}
