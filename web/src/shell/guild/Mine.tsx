import { KeyRound } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { act, addPasskey, hasPasskeys, type Household, type Session } from '../../state/household.ts';
import { AskFirst } from '../../ui/ask-first.tsx';
import { Button } from '../../ui/button.tsx';
import { momentWords } from '../../ui/words.ts';
import { deviceWords } from './device-words.ts';
import { type Run } from './at-work.ts';

/** One's own: passphrase, passkeys, and where one is in; keepers see everybody's. */
export function Mine({ told, busy, run }: { told: Household; busy: boolean; run: Run }) {
  const [passphrase, setPassphrase] = useState('');
  const passkeys = told.me.passkeys ?? [];
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    void run(() => act('mine/passphrase', { passphrase })).then((done) => {
      if (!done) return;
      setPassphrase('');
      toast('That is your passphrase now. Your other browsers are asked for it.');
    });
  };
  return (
    <section aria-labelledby="mine">
      <h2 id="mine" className="mt-8 font-display text-xl">
        How you come in
      </h2>
      <form onSubmit={onSubmit} className="mt-1 flex flex-wrap items-center gap-2">
        <input
          type="password"
          autoComplete="new-password"
          aria-label="Another passphrase"
          placeholder={told.me.passphrase ? 'Another passphrase' : 'A passphrase'}
          className="min-w-48 rounded-full border border-edge bg-paper px-4 py-1.5"
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
        />
        <Button type="submit" disabled={busy || passphrase.trim() === ''}>
          Take it
        </Button>
        {hasPasskeys() && (
          <Button
            disabled={busy}
            onClick={() =>
              void run(addPasskey).then((done) => done && toast('This device can come in by its passkey.'))
            }
          >
            <KeyRound size={15} aria-hidden /> Add a passkey of this device
          </Button>
        )}
        {passkeys.length === 0 && <span className="text-soft">no passkey yet</span>}
      </form>
      {passkeys.length > 0 && (
        <ul aria-label="Your passkeys" className="mt-1">
          {passkeys.map((key) => (
            <li key={key.id} className="flex flex-wrap items-center gap-x-3 py-0.5">
              <span className="grow">A passkey, added {momentWords(key.addedAt)}</span>
              <AskFirst
                disabled={busy}
                aria-label={`Take away the passkey added ${momentWords(key.addedAt)}`}
                title="Take this passkey away?"
                words="It opens nothing any more, on whatever device it lies. Where somebody is in by it, end that below."
                yes="Take it away"
                no="Keep it"
                onYes={() => void run(() => act(`mine/passkeys/${encodeURIComponent(key.id)}/remove`))}
              >
                Take away
              </AskFirst>
            </li>
          ))}
        </ul>
      )}
      <h3 className="mt-4 font-semibold">{told.me.role === 'keeper' ? 'Who is in, and where' : 'Where you are in'}</h3>
      <ul className="divide-y divide-line">
        {told.sessions.map((s) => (
          <SessionLine key={s.digest} session={s} told={told} busy={busy} run={run} />
        ))}
      </ul>
      {told.members.some((m) => m.id === told.me.id) && (
        <AskFirst
          className="mt-3"
          disabled={busy}
          title={`Leave ${told.name} for good?`}
          words="Your passphrase and passkeys stop opening it. What you did stays."
          yes="Leave for good"
          no="Stay"
          onYes={() =>
            void run(async () => {
              await act('mine/leave');
              window.location.replace('/');
            })
          }
        >
          Leave this household
        </AskFirst>
      )}
    </section>
  );
}

function SessionLine({ session: s, told, busy, run }: { session: Session; told: Household; busy: boolean; run: Run }) {
  const who =
    s.member === null
      ? `${s.link ?? 'somebody'}, by a link`
      : (told.members.find((m) => m.id === s.member)?.name ?? '');
  const path = told.me.role === 'keeper' ? 'sessions' : 'mine/sessions';
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1">
      <span className="grow">
        {who}, on {deviceWords(s.device)}{' '}
        <span className="text-soft">{s.own ? 'this browser' : `last seen ${momentWords(s.seenAt)}`}</span>
      </span>
      {!s.own && (
        <Button
          disabled={busy}
          aria-label={`End the session of ${who} on ${deviceWords(s.device)}`}
          onClick={() => void run(() => act(`${path}/${s.digest}/end`))}
        >
          End
        </Button>
      )}
    </li>
  );
}
