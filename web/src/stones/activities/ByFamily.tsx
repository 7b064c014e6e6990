import { ChevronDown, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { type Activity, type Command, newId } from '@heronstone/core/plan';
import { type FamilyUses, familyCommands, familyUses, usualFetches, usuallyWanted } from '@heronstone/core/sessions';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, NumberField } from '../../ui/fields/index.ts';
import { countWords } from '../../ui/words.ts';
import { keyOf, keyPressed } from './family-keys.ts';

/** Which of one’s things are for an activity: family by family, one key each, so many of it a session; opened, thing by thing. */
export function ByFamily({ activity }: { activity: Activity }) {
  const supplies = usePlan((s) => s.plan.supplies);
  const uses = usePlan((s) => s.plan.uses);
  const dispatch = usePlan((s) => s.dispatch);
  const [open, setOpen] = useState<string | null>(null);
  const list = useRef<HTMLUListElement>(null);
  const families = useMemo(() => familyUses({ supplies, uses }, activity.id), [supplies, uses, activity.id]);
  if (families.length === 0) return <p className="text-soft">There are no supplies yet: bring them in at Supplies.</p>;
  const set = (of: FamilyUses, wanted: number) =>
    dispatch({
      type: 'several',
      words: `${wanted === 0 ? 'nothing' : 'so many'} of ${of.family || 'the rest'} for ${activity.name}`.slice(0, 120),
      commands: familyCommands(activity.id, of, wanted),
    } as Command);
  const toggle = (of: FamilyUses) => set(of, of.used > 0 ? 0 : usuallyWanted(of));
  const onKey = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).tagName === 'INPUT') return;
    const i = keyPressed(e.key, families.length);
    if (i === null) return;
    e.preventDefault();
    e.stopPropagation();
    toggle(families[i]!);
    const row = list.current?.children[i];
    row?.scrollIntoView({ block: 'nearest' });
    row?.querySelector('button')?.focus({ preventScroll: true });
  };
  return (
    <div onKeyDown={onKey}>
      <p className="pb-1 text-soft">Which of your things are for this? One key a family: on, and off again.</p>
      <ul ref={list} aria-label="Families" className="max-h-80 overflow-auto rounded-xl bg-paper p-2">
        {families.map((of, i) => (
          <li key={of.family} className="border-b border-line py-1 last:border-b-0">
            <div className="flex flex-wrap items-center gap-2">
              <button
                type="button"
                autoFocus={i === 0}
                aria-pressed={of.used > 0}
                className={`flex items-center gap-2 rounded-full border px-2.5 py-0.5 ${of.used > 0 ? 'border-heron bg-heron text-on-heron' : 'border-edge hover:border-heron'}`}
                onClick={() => toggle(of)}
              >
                {keyOf(i) && <kbd className="text-[13px] opacity-80">{keyOf(i)}</kbd>}
                {of.family || 'Without a family'}
              </button>
              <span className="text-[13px] text-soft">
                {of.used > 0 && of.used < of.things.length
                  ? `${of.used} of ${of.things.length}`
                  : countWords(of.things.length, 'thing', 'things')}
              </span>
              {of.used > 0 && (
                <span className="flex items-center gap-1.5 text-[13px]">
                  <NumberField
                    className="w-16"
                    label={`of ${of.family || 'these'} a session`}
                    hideLabel
                    max={of.used}
                    value={of.wanted}
                    onCommit={(wanted) => void set(of, wanted)}
                  />
                  of them a session
                </span>
              )}
              <Button
                look="quiet"
                className="ml-auto !px-1.5"
                aria-expanded={open === of.family}
                aria-label={`One by one: ${of.family || 'without a family'}`}
                onClick={() => setOpen(open === of.family ? null : of.family)}
              >
                {open === of.family ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
              </Button>
            </div>
            {open === of.family && (
              <div className="columns-2 gap-6 px-2 pt-1 md:columns-3">
                {of.things.map(({ supply, use }) => (
                  <CheckField
                    key={supply.id}
                    label={supply.name}
                    checked={use !== null}
                    onCommit={(on) =>
                      dispatch(
                        on
                          ? {
                              type: 'addUse',
                              use: {
                                id: newId('use'),
                                activityId: activity.id,
                                supplyId: supply.id,
                                fetches: usualFetches(supply),
                                usedUp: 0,
                              },
                            }
                          : { type: 'removeUse', id: use!.id },
                      )
                    }
                  />
                ))}
              </div>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
