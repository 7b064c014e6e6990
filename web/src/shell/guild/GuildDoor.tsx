import { KeyRound } from 'lucide-react';
import { type FormEvent, useEffect, useState } from 'react';
import {
  comeIn,
  enterAs,
  enterByPasskey,
  hasPasskeys,
  type Invited,
  invitedTo,
  lookAt,
  addPasskey,
} from '../../state/household.ts';
import { Button } from '../../ui/button.tsx';
import { useAtWork } from './at-work.ts';
import { roleWords } from './role-words.ts';
import { Before, Line, Trouble } from './say.tsx';

/** The secret of a link stands behind #, where no server and no log sees it. */
const secretOf = (page: string): string | null =>
  window.location.pathname === `/${page}` && window.location.hash.length > 1 ? window.location.hash.slice(1) : null;

/** Goes on at an address, without what stood in the link. */
const goOn = (to: string) => window.location.replace(to);

/** Whoever is not known to a guild’s server: comes in by an invitation, looks by a link, or says who they are. */
export function GuildDoor({ secure }: { secure: boolean }) {
  const [invitation, link] = [secretOf('come'), secretOf('look')];
  if (invitation) return <ComeIn token={invitation} secure={secure} />;
  if (link) return <Look token={link} secure={secure} />;
  return <Enter secure={secure} />;
}

function Enter({ secure }: { secure: boolean }) {
  const [household, setHousehold] = useState(new URLSearchParams(window.location.search).get('household') ?? '');
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const { busy, trouble, run } = useAtWork();
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    void run(() => enterAs(household, name, passphrase));
  };
  const ready = [household, name, passphrase].every((said) => said.trim() !== '');
  return (
    <Before secure={secure}>
      <form onSubmit={onSubmit} className="mt-4">
        <Line
          label="Household"
          value={household}
          onChange={setHousehold}
          complete="organization"
          hint="Its word, as in the invitation: small letters, like the-pump-house."
        />
        <Line label="Your name there" value={name} onChange={setName} complete="username" />
        <Line
          label="Your passphrase"
          type="password"
          value={passphrase}
          onChange={setPassphrase}
          complete="current-password"
          wrong={trouble !== null}
        />
        <Trouble words={trouble} />
        <Button type="submit" look="main" className="mt-4 w-full !py-2.5" disabled={busy || !ready}>
          {busy ? 'One moment …' : 'Come in'}
        </Button>
      </form>
      {hasPasskeys() && (
        <Button className="mt-3 w-full !py-2.5" disabled={busy} onClick={() => void run(enterByPasskey)}>
          <KeyRound size={16} aria-hidden /> Come in with a passkey
        </Button>
      )}
      <p className="mt-6 text-[14px] text-soft">
        New here? A keeper of the household invites you with a link. Passphrase forgotten? A keeper makes you a new
        link, and what you did stays yours.
      </p>
    </Before>
  );
}

function ComeIn({ token, secure }: { token: string; secure: boolean }) {
  const [invited, setInvited] = useState<Invited | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const { busy, trouble, run } = useAtWork();
  useEffect(() => {
    invitedTo(token).then(
      (found) => {
        setInvited(found);
        setName((now) => now || (found.forWhom === found.household ? '' : found.forWhom));
      },
      (error: Error) => setOver(error.message),
    );
  }, [token]);
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    void run(() => comeIn(token, name.trim(), passphrase)).then((done) => done && goOn('/'));
  };
  const withPasskey = () =>
    void run(async () => {
      await comeIn(token, name.trim(), null);
      await addPasskey();
    }).then((done) => goOn(done ? '/' : '/household'));
  if (over)
    return (
      <Before secure={secure}>
        <Trouble words={over} />
        <a className="mt-3 text-heron underline" href="/">
          I have been here before
        </a>
      </Before>
    );
  if (!invited) return null;
  return (
    <Before secure={secure}>
      <p className="mt-3 text-lg">
        You are invited to <b>{invited.household}</b>. {roleWords(invited.role)}
      </p>
      <p className="mt-1 text-soft">
        Its word, which you say when you come in again: <b>{invited.word}</b>
      </p>
      <form onSubmit={onSubmit} className="mt-1">
        <Line label="Your name here" value={name} onChange={setName} complete="username" />
        <Line
          label="A passphrase of your own"
          type="password"
          value={passphrase}
          onChange={setPassphrase}
          complete="new-password"
          wrong={trouble !== null}
          hint="At least ten letters; four words that do not belong together are good."
        />
        <Trouble words={trouble} />
        <Button
          type="submit"
          look="main"
          className="mt-4 w-full !py-2.5"
          disabled={busy || name.trim() === '' || passphrase.trim() === ''}
        >
          {busy ? 'One moment …' : 'Come in'}
        </Button>
      </form>
      {hasPasskeys() && (
        <Button className="mt-3 w-full !py-2.5" disabled={busy || name.trim() === ''} onClick={withPasskey}>
          <KeyRound size={16} aria-hidden /> With a passkey of this device instead
        </Button>
      )}
    </Before>
  );
}

function Look({ token, secure }: { token: string; secure: boolean }) {
  const [over, setOver] = useState<string | null>(null);
  useEffect(() => {
    lookAt(token).then(
      ({ plan }) => goOn(`/p/${plan}/homes`),
      (error: Error) => setOver(error.message),
    );
  }, [token]);
  return over ? (
    <Before secure={secure}>
      <Trouble words={over} />
    </Before>
  ) : null;
}
