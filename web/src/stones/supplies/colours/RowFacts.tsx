import { formatLength, formatWeight } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { inSlot, rowMass, type SlotRow } from '@heronstone/core/stock';
import { countWords } from '../../../ui/words.ts';

/** What does not stand well in its slot: too large, more than goes in, a stop wanted behind, or so few that they bow. */
export function Facts({ plan, row, slots }: { plan: Plan; row: SlotRow; slots: readonly (string | null)[] }) {
  if (row.places.length === 1) return null;
  const told = slots.flatMap((id, i) => {
    const supply = id === null ? undefined : plan.supplies[id];
    const facts = supply && inSlot(row.places[i]!, supply, supply.working);
    if (!supply || !facts) return [];
    const words =
      facts.most === 0
        ? 'the sheet does not go in'
        : supply.working > facts.most && slots.indexOf(id) === slots.lastIndexOf(id)
          ? `${facts.most} of ${supply.working} go in`
          : facts.stop > 0
            ? `needs a stop ${formatLength(facts.stop, plan.head.measure)} from the back`
            : facts.bows
              ? `only ${Math.round(facts.share * 100)} % full: it will lean and bow (common practice: two thirds at least)`
              : null;
    return words === null ? [] : [{ id: `${i} ${supply.id}`, name: supply.name, slot: i + 1, words }];
  });
  const { now, full, load } = rowMass(plan, row);
  const weight = (g: number) => formatWeight(g, plan.head.measure);
  const mass =
    full > 0 ? (
      <p className={`text-[14px] ${now > load ? 'text-clash' : 'text-soft'}`}>
        It holds {weight(now)} of paper, with every slot full {weight(full)}
        {full > load &&
          `, and its slots are to carry ${weight(load)}: stand it on something firm, fix a tall unit to the wall`}
        .
      </p>
    ) : null;
  if (told.length === 0) return mass;
  return (
    <>
      {mass}
      <details>
        <summary className="cursor-pointer">
          {countWords(told.length, 'slot', 'slots')} to look at: stops, bowing, too much
        </summary>
        <ul className="text-[14px]">
          {told.map((t) => (
            <li key={t.id}>
              Slot {t.slot}, {t.name}: {t.words}.
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}
