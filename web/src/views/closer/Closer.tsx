import { ChevronLeft, ChevronRight, Printer, ZoomOut } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { compartmentsOf, leavesOf, type Plan, type Unit } from '@heronstone/core/plan';
import { usePrinting } from '../../state/printing.ts';
import { Button } from '../../ui/button.tsx';
import { fileName } from '../../ui/file-name.ts';
import { singleKey } from '../../ui/single-keys.ts';
import { Working } from '../../ui/working.tsx';
import { Front } from '../front/Front.tsx';
import { Doors } from './Doors.tsx';
import { Looked } from './Looked.tsx';
import { beside, swiped } from './round-the-room.ts';

/** Things are drawn in their colours, and nothing is marked. */
const NO_MARKS: ReadonlyMap<string, 'came' | 'went'> = new Map();

/** One unit in place of the ribbon: its front to scale with everything in it drawn and named, beside it its places as one looks into them; the next unit is one key further. */
export function Closer({
  plan,
  unit,
  around,
  chosen,
  onChoose,
  onUnit,
  onBack,
}: {
  plan: Plan;
  unit: Unit;
  /** the units in the order in which they stand round the room */
  around: readonly Unit[];
  chosen: string | null;
  onChoose: (placeId: string) => void;
  onUnit: (unitId: string) => void;
  onBack: () => void;
}) {
  const [before, after] = [beside(around, unit.id, -1), beside(around, unit.id, 1)];
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const key = singleKey(e);
      if (key === '[' && before) onUnit(before.id);
      if (key === ']' && after) onUnit(after.id);
      if (key === '-') onBack();
      // where no drawing has the focus, whose own arrows these are
      const arrow = e.target === document.body ? { ArrowLeft: before, ArrowRight: after }[e.key] : null;
      if (arrow && !e.altKey && !e.ctrlKey && !e.metaKey) onUnit(arrow.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  // a door with nothing on it says nothing
  const leaves = useMemo(
    () => leavesOf(plan, unit).filter((leaf) => leaf.places.some((p) => p.label === 'inside')),
    [plan, unit],
  );
  const touched = useRef<{ x: number; y: number } | null>(null);
  return (
    <section
      aria-label={`Step closer: ${unit.name}`}
      className="border-y border-line bg-paper px-4 py-2"
      onPointerDown={(e) => {
        touched.current = e.pointerType === 'touch' ? { x: e.clientX, y: e.clientY } : null;
      }}
      onPointerUp={(e) => {
        const to = swiped(touched.current, { x: e.clientX, y: e.clientY });
        touched.current = null;
        if (to === 1 && after) onUnit(after.id);
        if (to === -1 && before) onUnit(before.id);
      }}
    >
      <header className="flex flex-wrap items-center gap-x-3">
        <Step way="left" unit={before} onUnit={onUnit} />
        <h2 className="font-display text-lg font-semibold" role="status">
          {unit.name}
        </h2>
        <Step way="right" unit={after} onUnit={onUnit} />
        <span className="grow" />
        <PrintMap plan={plan} unit={unit} />
        <Button onClick={onBack} title="Back to the whole room ( - )">
          <ZoomOut size={16} aria-hidden /> The whole room
        </Button>
      </header>
      <div className="mt-1 flex flex-col gap-4 sm:h-96 sm:flex-row">
        <div
          className="h-72 shrink-0 sm:h-full sm:w-auto sm:max-w-[44%]"
          style={{ aspectRatio: unit.width / unit.height }}
        >
          <Front plan={plan} unit={unit} marks={NO_MARKS} chosen={chosen} onChoose={onChoose} drop />
        </div>
        {leaves.length > 0 && <Doors plan={plan} unit={unit} leaves={leaves} />}
        <Looked key={unit.id} plan={plan} places={compartmentsOf(plan, unit.id)} chosen={chosen} onChoose={onChoose} />
      </div>
    </section>
  );
}

function Step({ way, unit, onUnit }: { way: 'left' | 'right'; unit: Unit | null; onUnit: (unitId: string) => void }) {
  if (!unit) return null;
  const left = way === 'left';
  return (
    <Button
      look="quiet"
      className="!px-1"
      aria-label={`Next to the ${way}: ${unit.name}`}
      title={left ? 'Next to the left ( [ )' : 'Next to the right ( ] )'}
      onClick={() => onUnit(unit.id)}
    >
      {left && <ChevronLeft size={18} aria-hidden />}
      {unit.name}
      {!left && <ChevronRight size={18} aria-hidden />}
    </Button>
  );
}

/** The map of a unit, to stick inside its door, on the paper of the plan’s measure. */
function PrintMap({ plan, unit }: { plan: Plan; unit: Unit }) {
  const { work, print } = usePrinting();
  const map = () =>
    print(fileName(unit.name, '', 'pdf'), plan.head.measure === 'metric' ? 'a4' : 'letter', (api, how, tell) =>
      api.maps(plan, { units: [unit.id] }, how, tell),
    );
  if (work.share !== null) return <Working work={work} words="drawing the map" />;
  return (
    <Button data-next="map" onClick={map}>
      <Printer size={16} aria-hidden /> Its map
    </Button>
  );
}
