import { CircleHelp } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { sameThings } from '@heronstone/core/plan';
import {
  addPlan,
  getPlan,
  getSafety,
  listPlans,
  type PlanSummary,
  type Safety,
  throwAway,
  Unreachable,
} from '../state/api.ts';
import { roleOf, useAccess } from '../state/access.ts';
import { keepLastList, lastList } from '../state/last-known.ts';
import { sendWaiting } from '../state/send-waiting.ts';
import { toast } from 'sonner';
import { Button } from '../ui/button.tsx';
import { Safekeeping } from './Safekeeping.tsx';
import { Beginnings } from './first/Beginnings.tsx';
import { Help } from './help/Help.tsx';
import { momentWords } from '../ui/words.ts';
import { fetched } from '../parts/fetched.ts';
import { part } from '../parts/part.tsx';
import { View } from '../parts/View.tsx';
import { HouseholdLine } from './HouseholdLine.tsx';
import { PlanLine, ThrownAway } from './PlanLine.tsx';

const Templates = part(() => import('./guild/Templates.tsx').then((m) => ({ default: m.Templates })));

const InTheHand = part(() => import('./InTheHand.tsx').then((m) => ({ default: m.InTheHand })));

/** So often the list is asked for again while the server is away, ms. */
const FOLLOWS = 3_000;

/** The first page: the plans there are, a new one, one from a file. */
export function Plans() {
  const [helped, setHelped] = useState(false);
  const [plans, setPlans] = useState<PlanSummary[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const navigate = useNavigate();
  const [times, setTimes] = useState(0);
  const [safety, setSafety] = useState<Safety | null>(null);
  /** when the server last said which plans there are, while it is away */
  const [asOf, setAsOf] = useState<string | null>(null);
  const told = useAccess((s) => s.told);
  const guild = told?.guild === true;
  const keeps = roleOf(told) === 'keeper';
  useEffect(() => {
    // where the server does not answer, the list of plans says so; a guild's plans are kept by whoever runs it
    if (!guild) getSafety().then(setSafety, () => undefined);
    listPlans().then(
      (list) => {
        setPlans(list);
        setAsOf(null);
        setTrouble(null);
        void keepLastList(list, new Date().toISOString());
        // changes that wait in this browser are sent whatever plan they are for
        void sendWaiting();
      },
      async (e: Error) => {
        setTrouble(e.message);
        if (!(e instanceof Unreachable)) return;
        // the page follows by itself when the server is there again
        again = setTimeout(() => setTimes((n) => n + 1), FOLLOWS);
        const last = await lastList();
        if (!last) return;
        setPlans((now) => now ?? last.plans);
        setAsOf(last.at);
      },
    );
    let again: ReturnType<typeof setTimeout> | undefined;
    return () => clearTimeout(again);
  }, [times, guild]);
  const start = async (source: Parameters<typeof addPlan>[0]) => {
    try {
      const { id } = await addPlan(source);
      await navigate(`/p/${id}/room`);
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  const here = plans?.filter((p) => p.keptUntil === null);
  const away = plans?.filter((p) => p.keptUntil !== null) ?? [];
  const putAway = async (p: PlanSummary, thrown: boolean) => {
    try {
      await throwAway(p.id, thrown);
      setTimes((n) => n + 1);
      if (thrown)
        toast(`${p.name} is thrown away. It can be brought back for a while.`, {
          action: { label: 'Bring back', onClick: () => void putAway(p, false) },
        });
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  /** What is owned, in a room that is not measured yet. */
  const another = async (p: PlanSummary) => {
    try {
      const { plan } = await getPlan(p.id);
      const { exportPlan } = await fetched(() => import('@heronstone/core/formats'));
      await start({ file: exportPlan(sameThings(plan, `${p.name}, another room`)) });
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  const safekeeping = safety && (
    <Safekeeping safety={safety} setSafety={setSafety} onPutBack={() => setTimes((n) => n + 1)} />
  );
  if (safety?.broken)
    return (
      <main className="mx-auto max-w-3xl px-6 py-14">
        <h1 className="font-display text-4xl font-semibold">Heronstone</h1>
        {safekeeping}
      </main>
    );
  return (
    <main className="mx-auto max-w-5xl px-6 py-14">
      <h1 className="font-display text-4xl font-semibold">Heronstone</h1>
      <p className="mt-2 max-w-xl text-lg text-soft">
        Where things are made, and where each thing lives so that the hand that needs it can reach it.
      </p>
      <Button look="quiet" className="-ml-2" onClick={() => setHelped(true)}>
        <CircleHelp size={16} aria-hidden /> How it is done
      </Button>
      {helped && <Help page="one-cupboard" onClose={() => setHelped(false)} />}
      {told && <HouseholdLine told={told} />}
      <h2 className="mt-10 font-display text-xl">Plans</h2>
      {asOf && (
        <p role="status" className="mt-1 text-soft">
          The server does not answer. These are the plans as they were on {momentWords(asOf)}; those opened in this
          browser can be looked at and changed, and what is changed is saved when it answers.
        </p>
      )}
      {here?.length === 0 && (
        <p className="mt-2 text-soft">None yet. Begin with one of these three: nothing is lost by trying.</p>
      )}
      <ul className="mt-2 divide-y divide-line">
        {here?.map((p) => (
          <PlanLine
            key={p.id}
            plan={p}
            from={p.forkedFrom ? (plans?.find((o) => o.id === p.forkedFrom)?.name ?? 'a plan that is gone') : null}
            keeps={keeps}
            onRenamed={() => setTimes((n) => n + 1)}
            onAnother={() => void another(p)}
            onThrow={() => void putAway(p, true)}
          />
        ))}
      </ul>
      <ThrownAway plans={away} keeps={keeps} onBack={(p) => void putAway(p, false)} />
      {/* only under a list that is known: what comes in above would move a button away from under the hand */}
      {keeps && (plans ?? trouble) !== null && <Beginnings onTrouble={setTrouble} />}
      {keeps && guild && (
        <View>
          <Templates />
        </View>
      )}
      {trouble && asOf === null && (
        <p role="alert" className="mt-3 text-clash">
          {trouble}
        </p>
      )}
      {safekeeping}
      {!guild && (
        <View>
          <InTheHand />
        </View>
      )}
    </main>
  );
}
