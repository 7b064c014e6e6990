import { type Plan } from '@heronstone/core/plan';
import { inSlot, type SlotRow } from '@heronstone/core/stock';

/** A row as it will look: a slot each, filled with its colour; a gap is an empty slot. */
export function Drawn({
  plan,
  row,
  slots,
  title,
  marked,
}: {
  plan: Plan;
  row: SlotRow;
  slots: readonly (string | null)[];
  title: string;
  marked?: string;
}) {
  return (
    <figure className="rounded-lg bg-stone p-2">
      <figcaption className="mb-1 text-[14px]">{title}</figcaption>
      <ol className="flex h-20 items-end gap-[3px]" aria-label={title}>
        {slots.map((id, i) => {
          const supply = id === null ? undefined : plan.supplies[id];
          const place = row.places.length > 1 ? row.places[i] : undefined;
          const share = supply && place ? (inSlot(place, supply, supply.working)?.share ?? 1) : 1;
          const name = supply ? `${i + 1}: ${supply.name}` : `${i + 1}: empty`;
          return (
            <li
              key={i}
              title={name}
              className={`relative h-full min-w-0 grow overflow-hidden rounded-sm border bg-paper ${id === marked && marked ? 'border-2 border-heron' : 'border-edge'}`}
            >
              <span className="sr-only">{name}</span>
              {supply && (
                <span
                  aria-hidden
                  className="absolute inset-y-0 left-0 border-r border-edge"
                  style={{
                    background: supply.colour ?? 'var(--wood)',
                    width: `${Math.max(0.12, Math.min(1, share)) * 100}%`,
                  }}
                />
              )}
            </li>
          );
        })}
      </ol>
    </figure>
  );
}
