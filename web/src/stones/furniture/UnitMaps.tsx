import { MapPin, Route } from 'lucide-react';
import { type ReactNode } from 'react';
import { type StandMap } from '@heronstone/core/arrange';
import { type Unit } from '@heronstone/core/plan';
import { type FloorMap } from '@heronstone/core/stations';
import { toast } from 'sonner';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { BestSpots } from '../../ui/best-spots.tsx';
import { Button } from '../../ui/button.tsx';
import { today, yearWords } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';

/** A map of a unit: where it parks, for what is on wheels, or where it stands. */
export type UnitMap = { of: 'parking'; id: string; map: FloorMap } | { of: 'stand'; id: string; map: StandMap };

/** Where should this unit on wheels park, and where should any unit stand? The map goes onto Floor, the best spots stand here. */
export function UnitMaps({
  unit,
  mobile,
  shown,
  onMap,
}: {
  unit: Unit;
  /** it parks */
  mobile: boolean;
  shown: UnitMap | null;
  onMap: (map: UnitMap | null) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  const park = async () => {
    const map = await work.run((api, tell) => api.carts(usePlan.getState().plan, unit.id, tell));
    if (map) onMap({ of: 'parking', id: unit.id, map });
    else toast('The walls must close first: measure the room.');
  };
  const stand = async () => {
    const map = await work.run((api, tell) => api.stands(usePlan.getState().plan, unit.id, today(), tell));
    if (map) onMap({ of: 'stand', id: unit.id, map });
    else toast('The walls must close first, and the unit must be free to move: not pinned, not part of another.');
  };
  if (work.share !== null)
    return <Working work={work} words="trying every spot, then finding homes for the best ones" />;
  if (shown?.of === 'parking')
    return (
      <BestSpots
        map={shown.map}
        onTake={(b) => dispatch({ type: 'setUnit', id: unit.id, set: { x: b.x, y: b.y, facing: b.heading } })}
        onClose={() => onMap(null)}
      />
    );
  if (shown)
    return (
      <BestSpots
        map={shown.map}
        saying={(b) => `${yearWords(b.saves)} less, ${b.words}`}
        none={`No spot was found that makes nothing new wrong and saves anything: ${unit.name} stands well where it is.`}
        onTake={(b) => dispatch(b.command) && onMap(null)}
        onClose={() => onMap(null)}
      />
    );
  return (
    <>
      {mobile && (
        <Ask icon={<Route size={15} aria-hidden />} onAsk={() => void park()}>
          Where should {unit.name} park?
        </Ask>
      )}
      <Ask icon={<MapPin size={15} aria-hidden />} onAsk={() => void stand()}>
        Where should {unit.name} stand?
      </Ask>
    </>
  );
}

function Ask({ icon, onAsk, children }: { icon: ReactNode; onAsk: () => void; children: ReactNode }) {
  return (
    <Button look="quiet" onClick={onAsk}>
      {icon} {children}
    </Button>
  );
}
