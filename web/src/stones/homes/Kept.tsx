import { proxy } from 'comlink';
import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { decisionsIn } from '@heronstone/core/homes';
import { askHomes } from '../../state/homes-worker.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { countWords, longWords, today } from '../../ui/words.ts';
import { type FoundHomes } from '../../workers/homes.worker.ts';

const SECONDS = 3;
/** Less saved a year is not worth taking a decision back, s (own assumption). */
const WORTH = 600;

/** What was found with one decision taken back, of which plan. */
type Answer = { of: object; found: FoundHomes | null };

/** What the maker has arranged and *find homes* leaves as it is; for each, asked for, what it would gain not to. */
export function Kept() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const kept = useMemo(() => decisionsIn(plan), [plan]);
  const [asking, setAsking] = useState<string | null>(null);
  const [answers, setAnswers] = useState<Record<string, Answer>>({});
  if (kept.length === 0) return null;
  const ask = async (key: string) => {
    setAsking(key);
    const of = usePlan.getState().plan;
    try {
      const found = await askHomes(of, (api) =>
        api.find(
          SECONDS,
          today(),
          proxy(() => undefined),
          key,
        ),
      );
      setAnswers((all) => ({ ...all, [key]: { of, found } }));
    } catch (e) {
      toast.error(`That could not be worked out: ${(e as Error).message}`);
    } finally {
      setAsking(null);
    }
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button title="What you have arranged and find homes leaves as it is">
          Kept <span className="text-soft">{kept.length}</span>
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Kept as you arranged it"
          className="z-50 max-h-[70vh] w-[26rem] max-w-[94vw] overflow-auto rounded-xl border border-line bg-paper p-3 text-ink shadow-xl"
        >
          <h2 className="font-display text-lg font-semibold">Kept as you arranged it</h2>
          <p className="text-[14px] text-soft">
            Find homes leaves these as they are. What it would gain not to is worked out for one at a time.
          </p>
          <ul className="mt-2 divide-y divide-line">
            {kept.map(({ decision, supplies }) => {
              const answer = answers[decision.key];
              const found = answer?.of === plan ? answer.found : undefined;
              const gain = found ? found.before.total - found.after.total : 0;
              return (
                <li key={decision.key} className="py-1.5">
                  <p>
                    {decision.words}: {countWords(supplies.length, 'thing', 'things')}{' '}
                    <span className="text-[14px] text-soft">
                      {supplies
                        .slice(0, 3)
                        .map((s) => s.name)
                        .join(', ')}
                      {supplies.length > 3 && ' …'}
                    </span>
                  </p>
                  {found === undefined ? (
                    <Button look="quiet" disabled={asking !== null} onClick={() => void ask(decision.key)}>
                      {asking === decision.key ? 'looking …' : 'What would it gain not to?'}
                    </Button>
                  ) : found === null || gain < WORTH ? (
                    <p className="text-[14px] text-soft" role="status">
                      Nothing worth it: less than ten minutes a year.
                    </p>
                  ) : (
                    <p className="text-[14px]" role="status">
                      {longWords(gain)} a year in all, with {countWords(found.moves, 'home', 'homes')} changed.{' '}
                      <Button
                        look="quiet"
                        onClick={() =>
                          dispatch(
                            found.keeping.length === 0
                              ? found.command
                              : {
                                  type: 'several',
                                  words: 'take back what was arranged',
                                  commands: [found.command, ...found.keeping] as never,
                                },
                          )
                        }
                      >
                        Take it over
                      </Button>
                    </p>
                  )}
                </li>
              );
            })}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
