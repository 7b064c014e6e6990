import { useMemo } from 'react';
import {
  type Aisle,
  AISLES,
  familiesIn,
  nameOfPlace,
  namesWanted,
  sayingsIn,
  shelvedAs,
} from '@heronstone/core/concepts';
import { heapsPerYear } from '@heronstone/core/homes';
import { homesOf, newId, type Plan, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { SelectField } from '../../ui/fields/index.ts';
import { countWords } from '../../ui/words.ts';
import { HeapsBeside } from './HeapsBeside.tsx';
import { MoreNames } from './MoreNames.tsx';

const CHOICES: readonly (readonly [string, string])[] = [
  ['', 'as its things say'],
  ...Object.entries(AISLES).map(([id, words]) => [id, words] as const),
];

/** The maker’s things by the words they can be called by: aisles, families within them, where they lie; a family may be put under another aisle. */
export function Names() {
  const plan = usePlan((s) => s.plan);
  const aisles = useMemo(() => aislesIn(plan), [plan]);
  const sayings = useMemo(() => sayingsIn(plan), [plan]);
  const wanted = useMemo(() => namesWanted(plan), [plan]);
  const heaps = useMemo(() => heapsPerYear(plan), [plan]);
  return (
    <section aria-label="What things are called by" className="mt-4">
      <h3 className="font-semibold">What things are called by</h3>
      <p className="text-[14px] text-soft">
        A place is named after the families, aisles or the activity its things have in common; find homes puts together
        what goes by one name.{' '}
        {sayings.places > 0 &&
          `${sayings.oneName} of ${countWords(sayings.places, 'place', 'places')} with several things go by one name now, ${sayings.oddsAndEnds} hold odds and ends. `}
        {wantedWords(wanted)}
      </p>
      {sayings.oneName < sayings.places && <MoreNames plan={plan} />}
      {heaps > 0 && <HeapsBeside plan={plan} />}
      <ul className="mt-1 space-y-1">
        {aisles.map(({ aisle, words, families }) => (
          <li key={words}>
            <details open={aisle === null}>
              <summary className="cursor-pointer">
                <span className="font-semibold">{words}</span>{' '}
                <span className="text-soft">
                  {countWords(
                    families.reduce((sum, f) => sum + f.things.length, 0),
                    'thing',
                    'things',
                  )}
                  {aisle === null && ': say where they belong'}
                </span>
              </summary>
              <ul className="mb-2 ml-4 space-y-1">
                {families.map((family) => (
                  <Family key={family.family} plan={plan} {...family} />
                ))}
              </ul>
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}

type Shown = { family: string; moved: boolean; things: readonly Supply[] };

function Family({ plan, family, moved, things }: Shown & { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const said = Object.values(plan.familyAisles).find((row) => row.family === family);
  const places = [...new Set(things.flatMap((s) => homesOf(plan, s.id, 'working').map((h) => h.placeId)))];
  const names = [...new Set(places.flatMap((id) => nameOfPlace(plan, id)?.words ?? []))];
  return (
    <li className="flex flex-wrap items-end gap-x-3">
      <span className="min-w-0 grow basis-56">
        {family || 'no family'} <span className="text-soft">{things.map((s) => s.name).join(', ')}</span>
        {names.length > 0 && (
          <span className="block text-[13px] text-soft">
            in {countWords(places.length, 'place', 'places')}: {names.slice(0, 4).join('; ')}
            {names.length > 4 && ' …'}
          </span>
        )}
      </span>
      {family !== '' && (
        <SelectField
          label={`aisle of ${family}`}
          value={moved && said ? said.aisle : ''}
          options={CHOICES}
          onCommit={(aisle) => {
            if (aisle === '') return void (said && dispatch({ type: 'removeFamilyAisle', id: said.id }));
            if (said) dispatch({ type: 'setFamilyAisle', id: said.id, set: { aisle } });
            else dispatch({ type: 'addFamilyAisle', familyAisle: { id: newId('aisle'), family, aisle } });
          }}
        />
      )}
    </li>
  );
}

/** Whether there are places enough for a name each, and what helps where there are not. */
function wantedWords({ aisles, families, places }: ReturnType<typeof namesWanted>): string {
  const names = `By aisles the things take ${countWords(aisles, 'name', 'names')}, by families ${families}; there are ${countWords(places, 'place', 'places')} to be named.`;
  if (places >= families) return names;
  if (places >= aisles)
    return `${names} Families share places: lanes in a drawer or a box more each give one more name.`;
  return `${names} That is too few: some places will take several names until there are ${aisles - places} more, as lanes in drawers, boxes or jars.`;
}

/** Aisles with families and things in them, in their order; last what stands under none. */
function aislesIn(plan: Plan): { aisle: Aisle | null; words: string; families: Shown[] }[] {
  const rows = new Map<string, Map<string, Shown>>();
  const moved = familiesIn(plan);
  for (const supply of Object.values(plan.supplies)) {
    const aisle = shelvedAs(plan, supply.id)?.aisle?.id ?? '';
    const families = rows.get(aisle) ?? new Map<string, Shown>();
    rows.set(aisle, families);
    const row = families.get(supply.family);
    if (row) families.set(supply.family, { ...row, things: [...row.things, supply] });
    else
      families.set(supply.family, {
        family: supply.family,
        moved: moved.get(supply.family)?.moved ?? false,
        things: [supply],
      });
  }
  const order = [...Object.keys(AISLES), ''];
  return [...rows]
    .sort((a, b) => order.indexOf(a[0]) - order.indexOf(b[0]))
    .map(([aisle, families]) => ({
      aisle: aisle === '' ? null : (aisle as Aisle),
      words: aisle === '' ? 'no aisle yet' : AISLES[aisle as Aisle],
      families: [...families.values()].sort((a, b) => (a.family < b.family ? -1 : 1)),
    }));
}
