import { NATURES, natureOfKind } from '@heronstone/core/catalogue';
import { holderOf } from '@heronstone/core/fit';
import { type Command, natureOf, type Place, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { CheckField, NumberField, SelectField, TextField } from '../../../ui/fields/index.ts';

const NATURE_WORDS: Record<(typeof NATURES)[number], string> = {
  row: 'side by side in a row',
  area: 'laid out on its floor',
  bulk: 'just thrown in',
  pile: 'piled flat on each other',
  pockets: 'in pockets',
};

/** How it holds, whom it is kept for, whether it has a lock. */
export function PlaceSettings({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const usual = natureOfKind(place.kind);
  const set = (part: (Command & { type: 'setPlace' })['set']) =>
    dispatch({ type: 'setPlace', id: place.id, set: part });
  return (
    <div className="space-y-1 border-t border-line pt-1">
      <SelectField
        label="things lie here"
        value={natureOf(place)}
        options={NATURES.map((n) => [n, NATURE_WORDS[n]] as const)}
        onCommit={(nature) => set({ nature: nature === usual ? null : nature })}
      />
      {natureOf(place) === 'pockets' && (
        <NumberField
          label="pockets"
          whole
          max={2000}
          value={holderOf(place).pockets}
          onCommit={(pockets) => set({ pockets })}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="kept for"
          value={place.zoneId ?? ''}
          options={[['', 'as its unit'], ...Object.values(plan.zones).map((z) => [z.id, z.name] as const)]}
          onCommit={(zoneId) => set({ zoneId: zoneId === '' ? null : zoneId })}
        />
        <TextField
          label="kept out for"
          placeholder="nothing: homes may be here"
          value={place.keptOut}
          onCommit={(keptOut) => set({ keptOut })}
        />
      </div>
      <CheckField label="has a lock" checked={place.lockable} onCommit={(lockable) => set({ lockable })} />
    </div>
  );
}
