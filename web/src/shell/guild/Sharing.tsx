import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { listPlans, type PlanSummary } from '../../state/api.ts';
import { act, getTemplates, type Household, type Template } from '../../state/household.ts';
import { Button } from '../../ui/button.tsx';
import { dayWords } from '../../ui/words.ts';
import { CopyLink } from './CopyLink.tsx';
import { type Run } from './at-work.ts';

const DAYS = [1, 7, 30, 90];

/** What of this household others see: a plan to look at until a day, a copy to take, a plan to begin from. */
export function Sharing({ told, busy, run }: { told: Household; busy: boolean; run: Run }) {
  const [plans, setPlans] = useState<PlanSummary[]>([]);
  const [own, setOwn] = useState<Template[]>([]);
  const [planId, setPlanId] = useState('');
  const [forWhom, setForWhom] = useState('');
  const [days, setDays] = useState(7);
  const [words, setWords] = useState('');
  const [link, setLink] = useState<{ link: string; words: string } | null>(null);
  const follow = () => {
    listPlans().then(
      (all) => setPlans(all.filter((p) => p.keptUntil === null)),
      () => undefined,
    );
    getTemplates().then(
      (all) => setOwn(all.filter((t) => t.own)),
      () => undefined,
    );
  };
  useEffect(follow, []);
  const plan = plans.find((p) => p.id === planId) ?? plans[0];
  if (!plan) return null;
  const make = (path: string, body: object, said: string) =>
    void run(async () => setLink({ link: (await act<{ link: string }>(path, body)).link, words: said }));
  const field = 'rounded-full border border-edge bg-paper px-3 py-1.5';
  return (
    <section aria-labelledby="others">
      <h2 id="others" className="mt-8 font-display text-xl">
        For others
      </h2>
      <label className="mt-1 flex flex-wrap items-center gap-2">
        Of the plan
        <select className={field} value={plan.id} onChange={(e) => setPlanId(e.target.value)}>
          {plans.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </label>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <input
          aria-label="Who may look"
          placeholder="Who may look?"
          maxLength={80}
          className={field}
          value={forWhom}
          onChange={(e) => setForWhom(e.target.value)}
        />
        <select
          aria-label="For how long"
          className={field}
          value={days}
          onChange={(e) => setDays(Number(e.target.value))}
        >
          {DAYS.map((n) => (
            <option key={n} value={n}>
              {n === 1 ? 'a day' : `${n} days`}
            </option>
          ))}
        </select>
        <Button
          disabled={busy || forWhom.trim() === ''}
          onClick={() =>
            make(
              'links',
              { planId: plan.id, forWhom: forWhom.trim(), days },
              `Whoever has it looks at ${plan.name}, changes nothing, and sees no other plan.`,
            )
          }
        >
          Make a link to look
        </Button>
      </div>
      <div className="mt-2">
        <Button
          disabled={busy}
          onClick={() =>
            make(
              'gifts',
              { planId: plan.id },
              `A keeper of another household on this server opens it and takes a copy of ${plan.name} as it is now. Both households get a receipt.`,
            )
          }
        >
          Give a copy to another household
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <input
          aria-label="What it is for"
          placeholder="What is it good for?"
          maxLength={400}
          className={`${field} min-w-64 grow`}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <Button
          disabled={busy}
          onClick={() =>
            void run(() => act('templates', { planId: plan.id, words: words.trim() })).then((done) => {
              if (!done) return;
              setWords('');
              follow();
              toast(`Everybody on this server can begin from ${plan.name} as it is now.`);
            })
          }
        >
          Put it out to begin from
        </Button>
      </div>
      {link && <CopyLink {...link} onDone={() => setLink(null)} />}
      <ul className="mt-3 divide-y divide-line">
        {told.links?.map((l) => (
          <Line
            key={l.digest}
            busy={busy}
            action="End"
            words={`${l.forWhom} may look at ${l.plan ?? 'a plan'} until ${dayWords(l.endsAt)}`}
            onDo={() => void run(() => act(`links/${l.digest}/end`))}
          />
        ))}
        {told.gifts?.map((g) => (
          <Line
            key={g.digest}
            busy={busy}
            action="Withdraw"
            words={`A copy of ${g.plan} waits to be taken`}
            onDo={() => void run(() => act(`gifts/${g.digest}/withdraw`))}
          />
        ))}
        {own.map((t) => (
          <Line
            key={t.id}
            busy={busy}
            action="Withdraw"
            words={`${t.name} is put out to begin from, as of ${dayWords(t.at)}`}
            onDo={() => void run(() => act(`templates/${t.id}/withdraw`)).then(follow)}
          />
        ))}
      </ul>
    </section>
  );
}

function Line({ words, action, busy, onDo }: { words: string; action: string; busy: boolean; onDo: () => void }) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1">
      <span className="grow">{words}</span>
      <Button disabled={busy} aria-label={`${action}: ${words}`} onClick={onDo}>
        {action}
      </Button>
    </li>
  );
}
