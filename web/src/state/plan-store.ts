import { toast } from 'sonner';
import { create } from 'zustand';
import { apply, applyChanges, asSeenIn, type Sent, keepingEqual, type Plan, saidIn } from '@heronstone/core/plan';
import { isStranger, notTheirs, useAccess } from './access.ts';
import { getPlan, type PlanEvent, redoNext, Refused, sendCommand, ServerTrouble, undoLast } from './api.ts';
import { keepLastPlan, lastPlan } from './last-known.ts';
import { listen } from './listen.ts';
import {
  dropPending,
  forgetAside,
  keepPending,
  layAside,
  type Pending,
  pendingOf,
  readPending,
  type SetAside,
  setAsideOf,
} from './pending.ts';

type PlanState = {
  planId: string | null;
  status: 'loading' | 'ready' | 'missing' | 'unreachable';
  /** when the server last had what is shown, ISO, where the plan was opened without it; null when it is the server’s of now */
  asOf: string | null;
  /** until when the plan, which was thrown away, can be brought back, ISO; null while it is not */
  keptUntil: string | null;
  /** whether nothing is heard of what others change */
  deaf: boolean;
  /** what is on screen: the server's plan with what is not yet acknowledged on top */
  plan: Plan;
  undoWords: string | null;
  redoWords: string | null;
  /** changes not yet acknowledged */
  unsaved: number;
  /** why saving does not work now; null while it does */
  trouble: string | null;
  /** whether this browser keeps what is not saved (not when its storage is full, nor in some private windows) */
  keeps: boolean;
  /** changes that could not be kept, with their reasons */
  setAside: SetAside[];
  open: (planId: string) => () => void;
  /** applies a command at once and saves it; false when it was refused (the reason is shown) */
  dispatch: (command: Sent) => boolean;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  /** does a change that was set aside once more */
  tryAgain: (one: SetAside) => void;
  /** forgets changes that were set aside */
  forget: (ids: readonly string[]) => void;
};

/** How often one change may meet the server’s own failure before it is set aside, so that the others go on. */
const TRIES = 3;

/** So long after the last change the plan is kept as the server has it, ms: often enough to be of use, seldom enough not to be felt (own assumption). */
const KEPT_AFTER = 2_000;

const nothing = { id: '' } as Plan;
let confirmed: Plan = nothing;
let revision = 0;
let store: string | null = null;
let pending: Pending[] = [];
let sending = false;
let failed = { id: '', times: 0 };
/** steps back and forth that wait until what was done before them is saved */
const waiting: (() => void)[] = [];
let retry: ReturnType<typeof setTimeout> | undefined;
let keepSoon: ReturnType<typeof setTimeout> | undefined;

