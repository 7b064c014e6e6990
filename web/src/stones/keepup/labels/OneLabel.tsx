import { placeSaid } from '@heronstone/core/concepts';
import { LABEL_SHOWS, LABEL_SIDES, type Label, type Place } from '@heronstone/core/plan';
import { placeLabel } from '@heronstone/core/labels';
import { jot } from '../../../state/jot.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { CheckField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { PhotoField } from '../../../ui/photo-field.tsx';
import { today } from '../../../ui/words.ts';
import { LabelPicture } from './LabelPicture.tsx';
import { STATE, SHOWS } from './label-words.ts';

export function OneLabel({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Omit<Place, 'id'>>) =>
    dispatch({ type: 'setPlace', id: place.id, set: part } as Parameters<typeof dispatch>[0]);
  const has = (list: readonly string[], what: string) => list.includes(what);
  const swap = <T extends string>(list: readonly T[], what: T, all: readonly T[]) =>
    all.filter((x) => (x === what ? !list.includes(x) : list.includes(x)));
  const label = placeLabel(plan, place);
  return (
    <section aria-label={`Label of ${placeSaid(plan, place)}`} className="rounded-2xl bg-paper p-3">
      <h2 className="font-semibold">{placeSaid(plan, place)}</h2>
      <LabelPicture label={label} width={70} height={37} className="mt-1 w-72 max-w-full" />
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <SelectField
          className="w-48"
          label="there is"
          value={place.label}
          options={(Object.keys(STATE) as Label[]).map((l) => [l, STATE[l]] as const)}
          onCommit={(to) => {
            if (set({ label: to, labelSince: to === 'none' ? null : today() }) && to !== 'none')
              jot({ what: 'labelled', placeId: place.id, words: STATE[to].replace(/:.*/, '') });
          }}
        />
        <TextField
          className="w-40"
          label="words on it"
          placeholder={label.name}
          value={place.labelWords}
          onCommit={(labelWords) => set({ labelWords: labelWords.slice(0, 120) })}
        />
      </div>
      <fieldset className="mt-1">
        <legend className="text-[13px] text-soft">it shows</legend>
        <div className="flex flex-wrap gap-x-4">
          {LABEL_SHOWS.map((what) => (
            <CheckField
              key={what}
              label={SHOWS[what]}
              checked={has(place.labelShows, what)}
              onCommit={() => set({ labelShows: swap(place.labelShows, what, LABEL_SHOWS) })}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="text-[13px] text-soft">on these sides (one label each)</legend>
        <div className="flex flex-wrap gap-x-4">
          {LABEL_SIDES.map((side) => (
            <CheckField
              key={side}
              label={side}
              checked={has(place.labelSides, side)}
              onCommit={() => set({ labelSides: swap(place.labelSides, side, LABEL_SIDES) })}
            />
          ))}
        </div>
      </fieldset>
      <div className="mt-1">
        <PhotoField of={placeSaid(plan, place)} photo={place.photo} onCommit={(photo) => set({ photo })} />
      </div>
    </section>
  );
}
