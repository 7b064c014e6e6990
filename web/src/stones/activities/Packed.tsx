import { PackageCheck, Route } from 'lucide-react';
import { bringingOf } from '@heronstone/core/homes';
import { formatWeight } from '@heronstone/core/lengths';
import { apply, type Plan, type Station } from '@heronstone/core/plan';
import { packCommand, packingOf } from '@heronstone/core/stations';
import { toast } from 'sonner';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { BestSpots } from '../../ui/best-spots.tsx';
import { Button } from '../../ui/button.tsx';
import { countWords, secondsWords, today } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';
import { type Mapped } from './mapped.ts';

/** Is it packed, does it go in, what does bringing it take. */
export function Packed({
  station,
  plan,
  mapped,
  onMap,
}: {
  station: Station;
  plan: Plan;
  mapped: Mapped | null;
  onMap: (map: Mapped | null) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  const packing = packingOf(plan, station);
  if (!packing) return null;
  const bringing = bringingOf(plan, station);
  const pack = () => {
    const done = packCommand(plan, station, today(), (p, command) => {
      const next = apply(p, command);
      return next.ok ? next.plan : null;
    });
    if (!done) return void toast('Nothing more goes in.');
    if (dispatch(done.command))
      toast.success(`${countWords(done.packed.length, 'supply', 'supplies')} packed into ${packing.traveller.name}`, {
        description:
          done.left.length > 0
            ? `No room for ${done.left.map((s) => s.name).join(', ')}. Ctrl Z takes it back.`
            : 'All it reaches for. Ctrl Z takes it back.',
      });
  };
  const parking = async () => {
    const map = await work.run((api, tell) => api.carts(plan, packing.traveller.id, tell));
    if (map) onMap({ map, of: 'cart', id: packing.traveller.id });
    else toast('The walls must close first: measure the room.');
  };
  return (
    <div className="mt-2 text-[14px]">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <strong>{packing.traveller.name}</strong>
        <span>
          {packing.packed.length} of {packing.packed.length + packing.missing.length} packed ·{' '}
          {formatWeight(packing.mass, plan.head.measure)}
        </span>
        <span className="text-soft">
          {bringing.reason ??
            (bringing.seconds > 0
              ? `${secondsWords(bringing.seconds)} a session to bring it and put it away`
              : 'it stands at the seat already')}
        </span>
        {packing.missing.length > 0 && (
          <Button onClick={pack}>
            <PackageCheck size={15} aria-hidden /> Pack it
          </Button>
        )}
        {station.housing === 'cart' &&
          (work.share === null ? (
            <Button onClick={() => void parking()}>
              <Route size={15} aria-hidden /> Where should it park?
            </Button>
          ) : (
            <Working work={work} words="trying every spot" />
          ))}
      </p>
      {packing.missing.length > 0 && (
        <p className="text-soft">not in it: {packing.missing.map((s) => s.name).join(', ')}</p>
      )}
      {packing.idle.length > 0 && (
        <p className="text-soft">in it for something else: {packing.idle.map((s) => s.name).join(', ')}</p>
      )}
      {packing.trouble.map((t) => (
        <p key={t} className="text-clash">
          {t}
        </p>
      ))}
      {packing.care && <p className="text-[13px] text-soft">{packing.care}</p>}
      {mapped?.of === 'cart' && mapped.id === packing.traveller.id && (
        <BestSpots
          map={mapped.map}
          onTake={(b) =>
            dispatch({ type: 'setUnit', id: packing.traveller.id, set: { x: b.x, y: b.y, facing: b.heading } })
          }
          onClose={() => onMap(null)}
        />
      )}
    </div>
  );
}
