import { Route } from 'lucide-react';
import { type Unit } from '@heronstone/core/plan';
import { type FloorMap } from '@heronstone/core/stations';
import { toast } from 'sonner';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { BestSpots } from '../../ui/best-spots.tsx';
import { Button } from '../../ui/button.tsx';
import { Working } from '../../ui/working.tsx';

/** Where should this unit on wheels park? The map goes onto Floor, the best spots stand here. */
export function ParkingMap({
  unit,
  map,
  onMap,
}: {
  unit: Unit;
  map: FloorMap | null;
  onMap: (map: FloorMap | null) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const work = useLongWork();
  const ask = async () => {
    const found = await work.run((api, tell) => api.carts(usePlan.getState().plan, unit.id, tell));
    if (found) onMap(found);
    else toast('The walls must close first: measure the room.');
  };
  if (work.share !== null) return <Working work={work} words="trying every spot" />;
  if (map)
    return (
      <BestSpots
        map={map}
        onTake={(b) => dispatch({ type: 'setUnit', id: unit.id, set: { x: b.x, y: b.y, facing: b.heading } })}
        onClose={() => onMap(null)}
      />
    );
  return (
    <Button look="quiet" onClick={() => void ask()}>
      <Route size={15} aria-hidden /> Where should {unit.name} park?
    </Button>
  );
}