/** The plan on screen, its saving and its undo; the one place through which a plan changes. */
export const usePlan = create<PlanState>()((set, get) => {
  const show = () => {
    let plan = confirmed;
    const kept: Pending[] = [];
    for (const one of pending) {
      const done = apply(plan, one.command);
      if (done.ok) {
        plan = done.plan;
        kept.push(one);
      } else if (sending && one === pending[0]) {
        // on its way: it may be in the confirmed plan already, its answer will tell
        kept.push(one);
      } else putAside(one, done.reason);
    }
    pending = kept;
    // an answer that says what is shown already changes no row, and nothing is worked out a second time
    plan = keepingEqual(get().plan, plan);
    if (pending.length === 0) confirmed = plan;
    set({ plan, unsaved: pending.length });
  };

  /** Does something with what this browser keeps; where it cannot, that is shown. */
  const keeping = (work: Promise<void>) =>
    void work.then(
      () => !get().keeps && set({ keeps: true }),
      () => set({ keeps: false }),
    );

  /** Keeps what the server has in this browser, for when it is away. */
  const keepConfirmed = () => {
    clearTimeout(keepSoon);
    keepSoon = setTimeout(() => {
      if (get().planId === confirmed.id && get().asOf === null)
        void keepLastPlan({ id: confirmed.id, plan: confirmed, revision, at: new Date().toISOString() });
    }, KEPT_AFTER);
  };

  /** A change that cannot be kept makes way for the others; it is not lost. */
  const putAside = (one: Pending, reason: string): void => {
    toast.error(reason, { description: 'This change is set aside; everything else is kept.' });
    const aside = { ...one, reason, when: new Date().toISOString() };
    set({ setAside: [...get().setAside.filter((a) => a.id !== one.id), aside] });
    keeping(layAside(aside));
  };

  const take = (event: PlanEvent): void => {
    if (event.planId !== get().planId) return;
    const mine = pending.some((p) => p.id === event.commandId);
    pending = pending.filter((p) => p.id !== event.commandId);
    if (mine) keeping(dropPending(event.commandId));
    if (event.revision > revision + 1 || (mine && event.revision > revision && event.changes.length === 0))
      return void reload();
    if (event.revision === revision + 1) {
      confirmed = applyChanges(confirmed, event.changes);
      revision = event.revision;
      set({ undoWords: event.undo, redoWords: event.redo });
      keepConfirmed();
    }
    show();
  };

  const reload = async (): Promise<void> => {
    const { planId } = get();
    if (!planId) return;
    try {
      const got = await getPlan(planId, () => confirmed === nothing && set({ status: 'unreachable' }));
      if (get().planId !== planId) return;
      confirmed = got.plan;
      revision = got.revision;
      set({ status: 'ready', asOf: null, undoWords: got.undo, redoWords: got.redo, trouble: null });
      show();
      keepConfirmed();
      void send();
    } catch (error) {
      if (isStranger(error)) void useAccess.getState().look();
      else if (error instanceof Refused) set({ status: 'missing' });
      else if (confirmed === nothing) {
        const last = error instanceof ServerTrouble ? undefined : await lastPlan(planId);
        if (get().planId !== planId || confirmed !== nothing) return;
        if (!last)
          return void set({ status: 'unreachable', trouble: error instanceof ServerTrouble ? error.message : null });
        // what it last had is shown, and said to be that; what is changed on it is kept and sent when the server answers
        confirmed = last.plan;
        revision = last.revision;
        set({ status: 'ready', asOf: last.at, trouble: 'The server does not answer.' });
        show();
      }
    }
  };

  const send = async (): Promise<void> => {
    if (sending) return;
    sending = true;
    clearTimeout(retry);
    const { planId } = get();
    while (planId && pending[0] && get().planId === planId) {
      const one = pending[0];
      try {
        const event = await sendCommand(planId, one.id, one.command, () =>
          set({ trouble: 'The server has not answered for five seconds.' }),
        );
        set({ trouble: null });
        take(event);
      } catch (error) {
        if (isStranger(error)) {
          // let in no more: the change waits in this browser until the passphrase is said again
          void useAccess.getState().look();
          break;
        }
        failed = { id: one.id, times: failed.id === one.id ? failed.times + 1 : 1 };
        const hopeless = error instanceof ServerTrouble && error.status !== 503 && failed.times >= TRIES;
        if (error instanceof Refused || hopeless) {
          pending = pending.filter((p) => p !== one);
          putAside(one, (error as Error).message);
          await reload();
        } else {
          set({ trouble: (error as Error).message });
          retry = setTimeout(() => void send(), 2000);
          break;
        }
      }
    }
    sending = false;
    for (const go of waiting.splice(0)) go();
    // another plan was opened meanwhile: what waits for that one could not be sent until now
    if (get().planId !== planId && pending.length > 0) void send();
  };

  const step = async (
    ask: (id: string) => Promise<PlanEvent>,
    said: string,
    wordsNow: () => string | null,
  ): Promise<void> => {
    const { planId } = get();
    if (!planId) return;
    if (pending.length > 0) {
      // what waits to be tried again is tried now
      const sent = new Promise<void>((go) => waiting.push(go));
      void send();
      await sent;
    }
    if (get().planId !== planId) return;
    if (pending.length > 0) return void toast('Not saved yet; once more when it is.');
    try {
      const words = wordsNow();
      take(await ask(planId));
      toast(`${said}: ${words ?? 'last change'}`);
    } catch (error) {
      toast.error((error as Error).message);
    }
  };

  /** What earlier tabs could not save comes first, then the plan itself. */
  const begin = async (planId: string): Promise<void> => {
    try {
      const [waiting, aside] = [await readPending(planId), await setAsideOf(planId)];
      if (get().planId !== planId) return;
      pending = waiting;
      set({ setAside: aside, keeps: true });
    } catch {
      if (get().planId !== planId) return;
      set({ keeps: false });
    }
    await reload();
  };

  return {
    planId: null,
    status: 'loading',
    asOf: null,
    keptUntil: null,
    deaf: false,
    plan: nothing,
    undoWords: null,
    redoWords: null,
    unsaved: 0,
    trouble: null,
    keeps: true,
    setAside: [],

    open: (planId) => {
      confirmed = nothing;
      pending = [];
      store = null;
      set({
        planId,
        status: 'loading',
        plan: nothing,
        trouble: null,
        setAside: [],
        asOf: null,
        keptUntil: null,
        deaf: false,
        undoWords: null,
        redoWords: null,
      });
      void begin(planId);
      const end = listen(
        `/api/plans/${planId}/stream`,
        {
          hello: (data) => {
            const hello = JSON.parse(data) as { revision: number; store?: string; keptUntil?: string | null };
            // another store: the server was started again, or a backup was put back
            const other = store !== null && hello.store !== store;
            store = hello.store ?? null;
            set({ keptUntil: hello.keptUntil ?? null });
            const behind = other || hello.revision !== revision || get().asOf !== null;
            if (confirmed !== nothing && behind) void reload();
            else if (get().trouble || get().status === 'unreachable') void reload();
          },
          change: (data) => {
            const event = JSON.parse(data) as PlanEvent;
            if (!pending.some((p) => p.id === event.commandId)) take(event);
          },
          away: (data) => {
            const { keptUntil, gone } = JSON.parse(data) as { keptUntil: string | null; gone: boolean };
            if (gone) set({ status: 'missing' });
            else set({ keptUntil });
          },
        },
        (deaf, refused) => {
          set({ deaf });
          // refused: the plan may be gone, or this window not known any more; the plan itself is asked, and says
          if (refused) void reload();
        },
      );
      return () => {
        end();
        clearTimeout(retry);
        clearTimeout(keepSoon);
        set({ planId: null });
      };
    },

    dispatch: (sent) => {
      const notMine = notTheirs(useAccess.getState().told, sent);
      if (notMine !== null) {
        toast.error(notMine);
        return false;
      }
      const command = asSeenIn(get().plan, sent);
      const done = apply(get().plan, command);
      if (!done.ok) {
        toast.error(saidIn(get().plan, done.reason));
        return false;
      }
      if (done.changes.length === 0) return true;
      const one = pendingOf(confirmed.id, command);
      pending = [...pending, one];
      keeping(keepPending(one));
      set({ plan: done.plan, unsaved: pending.length });
      void send();
      return true;
    },

    undo: () => step(undoLast, 'Undone', () => get().undoWords),
    redo: () => step(redoNext, 'Done again', () => get().redoWords),

    tryAgain: (one) => {
      if (get().dispatch(one.command)) get().forget([one.id]);
    },
    forget: (ids) => {
      set({ setAside: get().setAside.filter((a) => !ids.includes(a.id)) });
      keeping(forgetAside(ids));
    },
  };
});
