import { measureOf } from '@heronstone/core/fit';
import { type Plan } from '@heronstone/core/plan';
import { type Balance } from '@heronstone/core/zones';

/** Need and offer of each nature as two bars on one scale. */
export function Bars({ plan, balance }: { plan: Plan; balance: readonly Balance[] }) {
  if (balance.length === 0) return null;
  return (
    <table className="mt-1 w-full text-[13px]">
      <thead className="sr-only">
        <tr>
          <th>kind of room</th>
          <th>needed and kept</th>
          <th>in figures</th>
        </tr>
      </thead>
      <tbody>
        {balance.map(({ nature, needs, offers }) => {
          const most = Math.max(needs, offers, 1e-9);
          const words = (mm: number) => measureOf(nature, mm, plan.head);
          return (
            <tr key={nature}>
              <td className="w-14 pr-2">{ROOM_WORDS[nature]}</td>
              <td className="w-28">
                <span className="block h-1.5 rounded-sm bg-ink" style={{ width: `${(100 * needs) / most}%` }} />
                <span
                  className={`mt-0.5 block h-1.5 rounded-sm ${offers < needs ? 'bg-clash' : 'bg-heron'}`}
                  style={{ width: `${(100 * offers) / most}%` }}
                />
              </td>
              <td className={`pl-2 ${offers < needs ? 'text-clash' : 'text-soft'}`}>
                {needs > 0 ? `needs ${words(needs)}, has ${words(offers)}` : `has ${words(offers)}`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const ROOM_WORDS: Record<Balance['nature'], string> = {
  row: 'shelf',
  area: 'drawer',
  bulk: 'bins',
  pile: 'piles',
  pockets: 'pockets',
};
