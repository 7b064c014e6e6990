import { type FormEvent, type ReactNode, useEffect, useState } from 'react';
import { useAccess } from '../state/access.ts';
import { part } from '../parts/part.tsx';
import { OwnTrouble } from '../parts/View.tsx';
import { Button } from '../ui/button.tsx';

const loadGuildDoor = () => import('./guild/GuildDoor.tsx');
const GuildDoor = part(() => loadGuildDoor().then((m) => ({ default: m.GuildDoor })));

/** How long the server is waited for before what this browser has is shown, ms; on the machine itself it answers at once or not at all. */
const FOR_ANSWER = 1_500;
/** Pages by which somebody comes in, whoever is known in this browser already. */
const BY_LINK = ['/come', '/look'];

/** Whoever comes from the house says the passphrase first; nothing of any plan is here before. */
export function Door({ children }: { children: ReactNode }) {
  const { told, look, enter } = useAccess();
  const [said, setSaid] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const [looked, setLooked] = useState(false);
  useEffect(() => {
    const late = setTimeout(() => setLooked(true), FOR_ANSWER);
    void look().finally(() => setLooked(true));
    return () => clearTimeout(late);
  }, [look]);
  // nothing is asked of a server that may not know this phone yet
  if (!looked) return null;
  const comes = BY_LINK.includes(window.location.pathname) && window.location.hash.length > 1;
  if (told?.guild && (!told.known || comes))
    return (
      <OwnTrouble>
        <GuildDoor secure={told.secure} />
      </OwnTrouble>
    );
  if (!told?.fromHouse || told.known) return children;
  const onSubmit = async (e: FormEvent) => {
    e.preventDefault();
    setAsking(true);
    setTrouble(await enter(said));
    setAsking(false);
  };
  return (
    <main className="mx-auto flex min-h-full max-w-sm flex-col justify-center px-6 py-10">
      <h1 className="font-display text-4xl font-semibold">Heronstone</h1>
      <form onSubmit={(e) => void onSubmit(e)} className="mt-6">
        <label htmlFor="passphrase" className="font-semibold">
          The passphrase of this house
        </label>
        <input
          id="passphrase"
          type="password"
          autoComplete="current-password"
          autoFocus
          value={said}
          onChange={(e) => setSaid(e.target.value)}
          aria-invalid={trouble !== null}
          className="mt-1 w-full rounded-xl border-2 border-heron bg-paper px-4 py-2.5 text-lg"
        />
        {trouble && (
          <p role="alert" className="mt-1 text-clash">
            {trouble}
          </p>
        )}
        <Button type="submit" look="main" className="mt-3 w-full !py-2.5" disabled={asking || said.trim() === ''}>
          {asking ? 'One moment …' : 'Come in'}
        </Button>
      </form>
      {!told.secure && (
        <p className="mt-6 text-[14px] text-soft">
          This goes over plain HTTP: others in this network can read the passphrase and the plans. On a network you
          share with strangers, stay out, or give the server a certificate (<code>--cert</code>, <code>--key</code>).
        </p>
      )}
    </main>
  );
}
