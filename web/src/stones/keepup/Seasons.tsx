import { CalendarDays } from 'lucide-react';
import { formatVolume, formatWeight } from '@heronstone/core/lengths';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { monthWords } from '@heronstone/core/plan';
import { placeSaid } from '@heronstone/core/concepts';
import { seasonBoxes, seasonChanges } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { doing, fetched } from '../../parts/fetched.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { countWords, today } from '../../ui/words.ts';
import { YearRing } from './YearRing.tsx';

/** A box heavier than this is a hard lift for most, g (see Findings for the reckoning of a lift). */
const HEAVY = 12_000;

/** Boxes in and out round the year: what they free, what they weigh, where they are carried; as a calendar too. */
export default function Seasons() {
  const plan = usePlan((s) => s.plan);
  const [chosen, setChosen] = useState<string | null>(null);
  const day = today();
  const boxes = useMemo(() => seasonBoxes(plan), [plan]);
  const due = useMemo(() => seasonChanges(plan, day), [plan, day]);
  const save = async () => {
    const { calendarOf } = await fetched(() => import('@heronstone/core/calendar'));
    const written = calendarOf(plan, day);
    if (!written.ok) return void toast(written.reason);
    saveFile(`${plan.head.name.replace(/[^\w-]+/g, '-')}.ics`, 'text/calendar', written.text);
    toast('A calendar file: open it with the calendar you keep.');
  };
  if (boxes.length === 0)
    return (
      <div className="max-w-xl py-4">
        <p>
          Nothing here has a season yet. Say of a thing in which months it is wanted (Supplies, List), and give it a
          home to rest in (Homes): it then goes out after its season and comes in a month before.
        </p>
        <Button className="mt-3" onClick={() => doing(save)}>
          <CalendarDays size={15} aria-hidden /> Calendar file
        </Button>
      </div>
    );
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-3 lg:grid-cols-[26rem_minmax(0,1fr)]">
      <YearRing boxes={boxes} day={day} chosen={chosen} />
      <section aria-label="Seasonal boxes">
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => doing(save)}>
            <CalendarDays size={15} aria-hidden /> Calendar file
          </Button>
          <p className="text-[14px] text-soft">
            In from a month before the first month of its season, out after the last.
          </p>
        </div>
        <ul className="mt-2 divide-y divide-line">
          {boxes.map((box, i) => {
            const change = due.find((c) => c.box.id === box.id);
            return (
              <li
                key={box.id}
                className={`flex flex-wrap items-center gap-x-3 gap-y-1 py-2 ${chosen === box.id ? 'bg-stone/60' : ''}`}
                onPointerEnter={() => setChosen(box.id)}
                onPointerLeave={() => setChosen(null)}
              >
                <div className="min-w-56 grow">
                  <p className="font-semibold">
                    <span className="text-soft">{i + 1}</span> {box.name}
                  </p>
                  <p className="text-[14px] text-soft">
                    wanted {monthWords(box.months)}; {countWords(box.supplies.length, 'thing', 'things')},{' '}
                    {formatWeight(box.grams, plan.head.measure)}
                    {box.litres !== null && `, frees ${formatVolume(box.litres, plan.head, 0)} while it is away`}
                  </p>
                  <p className={`text-[14px] ${box.rests ? 'text-soft' : 'text-clash'}`}>
                    {box.rests
                      ? `rests in ${placeSaid(plan, box.rests)}`
                      : 'has nowhere to rest: it stays in the room all the year. Give it a home to rest in at Homes.'}
                  </p>
                  {box.grams > HEAVY && box.rests && (
                    <p className="text-[14px] text-clash">
                      Heavy for one lift, more so over steps or a ladder: split it, or carry it by two.
                    </p>
                  )}
                </div>
                {change && (
                  <Button
                    look="main"
                    aria-label={`${change.way === 'in' ? 'It is in' : 'It is out'}: ${box.name}`}
                    onClick={() =>
                      jot(
                        ...change.box.supplies.map((s) => ({
                          ...{
                            what: 'season' as const,
                            supplyId: s.id,
                            placeId: box.rests?.id ?? null,
                            words: change.way,
                          },
                        })),
                      )
                    }
                  >
                    {change.way === 'in' ? 'It is in' : 'It is out'}
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}
