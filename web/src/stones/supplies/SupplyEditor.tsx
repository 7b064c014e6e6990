import { Trash2 } from 'lucide-react';
import { factsOf } from '@heronstone/core/catalogue';
import { type Ban, newId, FORMS, HAZARDS, LIES, SENSITIVE, type Supply } from '@heronstone/core/plan';
import { asSeen } from '../../state/as-seen.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField, WeightField } from '../../ui/fields.tsx';

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
      was: asSeen(supply, part),
    });
  const size = (key: 'width' | 'depth' | 'height', label: string) => (
    <LengthField label={label} optional positive mm={supply[key]} onCommit={(mm) => set({ [key]: mm })} />
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
        <SelectField
          label="Form"
          value={supply.form}
          options={FORMS.map((f) => [f, FORM_WORDS[f]] as const)}
          onCommit={(form) => set({ form })}
        />
      </div>
      <fieldset>
        <legend className="text-[13px] font-semibold">One piece, as it lies flat</legend>
        <div className="grid grid-cols-3 gap-2">
          {size('width', 'width')}
          {size('depth', 'depth')}
          {size('height', supply.form === 'sheet' ? 'thickness' : 'height')}
        </div>
        <div className="mt-1 grid grid-cols-3 gap-2">
          <WeightField label="weight" bare="g" max={200_000} g={supply.mass} onCommit={(mass) => set({ mass })} />
          {supply.form === 'sheet' && (
            <NumberField
              label="paper weight"
              unit="g/m²"
              max={5000}
              value={supply.grammage ?? 0}
              onCommit={(n) => set({ grammage: n > 0 ? n : null })}
            />
          )}
          <NumberField
            label="stacked at most"
            whole
            max={10_000}
            value={supply.stackLimit ?? 0}
            unit={supply.stackLimit ? 'high' : 'any'}
            onCommit={(n) => set({ stackLimit: n > 0 ? n : null })}
          />
        </div>
      </fieldset>
      <fieldset>
        <legend className="text-[13px] font-semibold">How many</legend>
        <div className="grid grid-cols-2 gap-2">
          <NumberField label="at hand" whole value={supply.working} onCommit={(working) => set({ working })} />
          <NumberField label="in reserve" whole value={supply.backstock} onCommit={(backstock) => set({ backstock })} />
        </div>
      </fieldset>
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

/** Where it must never live, and the zone it belongs to whatever uses it. */
function Never({ supply }: { supply: Supply }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const bans = Object.values(plan.bans).filter((b) => b.supplyId === supply.id);
  const heights = bans.find((b) => b.unitId === null);
  const units = Object.values(plan.units).filter((u) => factsOf(u.kind).places !== null);
  const zones = Object.values(plan.zones);
  const height = (part: Partial<Pick<Ban, 'above' | 'below'>>) => {
    const next = { above: heights?.above ?? null, below: heights?.below ?? null, ...part };
    if (heights && next.above === null && next.below === null) dispatch({ type: 'removeBan', id: heights.id });
    else if (heights) dispatch({ type: 'setBan', id: heights.id, set: part });
    else dispatch({ type: 'addBan', ban: { id: newId('ban'), supplyId: supply.id, unitId: null, ...next } });
  };
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold">It never lives</legend>
      <div className="grid grid-cols-3 gap-2">
        <LengthField
          label="above"
          empty="any height"
          optional
          positive
          mm={heights?.above ?? null}
          onCommit={(above) => height({ above })}
        />
        <LengthField
          label="below"
          empty="any height"
          optional
          positive
          mm={heights?.below ?? null}
          onCommit={(below) => height({ below })}
        />
        <SelectField
          label="in"
          value=""
          options={[
            ['', 'any unit it likes'],
            ...units.filter((u) => !bans.some((b) => b.unitId === u.id)).map((u) => [u.id, u.name] as const),
          ]}
          onCommit={(unitId) =>
            unitId !== '' &&
            dispatch({
              type: 'addBan',
              ban: { id: newId('ban'), supplyId: supply.id, unitId, above: null, below: null },
            })
          }
        />
      </div>
      {bans
        .filter((b) => b.unitId !== null)
        .map((b) => (
          <p key={b.id} className="flex items-center gap-1 text-[14px]">
            not in {plan.units[b.unitId!]?.name}
            <Button
              look="quiet"
              className="!px-1"
              aria-label={`Let it live in ${plan.units[b.unitId!]?.name}`}
              onClick={() => dispatch({ type: 'removeBan', id: b.id })}
            >
              <Trash2 size={13} aria-hidden />
            </Button>
          </p>
        ))}
      {zones.length > 0 && (
        <SelectField
          label="it belongs to the zone"
          value={supply.zoneId ?? ''}
          options={[['', 'of what uses it'], ...zones.map((z) => [z.id, z.name] as const)]}
          onCommit={(id) => dispatch({ type: 'setSupply', id: supply.id, set: { zoneId: id || null } })}
        />
      )}
    </fieldset>
  );
}

function Ticks<T extends string>({
  legend,
  all,
  words,
  chosen,
  onCommit,
}: {
  legend: string;
  all: readonly T[];
  words?: Record<T, string>;
  chosen: readonly T[];
  onCommit: (next: T[]) => void;
}) {
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-1">
        {all.map((t) => {
          const on = chosen.includes(t);
          return (
            <button
              key={t}
              type="button"
              aria-pressed={on}
              className={`rounded-full border px-2.5 py-0.5 text-[14px] ${on ? 'border-ink bg-ink text-ground' : 'border-line bg-paper'}`}
              onClick={() => onCommit(on ? chosen.filter((c) => c !== t) : [...chosen, t])}
            >
              {words?.[t] ?? t}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
