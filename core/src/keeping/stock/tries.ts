import { formatVolume } from '../../measures/lengths/index.ts';
import { heldAs, STORAGE, storageFormsOf } from '../../things/fit/index.ts';
import {
  apply,
  type Command,
  type Plan,
  placeTitle,
  STORAGE_FORMS,
  type StorageForm,
  type Supply,
} from '../../record/plan/index.ts';
import { type Budget, budgetOf, LEAVING, roomWordsOf, type Tape } from './budget.ts';
import { setMany } from './rules.ts';

/** Something tried on a copy: what the budget would be, and (where it is one) the change that makes it so. */
export type Try = {
  id: string;
  words: string;
  budget: (plan: Plan) => Budget;
  command: (plan: Plan) => Command | null;
};

const after = (plan: Plan, command: Command | null): Plan => {
  const done = command && apply(plan, command);
  return done?.ok ? done.plan : plan;
};

/** What is worth trying: more places of the kind that is short, another way of keeping what takes most, the undecided gone. */
export function triesFor(plan: Plan, budget: Budget): Try[] {
  return [...morePlaces(plan, budget), ...otherForms(plan), ...undecidedGone(plan)];
}

function morePlaces(plan: Plan, budget: Budget): Try[] {
  const short = budget.tapes.filter((t) => t.more.length > 0);
  return short.slice(0, 3).map((tape) => {
    const [most] = tape.more as [Tape['more'][number]];
    const place = plan.places[most.place]!;
    const zone = tape.zoneId === null ? '' : ` for ${plan.zones[tape.zoneId]?.name ?? ''}`;
    const offer = tape.demand.likely - tape.offer;
    return {
      id: `more ${tape.zoneId ?? ''} ${tape.tape}`,
      words: `${most.count} more like ${placeTitle(plan, place)}${zone} (${roomWordsOf(tape.tape, offer, plan.head)} are missing)`,
      budget: (now) => {
        const then = budgetOf(now);
        return {
          ...then,
          tapes: then.tapes.map((t) =>
            t.zoneId === tape.zoneId && t.tape === tape.tape
              ? { ...t, offer: Math.max(t.offer, t.demand.likely), more: [] }
              : t,
          ),
        };
      },
      // a place comes with a unit, which is chosen and placed under Furniture
      command: () => null,
    };
  });
}

/** Ways of keeping that would make the most room, each for everything it suits. */
function otherForms(plan: Plan): Try[] {
  const size = (s: Supply) => {
    const { supply, per } = heldAs(s);
    return supply.width === null || supply.depth === null
      ? 0
      : (supply.width * supply.depth * (supply.height ?? 0.3) * Math.ceil((s.working + s.backstock) / per)) / 1e6;
  };
  const saved = new Map<StorageForm, { supplies: Supply[]; litres: number }>();
  for (const supply of Object.values(plan.supplies)) {
    // only what is known to be kept so by others: of a thing without a kind the maker decides by herself
    if (supply.storage !== 'asBought' || supply.kind === '' || LEAVING.includes(supply.decision)) continue;
    for (const form of storageFormsOf(supply)) {
      if (form === 'asBought') continue;
      const litres = size(supply) - size({ ...supply, storage: form });
      if (litres <= 0.02) continue;
      const of = saved.get(form) ?? { supplies: [], litres: 0 };
      of.supplies.push(supply);
      of.litres += litres;
      saved.set(form, of);
    }
  }
  return STORAGE_FORMS.flatMap((form): Try[] => {
    const of = saved.get(form);
    if (!of) return [];
    const ids = of.supplies.map((s) => s.id);
    const command = () => setMany(ids, { storage: form }, `keep ${ids.length} ${STORAGE[form].name}`);
    const what =
      of.supplies.length === 1
        ? of.supplies[0]!.name
        : `${of.supplies.length} things (${[...new Set(of.supplies.map((s) => s.family || s.name))].slice(0, 2).join(', ')} …)`;
    return [
      {
        id: `form ${form}`,
        words: `${what} ${STORAGE[form].name}: ${formatVolume(of.litres, plan.head, 1)} less`,
        budget: (now) => budgetOf(after(now, command())),
        command,
      },
    ];
  });
}

function undecidedGone(plan: Plan): Try[] {
  const undecided = Object.values(plan.supplies).filter((s) => s.decision === 'undecided');
  if (undecided.length === 0) return [];
  return [
    {
      id: 'undecided',
      words: `everything undecided left (${undecided.length})`,
      budget: (now) => budgetOf(now, [...LEAVING, 'undecided']),
      command: () =>
        setMany(
          undecided.map((s) => s.id),
          { decision: 'passOn', decideBy: null },
          `pass on ${undecided.length} undecided`,
        ),
    },
  ];
}
