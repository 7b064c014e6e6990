import { formatLength } from '@heronstone/core/lengths';
import { heightOff, worktopWanted, type WorktopWanted } from '@heronstone/core/body';
import { CATALOGUE, TOP } from '@heronstone/core/catalogue';
import { type Activity, type Person, WORK_CLASSES } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';

const WORK_WORDS = { fine: 'fine work', light: 'light work', heavy: 'pressing' } as const;

/** Worktop heights wanted for each kind of work, and how far each table of the room is off. */
export function Heights({ person, activity }: { person: Person; activity: Activity | null }) {
  const plan = usePlan((s) => s.plan);
  const len = (mm: number) => formatLength(Math.round(mm), plan.head.measure);
  const tables = Object.values(plan.units).filter((u) => CATALOGUE[u.kind].worktop);
  const chair = 0.26 * person.stature + 25;
  const rows = WORK_CLASSES.flatMap((work) =>
    ([null, chair] as const)
      .filter((seat) =>
        person.mobility === 'standing' ? seat === null : person.mobility === 'wheelchair' ? seat !== null : true,
      )
      .map((seat) => ({ work, seat, want: worktopWanted(person, work, seat, TOP) })),
  );
  const off = (top: number, want: WorktopWanted) => {
    const by = heightOff(top, want);
    return Math.abs(by) < 1 ? 'right' : `${len(Math.abs(by))} too ${by < 0 ? 'low' : 'high'}`;
  };
  return (
    <details open>
      <summary className="cursor-pointer text-[13px] text-soft">Worktops for {person.name}</summary>
      <table className="w-full text-[13px]">
        <tbody>
          {rows.map(({ work, seat, want }) => (
            <tr
              key={`${work}${seat}`}
              className={`border-t border-line align-top ${activity?.work === work ? '' : 'text-soft'}`}
            >
              <th className="py-0.5 pr-1 text-left font-medium">
                {WORK_WORDS[work]}, {seat === null ? 'standing' : 'sitting'}
                <span className="block font-normal">
                  {want.lap
                    ? `as low as it goes, ${len(want.low)}; better standing or on a lower seat`
                    : `${len(want.low)} to ${len(want.high)}`}
                </span>
              </th>
              <td className="py-0.5">
                {tables.map((t) => (
                  <span key={t.id} className="block">
                    {t.name}: {off(t.bottom + t.height, want)}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
