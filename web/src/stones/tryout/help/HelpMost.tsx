import { proxy } from 'comlink';
import { Check, GitFork, Lightbulb } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { FIRST } from '@heronstone/core/findings';
import { apply, newId, type Plan } from '@heronstone/core/plan';
import { EFFORTS } from '@heronstone/core/tryout';
import { forkPlan, sendCommand } from '../../../state/api.ts';
import { useLongWork } from '../../../state/long-work.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { MoneyField, NumberField } from '../../../ui/fields/index.ts';
import { Working } from '../../../ui/working.tsx';
import { FIGURE_WORDS } from '../../../ui/figures.ts';
import { countWords, longWords, today, yearWords } from '../../../ui/words.ts';
import { Floor } from '../../../views/floor/Floor.tsx';
import { type Help, type HelpTold } from '../../../workers/stations.worker.ts';
import { priceIn, Price } from './Price.tsx';
import { List, CLASSES, SHOWN } from './List.tsx';
import { Findings } from './Findings.tsx';

/** What would help most: single changes, each worked out on a copy with homes found again, in three classes; taken over at once or as a plan of its own. */
export function HelpMost() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork((api) => api.warmUp(plan, today()));
  const navigate = useNavigate();
  const [found, setFound] = useState<{ of: Plan; changes: readonly Help[]; tried: number } | null>(null);
  const [answer, setAnswer] = useState<HelpTold | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const [most, setMost] = useState<{ price: number | null; hours: number }>({ price: null, hours: 0 });
  const run = async () => {
    setAnswer(null);
    setFound({ of: plan, changes: [], tried: 0 });
    const got = await work.run<HelpTold | null>((api, tell) =>
      api.helpMost(
        plan,
        today(),
        proxy((changes: readonly Help[], tried: number, share: number) => {
          tell(share);
          setFound({ of: plan, changes, tried });
        }),
      ),
    );
    if (!got) return;
    setAnswer(got);
    setFound({ of: plan, changes: got.changes, tried: got.tried });
  };
  const all = [...(answer?.together ?? []), ...(found?.changes ?? [])];
  const looked = all.find((c) => c.id === shown) ?? null;
  const then = useMemo(() => {
    const done = looked && found ? apply(found.of, looked.take) : null;
    return done?.ok ? done.plan : null;
  }, [looked, found]);
  const affordable = (c: Help) =>
    (most.price === null || c.effort !== 'buy' || (priceIn(plan, c) ?? Infinity) <= most.price) &&
    (most.hours === 0 || c.minutes <= most.hours * 60);
  // one scale for all of the page
  const longest = Math.max(1, ...all.filter(affordable).map((c) => c.saves));
  const together = (answer?.together ?? []).filter(affordable);
  const stale =
    found !== null && (Object.keys(plan) as (keyof Plan)[]).some((t) => t !== 'prices' && found.of[t] !== plan[t]);
  const take = (c: Help) => {
    if (dispatch(c.take)) toast.success(`${c.words}: done, with the homes found for it. Undo takes all of it back.`);
  };
  const fork = async (c: Help) => {
    try {
      const { id } = await forkPlan(plan.id, `${plan.head.name}: ${c.words}`.slice(0, 120));
      await sendCommand(id, newId('change'), c.take);
      await navigate(`/p/${id}/tryout?against=${encodeURIComponent(`plan ${plan.id}`)}`);
    } catch (e) {
      toast.error(`It could not be taken over: ${(e as Error).message}`);
    }
  };
  return (
    <div className="grid grow grid-cols-1 gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="min-w-0 space-y-3">
        <div className="mt-1 flex flex-wrap items-end gap-2">
          {work.share === null ? (
            <Button look="main" onClick={() => void run()}>
              <Lightbulb size={16} aria-hidden /> {found ? 'Look again' : 'Look what would help'}
            </Button>
          ) : (
            <Working work={work} words={`${countWords(found?.tried ?? 0, 'change', 'changes')} tried`} />
          )}
          <MoneyField
            className="w-28"
            label="for at most"
            amount={most.price}
            empty="no limit"
            onCommit={(price) => setMost({ ...most, price })}
          />
          <NumberField
            className="w-28"
            label="and at most"
            unit="h"
            value={most.hours}
            onCommit={(hours) => setMost({ ...most, hours })}
          />
          <p className="pb-1 text-[13px] text-soft">
            0 h: however long it takes. What has no price yet is left out where there is a limit.
          </p>
        </div>
        {!found && (
          <p className="max-w-xl text-soft">
            Every unit is moved and turned, seats are sat and stood at and shifted, boxes set in, lids taken off,
            families kept otherwise or moved out, a second tool and one more unit of each kind tried: one at a time, on
            a copy of this plan, with homes found again. What helps is told as it is found.
          </p>
        )}
        {stale && <p className="text-clash">The plan has been changed since: look again.</p>}
        {answer && (
          <p className="text-[14px] text-soft">
            {countWords(answer.tried, 'change', 'changes')} tried{answer.whole ? ', all there are' : ''}, against this
            plan with its homes found, {FIGURE_WORDS.withRoom} {longWords(answer.total)} a year.
            {found!.changes.length === 0 && ' None of them would help: it is good as it is.'}
          </p>
        )}
        {together.length > 0 && (
          <section aria-label="Together">
            <h2 className="font-display text-lg font-semibold">The best together</h2>
            <List longest={longest} changes={together} chosen={shown} onChoose={setShown} />
          </section>
        )}
        {EFFORTS.map((effort) => {
          const changes = (found?.changes ?? []).filter((c) => c.effort === effort && affordable(c));
          return changes.length === 0 ? null : (
            <section key={effort} aria-label={CLASSES[effort]}>
              <h2 className="font-display text-lg font-semibold">{CLASSES[effort]}</h2>
              <List longest={longest} changes={changes.slice(0, SHOWN)} chosen={shown} onChoose={setShown} />
            </section>
          );
        })}
      </div>
      <aside aria-label="The change looked at" className="space-y-2">
        {looked ? (
          <>
            <h2 className="font-display text-lg font-semibold leading-snug">{looked.words}</h2>
            <div className="h-72">{then && <Floor plan={then} chosenUnit={looked.unitIds[0] ?? null} />}</div>
            <p>
              <strong>{yearWords(looked.saves)} saved</strong>
              <span className="text-soft">
                {' '}
                ({yearWords(Math.abs(looked.saved))} {looked.saved < 0 ? 'more' : 'less'} of fetching and what speaks
                against places; the rest is set for what has no home or lies apart)
              </span>
            </p>
            {looked.effort === 'buy' && <Price change={looked} />}
            <Findings words="mends" list={looked.mended} />
            <Findings words="brings" list={looked.brought} />
            <div className="flex flex-wrap gap-2">
              <Button look="main" disabled={stale} onClick={() => take(looked)}>
                <Check size={16} aria-hidden /> Take it over
              </Button>
              <Button disabled={stale} onClick={() => void fork(looked)}>
                <GitFork size={16} aria-hidden /> As a plan of its own
              </Button>
            </div>
            <p className="text-[13px] text-soft">{FIRST}</p>
          </>
        ) : (
          found && <p className="text-soft">Choose a change to see the room with it.</p>
        )}
      </aside>
    </div>
  );
}
