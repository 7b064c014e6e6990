import { Trash2 } from 'lucide-react';
import { DECISIONS, FORMS, HAZARDS, homesOf, isLeaving, LIES, SENSITIVE, type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, DayField, NumberField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { WhereItGoes } from '../../../views/places/WhereItGoes.tsx';
import { DECISION_WORDS } from '../list/columns.ts';
import { Guesses } from './Guesses.tsx';
import { Keeping } from './Keeping.tsx';
import { LifeAndShop } from './LifeAndShop.tsx';
import { Never } from './Never.tsx';
import { Sizes } from './Sizes.tsx';
import { Ticks } from './Ticks.tsx';
import { Wanted } from './Wanted.tsx';

const FORM_WORDS: Record<Supply['form'], string> = {
  block: 'block or box',
  sheet: 'sheet',
  roll: 'roll',
  bottle: 'bottle or jar',
  stick: 'stick or pen',
  spool: 'spool',
  soft: 'soft goods',
  pocket: 'flat, in a pocket',
  loose: 'small and loose',
  machine: 'machine',
  long: 'long',
};
const LIE_WORDS: Record<Supply['lies'][number], string> = {
  flat: 'flat',
  edge: 'on edge',
  upright: 'upright',
  diagonal: 'from corner to corner',
  hanging: 'hanging',
};

/** One supply: sizes of one piece, counts, how it may lie, what to mind. */
export function SupplyEditor({ supply }: { supply: Supply }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const set = (part: Partial<Supply>) =>
    dispatch({
      type: 'setSupply',
      id: supply.id,
      set: part,
    });
  const plan = usePlan((s) => s.plan);
  const homeless = (['working', 'backstock'] as const).filter(
    (share) => supply[share] > 0 && !isLeaving(supply) && homesOf(plan, supply.id, share).length === 0,
  );
  return (
    <div className="space-y-3">
      <TextField label="Name" value={supply.name} onCommit={(name) => set({ name })} />
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label="Family"
          placeholder="what it belongs with"
          value={supply.family}
          onCommit={(family) => set({ family })}
        />
        <TextField label="Maker" placeholder="who makes it" value={supply.maker} onCommit={(maker) => set({ maker })} />
        <TextField
          label="Line"
          placeholder="of which maker’s line"
          value={supply.line}
          onCommit={(line) => set({ line })}
        />
        <TextField
          label="Theme"
          placeholder="birds, winter …"
          value={supply.theme}
          onCommit={(theme) => set({ theme })}
        />
        <SelectField
          label="Form"
          value={supply.form}
          options={FORMS.map((f) => [f, FORM_WORDS[f]] as const)}
          onCommit={(form) => set({ form })}
        />
      </div>
      <Sizes supply={supply} set={set} />
      {homeless.map((share) => (
        <WhereItGoes key={share} supply={supply} share={share} />
      ))}
      <LifeAndShop supply={supply} set={set} />
      <Guesses supply={supply} onSure={() => set({ usual: [], unsure: [], pictured: [], plusMinus: 0 })} />
      <fieldset>
        <legend className="text-[13px] font-semibold">How many</legend>
        <div className="grid grid-cols-2 gap-2">
          <NumberField label="at hand" whole value={supply.working} onCommit={(working) => set({ working })} />
          <NumberField label="in reserve" whole value={supply.backstock} onCommit={(backstock) => set({ backstock })} />
          <NumberField
            label="sold in packs of"
            whole
            min={1}
            max={100_000}
            value={supply.packOf}
            onCommit={(packOf) => set({ packOf })}
          />
          <NumberField
            label="buy when the reserve is below"
            whole
            value={supply.reorderAt ?? 0}
            onCommit={(n) => set({ reorderAt: n > 0 ? n : null })}
          />
        </div>
      </fieldset>
      <Keeping supply={supply} set={set} />
      <SelectField
        label="Decided"
        value={supply.decision}
        options={DECISIONS.map((d) => [d, DECISION_WORDS[d]] as const)}
        onCommit={(decision) => set({ decision, decideBy: null })}
      />
      {supply.decision === 'undecided' && (
        <DayField label="to be decided by" value={supply.decideBy} onCommit={(decideBy) => set({ decideBy })} />
      )}
      <CheckField label="new, not used yet" checked={supply.isNew} onCommit={(isNew) => set({ isNew })} />
      <CheckField
        label={plan.head.display === 'show' ? 'on show' : 'on show, where that counts (How you work)'}
        checked={supply.onShow}
        onCommit={(onShow) => set({ onShow })}
      />
      <Wanted supply={supply} onCommit={(months) => set({ months })} />
      <Ticks legend="It may lie" all={LIES} words={LIE_WORDS} chosen={supply.lies} onCommit={(lies) => set({ lies })} />
      <CheckField label="other things may lie on it" checked={supply.bears} onCommit={(bears) => set({ bears })} />
      <Never supply={supply} />
      <Ticks legend="Mind its" all={HAZARDS} chosen={supply.hazards} onCommit={(hazards) => set({ hazards })} />
      <Ticks
        legend="Keep it from"
        all={SENSITIVE}
        chosen={supply.sensitive}
        onCommit={(sensitive) => set({ sensitive })}
      />
      <TextField label="Note" value={supply.note} onCommit={(note) => set({ note })} />
      <Button
        onClick={() => {
          if (dispatch({ type: 'removeSupply', id: supply.id })) select({ supply: null });
        }}
      >
        <Trash2 size={15} aria-hidden /> Take it out of the plan
      </Button>
    </div>
  );
}
