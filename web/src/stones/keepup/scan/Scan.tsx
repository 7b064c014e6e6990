import { toast } from 'sonner';
import { readCode } from '@heronstone/core/labels';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Reader } from './Reader.tsx';
import { PlaceScanned } from './PlaceScanned.tsx';
import { SupplyScanned } from './SupplyTaps.tsx';

/** Reads a code with the camera, off a picture, or typed by hand: what lives here, and what was done with it. */
export default function Scan() {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const place = plan.places[get('place') ?? ''];
  const supply = plan.supplies[get('supply') ?? ''];
  const found = (text: string): boolean => {
    const code = readCode(text);
    if (!code) {
      toast(`This code says “${text.slice(0, 60)}”: it is none of Heronstone’s.`);
      return false;
    }
    const known = code.kind === 'place' ? plan.places[code.id] : plan.supplies[code.id];
    if (!known) {
      toast(
        `A code of Heronstone, but nothing in ${plan.head.name} has it: it may be of another plan, or what it was on is gone.`,
      );
      return false;
    }
    select(code.kind === 'place' ? { place: code.id, supply: null } : { supply: code.id, place: null });
    return true;
  };
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <Reader onText={found} />
      {place ? (
        <PlaceScanned key={place.id} place={place} />
      ) : supply ? (
        <SupplyScanned supply={supply} />
      ) : (
        <p className="text-soft">What a code belongs to appears here.</p>
      )}
    </div>
  );
}
