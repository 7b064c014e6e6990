import { placeSaid } from '@heronstone/core/concepts';
import { formatWeight } from '@heronstone/core/lengths';
import { isLeaving, type Plan, homeOf } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { Sheet } from '../../../ui/sheet.tsx';
import { countWords } from '../../../ui/words.ts';

/** What leaves the house, as a list to print; and, once it is gone, out of the plan. */
export function Leaving({ plan, onClose }: { plan: Plan; onClose: () => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const all = Object.values(plan.supplies).filter(isLeaving);
  const gone = (decision: 'passOn' | 'throw') => {
    const commands = all
      .filter((s) => s.decision === decision)
      .map((s) => ({ type: 'removeSupply' as const, id: s.id }));
    const words = `${commands.length} things have left the house`;
    if (dispatch({ type: 'several', words, commands }) && commands.length === all.length) onClose();
  };
  return (
    <Sheet title="What leaves the house" onClose={onClose} wide>
      <div data-print>
        {(
          [
            ['passOn', 'Pass on'],
            ['throw', 'Throw'],
          ] as const
        ).map(([decision, title]) => {
          const list = all
            .filter((s) => s.decision === decision)
            .sort((a, b) => a.family.localeCompare(b.family) || a.name.localeCompare(b.name));
          if (list.length === 0) return null;
          const grams = list.reduce((sum, s) => sum + s.mass * (s.working + s.backstock), 0);
          return (
            <section key={decision} className="mt-2">
              <h3 className="font-display text-lg">
                {title}: {countWords(list.length, 'thing', 'things')}
                {grams > 0 && <span className="text-soft"> · {formatWeight(grams, plan.head.measure)}</span>}
              </h3>
              <ul>
                {list.map((s) => {
                  const home = homeOf(plan, s.id, 'working');
                  const place = home && plan.places[home.placeId];
                  return (
                    <li key={s.id} className="flex gap-2 border-b border-line py-0.5">
                      <span aria-hidden>☐</span>
                      <span className="w-12 text-right">{s.working + s.backstock} ×</span>
                      <span className="grow">
                        {s.name}
                        {s.hazards.some((h) => h === 'toxic' || h === 'flammable' || h === 'fumes') && (
                          <span className="text-clash"> (hazardous waste: as your council says)</span>
                        )}
                      </span>
                      <span className="text-soft">{place ? placeSaid(plan, place) : ''}</span>
                    </li>
                  );
                })}
              </ul>
              <Button className="mt-1.5 print:hidden" onClick={() => gone(decision)}>
                They have left: take them out of the plan
              </Button>
            </section>
          );
        })}
      </div>
      {all.length === 0 && <p className="text-soft">Nothing any more.</p>}
      <div className="mt-4 print:hidden">
        <Button look="main" onClick={() => window.print()} disabled={all.length === 0}>
          Print
        </Button>
      </div>
    </Sheet>
  );
}
