import { placeSaid } from '@heronstone/core/concepts';
import { LifeAndShop } from './LifeAndShop.tsx';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { factsOf } from '@heronstone/core/catalogue';
import { STORAGE, storageFormsOf } from '@heronstone/core/fit';
import { kindOf } from '@heronstone/core/kinds';
import { formatLength } from '@heronstone/core/lengths';
import { weighSheet, weightIn } from '@heronstone/core/lines';
import {
  type Ban,
  DECISIONS,
  newId,
  FORMS,
  HAZARDS,
  homesOf,
  isLeaving,
  LIES,
  monthWords,
  restingMonths,
  SENSITIVE,
  type Sized,
  type Supply,
  wantedMonths,
} from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { MonthsField } from '../../../ui/months.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField, WeightField } from '../../../ui/fields.tsx';

import { DECISION_WORDS } from './columns.ts';
import { WhereItGoes } from '../../../views/places/BestPlaces.tsx';
import { StorageSheet } from './StorageSheet.tsx';

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
  const [storing, setStoring] = useState(false);
  const homeless = (['working', 'backstock'] as const).filter(
    (share) => supply[share] > 0 && !isLeaving(supply) && homesOf(plan, supply.id, share).length === 0,
  );
  const others = storageFormsOf(supply).filter((form) => form !== supply.storage);
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
      <fieldset>
        <legend className="text-[13px] font-semibold">One piece, as it lies flat</legend>
        <div className="grid grid-cols-3 gap-2">
          {size('width', 'width')}
          {size('depth', 'depth')}
          {size('height', supply.form === 'sheet' ? 'thickness' : 'height')}
        </div>
        <div className="mt-1 grid grid-cols-3 gap-2">
          <WeightField label="weight" bare="g" max={200_000} g={supply.mass} onCommit={(mass) => set({ mass })} />
          {supply.form === 'sheet' && <PaperWeight supply={supply} onCommit={set} />}
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
      {(supply.form === 'roll' || supply.form === 'soft') && (
        <fieldset>
          <legend className="text-[13px] font-semibold">Opened out, to cut from</legend>
          <div className="grid grid-cols-2 gap-2">
            <LengthField
              label="face"
              empty="not said"
              optional
              positive
              mm={supply.openWidth}
              onCommit={(openWidth) => set({ openWidth })}
            />
            <LengthField
              label="length left"
              empty="not said"
              optional
              positive
              mm={supply.openLength}
              onCommit={(openLength) => set({ openLength })}
            />
          </div>
        </fieldset>
      )}
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
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="Kept"
          value={supply.storage}
          options={storageFormsOf(supply)
            .concat(supply.storage)
            .filter((f, i, all) => all.indexOf(f) === i)
            .map((f) => [f, STORAGE[f].name] as const)}
          onCommit={(storage) => set({ storage })}
        />
        <SelectField
          label="Decided"
          value={supply.decision}
          options={DECISIONS.map((d) => [d, DECISION_WORDS[d]] as const)}
          onCommit={(decision) => set({ decision, decideBy: null })}
        />
      </div>
      {others.length > 0 && (
        <fieldset className="text-[14px]">
          <legend className="text-[13px] text-soft">May also be kept, where that makes a better home</legend>
          <div className="flex flex-wrap gap-x-3">
            {others.map((form) => (
              <label key={form} className="inline-flex items-center gap-1">
                <input
                  type="checkbox"
                  checked={supply.mayKeep.includes(form)}
                  onChange={(e) =>
                    set({
                      mayKeep: e.target.checked
                        ? [...supply.mayKeep, form]
                        : supply.mayKeep.filter((other) => other !== form),
                    })
                  }
                />
                {STORAGE[form].name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      <CheckField label="new, not used yet" checked={supply.isNew} onCommit={(isNew) => set({ isNew })} />
      <CheckField
        label={plan.head.display === 'show' ? 'on show' : 'on show, where that counts (How you work)'}
        checked={supply.onShow}
        onCommit={(onShow) => set({ onShow })}
      />
      <Wanted supply={supply} onCommit={(months) => set({ months })} />
      {supply.decision === 'undecided' && (
        <label className="block text-[13px] text-soft">
          to be decided by
          <input
            type="date"
            className="block min-h-[34px] w-full rounded-md border border-edge bg-paper px-2 text-[15px] text-ink"
            value={supply.decideBy ?? ''}
            onChange={(e) => set({ decideBy: e.target.value || null })}
          />
        </label>
      )}
      <Button onClick={() => setStoring(true)}>Other ways to keep it …</Button>
      {storing && <StorageSheet plan={plan} supplies={[supply]} onClose={() => setStoring(false)} />}
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

/** The weight of a paper, as g/m² or pounds of a basis (80 lb cover); what a sheet weighs follows where its size is known. */
function PaperWeight({ supply, onCommit }: { supply: Supply; onCommit: (part: Partial<Supply>) => boolean }) {
  return (
    <TextField
      label="paper weight"
      placeholder="216 g or 80 lb cover"
      value={supply.grammage === null ? '' : `${supply.grammage} g/m²`}
      onCommit={(text) => {
        if (text.trim() === '') return onCommit({ grammage: null });
        const bare = /^\d+(?:[.,]\d+)?$/.test(text.trim());
        const said = weightIn(bare ? `${text.trim()} g/m²` : text, true);
        if (!said || said.rest !== '' || !('grammage' in said.weight) || said.weight.grammage > 5000) {
          toast(`“${text}” is no weight of paper: 216 g, or 80 lb cover, text, index or bond.`);
          return false;
        }
        const heavier = { ...supply, ...said.weight };
        weighSheet(heavier);
        return onCommit({ grammage: heavier.grammage, mass: heavier.mass });
      }}
    />
  );
}

/** In which months it is wanted, and where it rests in the others. */
function Wanted({ supply, onCommit }: { supply: Supply; onCommit: (months: number[]) => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const navigate = useNavigate();
  const [rests] = homesOf(plan, supply.id, 'resting');
  const place = rests && plan.places[rests.placeId];
  const resting = restingMonths(plan, supply);
  const seasonal = resting.length > 0;
  return (
    <div>
      <MonthsField label="Wanted only in these months" months={supply.months} onCommit={onCommit} />
      <p className="mt-0.5 text-[14px] text-soft">
        {supply.months.length === 0 &&
          (seasonal
            ? `None pressed: as what uses it is made, ${monthWords(wantedMonths(plan, supply))}. `
            : 'None pressed: wanted all the year. ')}
        {place && seasonal && `In ${monthWords(resting)} it rests in ${placeSaid(plan, place)}. `}
        {place && !seasonal && `It is said to rest in ${placeSaid(plan, place)}, and is wanted all the year. `}
        {!place && seasonal && 'Out of its season it stays where it is. '}
        {seasonal && (
          <button
            type="button"
            className="text-heron underline"
            onClick={() => void navigate(`/p/${plan.id}/homes?supply=${supply.id}&share=resting`)}
          >
            Where it rests …
          </button>
        )}
        {place && !seasonal && (
          <button
            type="button"
            className="text-heron underline"
            onClick={() => dispatch({ type: 'leaveHome', supplyId: supply.id, share: 'resting' })}
          >
            Take that away
          </button>
        )}
      </p>
    </div>
  );
}

const GUESS_WORDS: Record<Sized, string> = {
  width: 'width',
  depth: 'depth',
  height: 'height',
  mass: 'weight',
  working: 'how many at hand',
  backstock: 'how many in reserve',
};

/** What of it nobody measured; a size that is typed is known from then on. */
function Guesses({ supply, onSure }: { supply: Supply; onSure: () => void }) {
  const measure = usePlan((s) => s.plan.head.measure);
  const kind = kindOf(supply.kind);
  const usual = supply.usual.filter((f) => !supply.unsure.includes(f));
  const seen = supply.pictured;
  if (usual.length + supply.unsure.length + seen.length === 0) return null;
  const say = (list: readonly Sized[]) => list.map((f) => GUESS_WORDS[f]).join(', ');
  return (
    <div className="rounded-lg bg-stone px-3 py-2 text-[14px]">
      {usual.length > 0 && (
        <p>
          Usual for {kind ? kind.name : 'such things'}, not measured: {say(usual)}.{' '}
          <span className="text-soft">{kind?.source}</span>
        </p>
      )}
      {supply.unsure.length > 0 && <p>Guessed: {say(supply.unsure)}.</p>}
      {seen.length > 0 && (
        <p>
          By picture, ± {formatLength(supply.plusMinus, measure)}: {say(seen)}.
        </p>
      )}
      <button type="button" className="mt-1 text-heron underline" onClick={onSure}>
        It is all right as it stands
      </button>
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
