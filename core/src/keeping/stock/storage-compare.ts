import { heldAs, STORAGE, storageFormsOf } from '../../things/fit/index.ts';
import { type Plan, STORAGE_FORMS, type StorageForm, type Supply } from '../../record/plan/index.ts';
import { SECONDS_PER_TMU, storedTmu, TMU } from '../../space/reach/index.ts';
import { yearlyUses } from '../../living/homes/index.ts';
import { needOf } from '../../living/zones/index.ts';
import { roomWordsOf, type TapeName, tapeOf } from './budget.ts';

/** The chosen things kept one way: what room that takes, what a fetch costs more or less than as bought, and what is to be bought. */
export type StorageOption = {
  form: StorageForm;
  name: string;
  /** room by kind of room, in its measure */
  room: { tape: TapeName; amount: number; words: string }[];
  /** outer litres of what is kept, sheets, jars and cards counted whole */
  litres: number;
  /** seconds that one fetch costs more than as bought, on the mean of the chosen */
  seconds: number;
  /** hours a year of all their fetches */
  hoursAYear: number;
  /** “15 magnet sheets”; null: nothing */
  buy: string | null;
  /** ids of those that are kept so now */
  now: string[];
};

/** Ways that all of the chosen things may be kept, each worked out; as bought first. */
export function compareStorage(plan: Plan, supplies: readonly Supply[]): StorageOption[] {
  const allowed = STORAGE_FORMS.filter((form) => supplies.every((s) => storageFormsOf(s).includes(form)));
  return allowed.map((form) => optionOf(plan, supplies, form));
}

function optionOf(plan: Plan, supplies: readonly Supply[], form: StorageForm): StorageOption {
  const room = new Map<TapeName, number>();
  let litres = 0;
  let buying = 0;
  let seconds = 0;
  let year = 0;
  for (const supply of supplies) {
    const kept = { ...supply, storage: form };
    const count = supply.working + supply.backstock;
    const need = needOf(kept, count, undefined);
    if (need) {
      const tape = tapeOf(need.kind, need.nature);
      room.set(tape, (room.get(tape) ?? 0) + need.amount);
    }
    const { supply: held, per } = heldAs(kept);
    const holders = Math.ceil(count / per);
    if (held.width !== null && held.depth !== null)
      litres += (held.width * held.depth * (held.height ?? 0) * holders) / 1e6;
    buying += holders;
    // what is used up is not put back
    const more = (consumed: boolean) => (storedTmu(form, consumed) + jumble(form, supply)) * SECONDS_PER_TMU;
    seconds += more(false);
    for (const { fetches, consumed } of yearlyUses(plan, supply, 'working')) year += fetches * more(consumed);
  }
  const { name, buy } = STORAGE[form];
  return {
    form,
    name,
    room: [...room].map(([tape, amount]) => ({ tape, amount, words: roomWordsOf(tape, amount, plan.head) })),
    litres,
    seconds: supplies.length > 0 ? seconds / supplies.length : 0,
    hoursAYear: year / 3600,
    buy: buy && buying > 0 ? `${buying} ${buying === 1 ? buy[0] : buy[1]}` : null,
    now: supplies.filter((s) => s.storage === form).map((s) => s.id),
  };
}

/** Picking from a jumble takes longer than taking what stands there, TMU; what is small and loose is a jumble anyway. */
function jumble(form: StorageForm, supply: Supply): number {
  if (form !== 'loose' || supply.form === 'loose') return 0;
  const flat = supply.form === 'sheet' || supply.form === 'pocket';
  return TMU.graspJumbleLarge - (flat ? TMU.graspFlat : TMU.graspClear);
}
