import { ChevronLeft, ChevronRight, Footprints, ZoomIn } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type Plan, type Station } from '@heronstone/core/plan';
import { useSelection } from '../../state/selection.ts';
import { useTurning } from '../../state/turning.ts';
import { Button } from '../../ui/button.tsx';
import { SunDial } from '../../views/sun/SunDial.tsx';
import { FindHomes } from './FindHomes.tsx';
import { Kept } from './Kept.tsx';
import { SeenFrom } from './SeenFrom.tsx';
import { Weighing } from './weighing/Weighing.tsx';

/** Over Round: whose seat it is seen from, how far it is turned, the sun, what there is to carry, how one works, and *find homes*. */
export function HomesHead({
  plan,
  stations,
  station,
  name,
  turn,
  onTurn,
  onStepCloser,
}: {
  plan: Plan;
  stations: readonly Station[];
  station: Station;
  /** of who sits there */
  name: string;
  turn: number;
  onTurn: (degrees: number) => void;
  /** null: there is nothing to step closer to, or one has */
  onStepCloser: (() => void) | null;
}) {
  const { select } = useSelection();
  const [weighing, setWeighing] = useState(false);
  const moving = useMemo(() => Object.values(plan.moves).filter((m) => m.doneOn === null).length, [plan.moves]);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line px-4 py-1">
        <h1 className="sr-only">Homes</h1>
        <SeenFrom stations={stations} chosen={station.id} onChoose={(id) => select({ seat: id, turn: null })} />
        <div className="flex items-center" role="group" aria-label="Turn">
          <Button
            look="quiet"
            className="!px-1"
            aria-label="Turn left"
            title="Turn left ( [ )"
            onClick={() => onTurn(turn - 15)}
          >
            <ChevronLeft size={18} aria-hidden />
          </Button>
          <button
            type="button"
            className="min-w-20 whitespace-nowrap text-[13px] text-soft hover:text-heron"
            onClick={() => onTurn(0)}
            title="Back to how the seat looks"
          >
            <Turned turn={turn} name={name} />
          </button>
          <Button
            look="quiet"
            className="!px-1"
            aria-label="Turn right"
            title="Turn right ( ] )"
            onClick={() => onTurn(turn + 15)}
          >
            <ChevronRight size={18} aria-hidden />
          </Button>
        </div>
        {onStepCloser && (
          <Button
            look="quiet"
            className="!px-1"
            aria-label="Step closer"
            title="Step closer: one unit large ( + )"
            onClick={onStepCloser}
          >
            <ZoomIn size={18} aria-hidden />
          </Button>
        )}
        <span className="grow" />
        <SunDial plan={plan} />
        {moving > 0 && (
          <Button onClick={() => select({ view: 'crossing' })}>
            <Footprints size={16} aria-hidden /> {moving} to carry
          </Button>
        )}
        <Button onClick={() => setWeighing(true)}>How you work</Button>
        <Kept />
        <FindHomes />
      </div>
      {weighing && <Weighing onClose={() => setWeighing(false)} />}
    </>
  );
}

/** Whose seat it is, or how far the room is turned from it; it follows while Round is dragged. */
function Turned({ turn: kept, name }: { turn: number; name: string }) {
  const turn = useTurning((s) => s.to) ?? kept;
  return turn === 0 ? name : `${Math.abs(turn)}° ${turn > 0 ? 'right' : 'left'}`;
}
