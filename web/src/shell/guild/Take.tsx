import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { act, type Gift } from '../../state/household.ts';
import { useAccess } from '../../state/access.ts';
import { Button } from '../../ui/button.tsx';
import { useAtWork } from './at-work.ts';
import { Trouble } from './say.tsx';

/** A copy of a plan that another household gives: taken into this one, with a receipt on both sides. */
export function Take() {
  const [token] = useState(window.location.hash.slice(1));
  const [gift, setGift] = useState<Gift | null>(null);
  const told = useAccess((s) => s.told);
  const { busy, trouble, run } = useAtWork();
  const navigate = useNavigate();
  useEffect(() => void run(async () => setGift(await act<Gift>('gift', { token }))), [token]); // eslint-disable-line react-hooks/exhaustive-deps -- once a link
  const take = () =>
    void run(async () => {
      const { id } = await act<{ id: string }>('take', { token });
      await navigate(`/p/${id}/homes`);
    });
  return (
    <main className="mx-auto max-w-xl px-6 py-14">
      <h1 className="font-display text-4xl font-semibold">Heronstone</h1>
      {gift && (
        <>
          <p className="mt-4 text-lg">
            {gift.byWhom} of <b>{gift.fromName}</b> gives {told?.household?.name ?? 'your household'} a copy of{' '}
            <b>{gift.planName}</b>.
          </p>
          <p className="mt-1 text-soft">
            It becomes a plan of your own: what you change in it they do not see. Both households get a receipt.
            {gift.ownHousehold && ' It is your own household’s: this makes one more copy of it.'}
          </p>
          <Button look="main" className="mt-4" disabled={busy} onClick={take}>
            Take it
          </Button>
        </>
      )}
      <Trouble words={trouble} />
      <p className="mt-4">
        <Link to="/" className="text-heron underline">
          All plans
        </Link>
      </p>
    </main>
  );
}
