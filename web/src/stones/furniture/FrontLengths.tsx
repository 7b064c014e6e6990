import { useRef } from 'react';
import { type Place, type Unit } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { useDrawnBox } from '../../ui/drawn-scale.ts';
import { type Arrow } from '../../views/arrows/arrow.ts';
import { Arrows } from '../../views/arrows/Arrows.tsx';
import { Front } from '../../views/front/Front.tsx';
import { fitted } from '../../views/seen.ts';
import { frontBox } from '../../views/front/front-box.ts';

/** Room for an arrow and its field beside the front and below it, px. */
const BESIDE = 84;
const BELOW = 34;

/** A unit from the front with the lengths that are up and down on it: how high it is, and how far above the floor where it hangs. */
export function FrontLengths({ unit, place }: { unit: Unit; place: Place | undefined }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const whole = useRef<HTMLDivElement>(null);
  const box = useDrawnBox(whole);
  const set = (part: Partial<Unit>) => dispatch({ type: 'setUnit', id: unit.id, set: part });
  const hangs = unit.mount === 'wall' || unit.mount === 'on' || unit.mount === 'door';
  const of = frontBox(plan, unit);
  const room = { width: Math.max(1, box.width - BESIDE), height: Math.max(1, box.height - (hangs ? BELOW : 0)) };
  // how many mm a pixel is
  const { at, scale } = fitted(of, room);
  const beside = unit.width + 14 * scale;
  const arrows: Arrow[] = [
    {
      key: 'height',
      label: 'height',
      from: { x: beside, y: 0 },
      to: { x: beside, y: unit.height },
      mm: unit.height,
      positive: true,
      onLength: (height) => set({ height }),
    },
  ];
  if (hangs)
    arrows.push({
      key: 'bottom',
      label: 'above the floor',
      from: { x: unit.width / 2, y: unit.height },
      to: { x: unit.width / 2, y: unit.height + (BELOW - 4) * scale },
      mm: unit.bottom,
      onLength: (bottom) => set({ bottom }),
    });
  return (
    <div ref={whole} className="relative h-full w-72 shrink-0">
      <div className="absolute left-0 top-0" style={room}>
        <Front plan={plan} unit={unit} chosen={place?.id ?? null} onChoose={(id) => select({ place: id })} />
      </div>
      {box.width > 0 && <Arrows arrows={arrows} at={at} frame={box} />}
    </div>
  );
}
