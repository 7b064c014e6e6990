import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { apply, asOne, type Command, type Doing, type Plan } from '@heronstone/core/plan';
import { mergeJobs, planDays, plannedFrom, sittingsOf } from '@heronstone/core/doing';
import { getPlan, listPlans } from '../../../state/api.ts';
import { useWorkIn } from '../../../state/long-work.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { today } from '../../../ui/words.ts';
import type { DoingWorker, Wanted, WorkedWay } from '../../../workers/doing.worker.ts';

const worker = () => new Worker(new URL('../../../workers/doing.worker.ts', import.meta.url), { type: 'module' });

/** The plan that is wanted, as it is saved now. */
export type WantedPlan = { plan: Plan | null; trouble: string | null };

/** It is not among the plans here, as the server says. */
class NotHere extends Error {}

const NOT_YET = { id: '', revision: -1, plan: null, trouble: null };

/** The plan by its id; a plan that came from a file has another id here, and is known by its name where there is only one. */
async function found(id: string, name: string): Promise<{ plan: Plan; revision: number }> {
  const here = (await listPlans()).filter((p) => p.keptUntil === null);
  const alike = here.filter((p) => p.name === name);
  const one = here.find((p) => p.id === id) ?? (alike.length === 1 ? alike[0] : undefined);
  if (!one) throw new NotHere('there is no such plan here; thrown away, it can be brought back on the first page.');
  return getPlan(one.id);
}

/** It is asked for again whenever one comes back to this window: it may have been worked on in another. */
export function useWantedPlan({ toPlanId, toName }: Doing): WantedPlan {
  const [got, setGot] = useState<{ id: string; revision: number } & WantedPlan>(NOT_YET);
  useEffect(() => {
    let here = true;
    const look = () =>
      found(toPlanId, toName).then(
        ({ plan, revision }) =>
          here &&
          setGot((now) =>
            now.id === toPlanId && now.revision === revision ? now : { id: toPlanId, revision, plan, trouble: null },
          ),
        // one that was here is not gone because the server does not answer now
        (e: Error) =>
          here &&
          setGot((now) =>
            now.id === toPlanId && now.plan && !(e instanceof NotHere)
              ? now
              : { ...NOT_YET, id: toPlanId, trouble: e.message },
          ),
      );
    const back = () => void (document.visibilityState === 'visible' && look());
    void look();
    window.addEventListener('focus', back);
    document.addEventListener('visibilitychange', back);
    return () => {
      here = false;
      window.removeEventListener('focus', back);
      document.removeEventListener('visibilitychange', back);
    };
  }, [toPlanId, toName]);
  return got.id === toPlanId ? got : { plan: null, trouble: null };
}

/** Parts or joins jobs, and asks what follows. @param id of the job that must stand then @returns whether it could be */
export type ChangeJobs = (words: string, commands: Command[], id: string) => Promise<boolean>;

/** The way to the plan that is wanted, if one is chosen. */
export const doingOf = (plan: Pick<Plan, 'doings'>): Doing | null => Object.values(plan.doings)[0] ?? null;

/** Works out what is to be done and which day what; each of it one change with one undo. */
export function useDoing() {
  const dispatch = usePlan((s) => s.dispatch);
  const { share, run, cancel } = useWorkIn<DoingWorker>(worker);
  /** the first day that was planned last */
  const from = useRef(today());
  const [ways, setWays] = useState<WorkedWay[] | null>(null);
  const told = useCallback((w: WorkedWay) => setWays((now) => [...(now ?? []).filter((x) => x.way !== w.way), w]), []);

  /** Asks what differs now, beside what there is: jobs come, change and go. */
  const lookAgain = useCallback(
    async (then: Plan, more: (wanted: Wanted) => Command[] = () => []): Promise<boolean> => {
      const now = usePlan.getState().plan;
      const wanted = await run((api) => api.wanted(now, then));
      if (!wanted) return false;
      const plan = usePlan.getState().plan;
      const commands = [...more(wanted), ...mergeJobs(plan, wanted.jobs)];
      return commands.length === 0 || dispatch(asOne('what is to be done', commands));
    },
    [run, dispatch],
  );

  /** Parts or joins jobs: one change, with what follows from it for the others. */
  const changeJobs = useCallback(
    async (then: Plan | null, ...[words, commands, id]: Parameters<ChangeJobs>): Promise<boolean> => {
      const tried = apply(usePlan.getState().plan, asOne(words, commands));
      const own = tried.ok && tried.plan.jobs[id]?.kind === 'own';
      const wanted = tried.ok && then && !own ? await run((api) => api.wanted(tried.plan, then)) : null;
      const done = apply(usePlan.getState().plan, asOne(words, commands));
      if (!done.ok) toast.error(done.reason);
      else if (own) return dispatch(asOne(words, commands));
      else if (wanted?.jobs.some((j) => j.id === id))
        return dispatch(asOne(words, [...commands, ...mergeJobs(done.plan, wanted.jobs)]));
      else if (wanted)
        toast.error('They wait for each other: what leaves one place goes into the other, so it stays one job.');
      return false;
    },
    [run, dispatch],
  );

  /** Asks which day what, in all ways of going about it; the one that was chosen is taken. */
  const planAnew = useCallback(
    async (stopped = false): Promise<boolean> => {
      const plan = usePlan.getState().plan;
      const doing = doingOf(plan);
      if (!doing) return false;
      setWays(null);
      const day = (from.current = plannedFrom(plan, today(), stopped));
      const all = await run((api, tell) =>
        api.ways({ jobs: plan.jobs, freeTimes: plan.freeTimes }, doing, day, proxy(told), tell),
      );
      // a way that was taken while others were still looked for stays taken
      if (doingOf(usePlan.getState().plan)?.planned !== doing.planned) return true;
      const own = all?.find((w) => w.way === doing.way);
      return own ? take(own) : false;
    },
    [run, told],
  );

  const take = ({ way, answer }: WorkedWay): boolean => {
    const plan = usePlan.getState().plan;
    const doing = doingOf(plan);
    return (
      doing !== null &&
      usePlan
        .getState()
        .dispatch(asOne('plan the days', planDays(plan, doing, way, sittingsOf(plan, answer), from.current)))
    );
  };
  return { share, cancel, ways, lookAgain, changeJobs, planAnew, take };
}
