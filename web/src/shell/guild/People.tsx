import { type FormEvent, useState } from 'react';
import { type Role } from '../../state/access.ts';
import { act, type Household, type Member } from '../../state/household.ts';
import { AskFirst } from '../../ui/ask-first.tsx';
import { Button } from '../../ui/button.tsx';
import { dayWords } from '../../ui/words.ts';
import { CopyLink } from './CopyLink.tsx';
import { type Run } from './at-work.ts';
import { roleWords } from './role-words.ts';

const ROLES: readonly Role[] = ['keeper', 'helper', 'guest'];

/** Who is in the household, who is invited, and inviting somebody. */
export function People({ told, busy, run }: { told: Household; busy: boolean; run: Run }) {
  const [link, setLink] = useState<{ link: string; words: string } | null>(null);
  const keeps = told.me.role === 'keeper';
  const invite = (forWhom: string, role: Role, member: string | null) =>
    run(async () => {
      const { link: made } = await act<{ link: string }>('invitations', { forWhom, role, member });
      setLink({ link: made, words: `Give this to ${forWhom}. It opens once, within a week.` });
    });
  return (
    <section aria-labelledby="people">
      <h2 id="people" className="mt-8 font-display text-xl">
        People
      </h2>
      <ul className="mt-1 divide-y divide-line">
        {told.members.map((m) => (
          <Person
            key={m.id}
            member={m}
            told={told}
            busy={busy}
            run={run}
            onLink={() => void invite(m.name, m.role, m.id)}
          />
        ))}
        {told.invitations?.map((i) => (
          <li key={i.digest} className="flex flex-wrap items-center gap-x-3 py-1.5 text-soft">
            <span className="grow">
              {i.forWhom} is invited as {i.role} by {i.byWhom}, until {dayWords(i.endsAt)}
            </span>
            <Button
              disabled={busy}
              aria-label={`Withdraw the invitation of ${i.forWhom}`}
              onClick={() => void run(() => act(`invitations/${i.digest}/withdraw`))}
            >
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
      {keeps && <Invite busy={busy} onInvite={invite} />}
      {link && <CopyLink {...link} onDone={() => setLink(null)} />}
    </section>
  );
}

function Person({
  member: m,
  told,
  busy,
  run,
  onLink,
}: {
  member: Member;
  told: Household;
  busy: boolean;
  run: Run;
  onLink: () => void;
}) {
  const own = m.id === told.me.id;
  const keeps = told.me.role === 'keeper';
  if (m.leftAt !== null)
    return (
      <li className="py-1.5 text-soft">
        {m.name} left on {dayWords(m.leftAt)}; what they did stays.
      </li>
    );
  const noWayIn = !m.passphrase && m.passkeys === 0;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
      <span className="grow">
        <b>{m.name}</b>
        {own && ' (you)'} <span className="text-soft">since {dayWords(m.since)}</span>
        {noWayIn && <span className="text-clash"> has neither passphrase nor passkey: no way to come in again</span>}
      </span>
      {keeps ? (
        <select
          aria-label={`What ${m.name} may do`}
          className="rounded-full border border-edge bg-paper px-3 py-1"
          disabled={busy}
          value={m.role}
          onChange={(e) => void run(() => act(`members/${m.id}/role`, { role: e.target.value }))}
        >
          {ROLES.map((role) => (
            <option key={role} value={role}>
              {role}
            </option>
          ))}
        </select>
      ) : (
        <span className="text-soft">{m.role}</span>
      )}
      {keeps && !own && (
        <>
          <Button
            disabled={busy}
            title="For a new device, or a passphrase forgotten; their other sessions end"
            onClick={onLink}
          >
            New link
          </Button>
          <AskFirst
            disabled={busy}
            aria-label={`${m.name} leaves`}
            title={`${m.name} leaves ${told.name}?`}
            words="Their passphrase and passkeys stop opening it. What they did stays."
            yes="They leave"
            no="They stay"
            onYes={() => void run(() => act(`members/${m.id}/leave`))}
          >
            Leaves
          </AskFirst>
        </>
      )}
    </li>
  );
}

function Invite({
  busy,
  onInvite,
}: {
  busy: boolean;
  onInvite: (forWhom: string, role: Role, member: null) => Promise<boolean>;
}) {
  const [forWhom, setForWhom] = useState('');
  const [role, setRole] = useState<Role>('helper');
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    void onInvite(forWhom.trim(), role, null).then((done) => done && setForWhom(''));
  };
  return (
    <form onSubmit={onSubmit} className="mt-2 flex flex-wrap items-center gap-2">
      <input
        aria-label="Whom to invite"
        placeholder="Whom?"
        maxLength={80}
        className="min-w-48 rounded-full border border-edge bg-paper px-4 py-1.5"
        value={forWhom}
        onChange={(e) => setForWhom(e.target.value)}
      />
      <select
        aria-label="As what"
        className="rounded-full border border-edge bg-paper px-3 py-1.5"
        value={role}
        onChange={(e) => setRole(e.target.value as Role)}
      >
        {ROLES.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
      <Button type="submit" look="main" disabled={busy || forWhom.trim() === ''}>
        Invite
      </Button>
      <span className="text-[14px] text-soft">{roleWords(role)}</span>
    </form>
  );
}
