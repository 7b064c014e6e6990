import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type Wall } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, NumberField, TextField } from '../../ui/fields/index.ts';
import { OnWall } from './OnWall.tsx';
import { ShapeWall } from './ShapeWall.tsx';
import { type Shaping, WallMenu } from './WallMenu.tsx';

/** One wall as it was walked, with the doors and windows on it. */
export function WallRow({
  wall,
  index,
  suspect,
  chosen,
  onChoose,
}: {
  wall: Wall;
  index: number;
  suspect: boolean;
  chosen: boolean;
  onChoose: () => void;
}) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const things = [...Object.values(plan.openings), ...Object.values(plan.fixtures)]
    .filter((o) => o.wallId === wall.id)
    .sort((a, b) => a.left - b.left);
  const sloped = Object.values(plan.slopes).some((o) => o.wallId === wall.id);
  const [shaping, setShaping] = useState<Shaping | null>(null);
  const set = (part: Partial<Wall>) =>
    dispatch({
      type: 'setWall',
      id: wall.id,
      set: part,
    });
  return (
    <li
      className={`rounded-xl border px-2 py-1.5 ${chosen ? 'border-heron bg-paper' : suspect ? 'border-clash' : 'border-transparent hover:border-line'}`}
    >
      <div className="grid grid-cols-[1.6rem_1fr_4rem_auto] items-center gap-2 sm:grid-cols-[1.6rem_1fr_6.5rem_5rem_auto] [&>:nth-child(2)]:col-span-3 sm:[&>:nth-child(2)]:col-span-1 [&>:nth-child(3)]:col-start-2 sm:[&>:nth-child(3)]:col-start-auto">
        <button
          type="button"
          aria-expanded={chosen}
          aria-label={`Wall ${index + 1}: ${chosen ? 'close' : 'open'}`}
          className="rounded-full bg-stone py-0.5 text-center text-[13px]"
          onClick={onChoose}
        >
          {index + 1}
        </button>
        <TextField
          label={`Name of wall ${index + 1}`}
          hideLabel
          placeholder="name, if it helps"
          value={wall.name}
          onCommit={(name) => set({ name })}
        />
        <LengthField
          label={`Length of wall ${index + 1}`}
          hideLabel
          positive
          mm={wall.length}
          onCommit={(mm) => mm !== null && set({ length: mm })}
        />
        <NumberField
          label={`Turn after wall ${index + 1}`}
          hideLabel
          unit="°"
          min={-179}
          max={179}
          value={wall.turn}
          onCommit={(turn) => set({ turn })}
        />
        <span className="flex">
          <WallMenu
            wall={wall}
            index={index}
            onAdded={(thing) => select({ wall: wall.id, ...(thing ? { thing } : {}) })}
            onShape={(next) => {
              setShaping(next);
              if (!chosen) onChoose();
            }}
          />
          <Button
            look="quiet"
            className="!px-1.5"
            title="Take this wall out"
            aria-label={`Take out wall ${index + 1}`}
            onClick={() => dispatch({ type: 'removeWall', id: wall.id })}
          >
            <Trash2 size={16} aria-hidden />
          </Button>
        </span>
      </div>
      {things.length > 0 && !chosen && (
        <p className="pl-9 text-[13px] text-soft">
          {things.map((o) => ('hinge' in o ? o.kind : o.name)).join(', ')}
          {sloped && ', slope'}
        </p>
      )}
      {chosen && shaping && <ShapeWall key={shaping} wall={wall} shaping={shaping} onDone={() => setShaping(null)} />}
      {chosen && <OnWall wall={wall} />}
    </li>
  );
}
