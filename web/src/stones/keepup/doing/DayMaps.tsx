import { useState } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { type Move, type Plan } from '@heronstone/core/plan';
import { Inside } from '../../../views/inside/Inside.tsx';
import { mapsOf } from './maps-of.ts';

/** So many maps are shown at once. */
const SHOWN = 2;

/** How what is carried is laid out where it goes: the drawers and boards of a job, as they will be. */
export function DayMaps({ wanted, moves }: { wanted: Plan; moves: readonly Move[] }) {
  const [all, setAll] = useState(false);
  const maps = mapsOf(wanted, moves);
  if (maps.length === 0) return null;
  return (
    <section aria-label="How it is laid out there" className="my-2">
      <div className="flex flex-wrap gap-3">
        {maps.slice(0, all ? maps.length : SHOWN).map((place) => (
          <div key={place.id} className="min-w-0 grow basis-52">
            <p className="text-center text-[13px] text-soft">{placeSaid(wanted, place)}, as it will be</p>
            <Inside plan={wanted} place={place} className="[&_svg]:max-h-80" />
          </div>
        ))}
      </div>
      {maps.length > SHOWN && !all && (
        <button type="button" className="py-1 text-heron underline print:hidden" onClick={() => setAll(true)}>
          and the maps of {maps.length - SHOWN} more
        </button>
      )}
    </section>
  );
}
