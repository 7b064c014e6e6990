import { create as makeCode } from 'qrcode';
import { useMemo } from 'react';
import { useAccess } from '../state/access.ts';
import { Button } from '../ui/button.tsx';

/** Where a phone in the house finds this server, as a code for its camera. */
export function InTheHand() {
  const { told, leave } = useAccess();
  const address = told?.addresses[0];
  if (!told) return null;
  return (
    <section aria-label="In the hand">
      <h2 className="mt-10 font-display text-xl">In the hand</h2>
      {address ? (
        <div className="mt-2 flex flex-wrap items-center gap-5">
          <Code text={address} />
          <div className="min-w-0">
            <p>Point a phone’s camera here, or open</p>
            <ul>
              {told.addresses.map((a) => (
                <li key={a} className="break-all font-semibold">
                  {a}
                </li>
              ))}
            </ul>
            {!told.secure && (
              <p className="mt-1 max-w-md text-[14px] text-soft">
                Over plain HTTP the passphrase and the plans can be read by others in this network. A certificate of
                your own hides them: start with <code>--cert FILE --key FILE</code>.
              </p>
            )}
          </div>
        </div>
      ) : (
        <p className="mt-2 text-soft">
          Start it with <code>npm start -- --lan</code> and a passphrase, and a phone in the house’s network takes stock
          while you walk round.
        </p>
      )}
      {told.fromHouse && (
        <Button className="mt-2" onClick={() => void leave()}>
          Leave: this phone is asked for the passphrase again
        </Button>
      )}
    </section>
  );
}

/** A QR code, drawn. */
export function Code({ text }: { text: string }) {
  const { size, path } = useMemo(() => {
    const { modules } = makeCode(text, { errorCorrectionLevel: 'M' });
    let d = '';
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) d += `M${x} ${y}h1v1h-1z`;
    return { size: modules.size, path: d };
  }, [text]);
  return (
    <svg
      viewBox={`-3 -3 ${size + 6} ${size + 6}`}
      className="size-40 shrink-0 rounded-lg bg-white"
      role="img"
      aria-label={`QR code of ${text}`}
      shapeRendering="crispEdges"
    >
      <path d={path} fill="#000" />
    </svg>
  );
}
