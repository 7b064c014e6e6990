import { toast } from 'sonner';
import { create } from 'zustand';
import { apply, applyChanges, type Command, newId, type Plan } from '@heronstone/core/plan';
import { getPlan, type PlanEvent, redoNext, Refused, sendCommand, undoLast } from './api.ts';
import { keepPending, readPending, type Pending } from './pending.ts';

type PlanState = {
  planId: string | null;
  status: 'loading' | 'ready' | 'missing' | 'unreachable';
  /** what is on screen: the server's plan with what is not yet acknowledged on top */
  plan: Plan;
  undoWords: string | null;
  redoWords: string | null;
  /** changes not yet acknowledged */
  unsaved: number;
  /** why saving does not work now; null while it does */
  trouble: string | null;
  open: (planId: string) => () => void;
  /** applies a command at once and saves it; false when it was refused (the reason is shown) */
  dispatch: (command: Command) => boolean;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
};

const nothing = { id: '' } as Plan;
let confirmed: Plan = nothing;
let revision = 0;
let pending: Pending[] = [];
let sending = false;
/** steps back and forth that wait until what was done before them is saved */
const waiting: (() => void)[] = [];
let retry: ReturnType<typeof setTimeout> | undefined;

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
      } else toast.error(done.reason);
    }
    pending = kept;
    keepPending(confirmed.id, pending);
    set({ plan, unsaved: pending.length });
  };

  const take = (event: PlanEvent): void => {
    if (event.planId !== get().planId) return;
    const mine = pending.some((p) => p.id === event.commandId);
    pending = pending.filter((p) => p.id !== event.commandId);
    if (event.revision > revision + 1 || (mine && event.revision > revision && event.changes.length === 0))
      return void reload();
    if (event.revision === revision + 1) {
      confirmed = applyChanges(confirmed, event.changes);
      revision = event.revision;
      set({ undoWords: event.undo, redoWords: event.redo });
    }
    show();
  };

  const reload = async (): Promise<void> => {
    const { planId } = get();
    if (!planId) return;
    try {
      const got = await getPlan(planId);
      if (get().planId !== planId) return;
      confirmed = got.plan;
      revision = got.revision;
      set({ status: 'ready', undoWords: got.undo, redoWords: got.redo, trouble: null });
      show();
      void send();
    } catch (error) {
      if (error instanceof Refused) set({ status: 'missing' });
      else if (get().status === 'loading') set({ status: 'unreachable' });
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
        const event = await sendCommand(planId, one.id, one.command);
        set({ trouble: null });
        take(event);
      } catch (error) {
        if (error instanceof Refused) {
          toast.error(error.message, { description: 'The change was taken back; everything else is kept.' });
          pending = pending.filter((p) => p !== one);
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
  };

  const step = async (
    ask: (id: string) => Promise<PlanEvent>,
    said: string,
    wordsNow: () => string | null,
  ): Promise<void> => {
    const { planId } = get();
    if (!planId) return;
    if (pending.length > 0 && sending) await new Promise<void>((go) => waiting.push(go));
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

  return {
    planId: null,
    status: 'loading',
    plan: nothing,
    undoWords: null,
    redoWords: null,
    unsaved: 0,
    trouble: null,

    open: (planId) => {
      confirmed = nothing;
      pending = readPending(planId);
      set({ planId, status: 'loading', plan: nothing, trouble: null });
      void reload();
      const stream = new EventSource(`/api/plans/${planId}/stream`);
      stream.addEventListener('hello', (e) => {
        const { revision: now } = JSON.parse((e as MessageEvent<string>).data) as { revision: number };
        if (confirmed !== nothing && now !== revision) void reload();
        else if (get().trouble || get().status === 'unreachable') void reload();
      });
      stream.addEventListener('change', (e) => {
        const event = JSON.parse((e as MessageEvent<string>).data) as PlanEvent;
        if (!pending.some((p) => p.id === event.commandId)) take(event);
      });
      return () => {
        stream.close();
        clearTimeout(retry);
        set({ planId: null });
      };
    },

    dispatch: (command) => {
      const done = apply(get().plan, command);
      if (!done.ok) {
        toast.error(done.reason);
        return false;
      }
      if (done.changes.length === 0) return true;
      pending = [...pending, { id: newId('command'), command }];
      keepPending(confirmed.id, pending);
      set({ plan: done.plan, unsaved: pending.length });
      void send();
      return true;
    },

    undo: () => step(undoLast, 'Undone', () => get().undoWords),
    redo: () => step(redoNext, 'Done again', () => get().redoWords),
  };
});
