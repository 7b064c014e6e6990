import { DoorOpen, Grid2x2, Trash2 } from 'lucide-react';
import { newId, type Opening, type Wall } from '@heronstone/core/plan';
import { asSeen } from '../../state/as-seen.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';

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
  const openings = Object.values(plan.openings)
    .filter((o) => o.wallId === wall.id)
    .sort((a, b) => a.left - b.left);
  const set = (part: Partial<Wall>) =>
    dispatch({
      type: 'setWall',
      id: wall.id,
      set: part,
      was: asSeen(wall, part),
    });
  const addOpening = (kind: Opening['kind']) => {
    const width = Math.min(kind === 'door' ? 850 : 1000, wall.length);
    dispatch({
      type: 'addOpening',
      opening: {
        id: newId(kind),
        wallId: wall.id,
        kind,
        left: Math.max(0, Math.round((wall.length - width) / 2)),
        width,
        sill: kind === 'door' ? 0 : 900,
        head: 2000,
        hinge: 'left',
        swing: 'in',
      },
    });
    if (!chosen) onChoose();
  };
  return (
    <li
      className={`rounded-xl border px-2 py-1.5 ${chosen ? 'border-heron bg-paper' : suspect ? 'border-clash' : 'border-transparent hover:border-line'}`}
    >
      <div className="grid grid-cols-[1.6rem_1fr_6.5rem_5rem_auto] items-center gap-2">
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
          <Button
            look="quiet"
            className="!px-1.5"
            title="A door on this wall"
            aria-label={`Add a door to wall ${index + 1}`}
            onClick={() => addOpening('door')}
          >
            <DoorOpen size={16} aria-hidden />
          </Button>
          <Button
            look="quiet"
            className="!px-1.5"
            title="A window on this wall"
            aria-label={`Add a window to wall ${index + 1}`}
            onClick={() => addOpening('window')}
          >
            <Grid2x2 size={16} aria-hidden />
          </Button>
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
      {openings.length > 0 && !chosen && (
        <p className="pl-9 text-[13px] text-soft">{openings.map((o) => o.kind).join(', ')}</p>
      )}
      {chosen && openings.length === 0 && (
        <p className="pl-9 text-[13px] text-soft">
          Nothing on it yet: the two signs on the right add a door or a window.
        </p>
      )}
      {chosen && openings.map((o) => <OpeningRow key={o.id} opening={o} wall={wall} />)}
    </li>
  );
}

function OpeningRow({ opening, wall }: { opening: Opening; wall: Wall }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Opening>) => dispatch({ type: 'setOpening', id: opening.id, set: part });
  const over = opening.left + opening.width - wall.length;
  const door = opening.kind === 'door';
  return (
    <div className="mt-1.5 border-t border-line pl-9 pt-1.5">
      <div className="flex items-center justify-between">
        <span className="font-semibold">{door ? 'Door' : 'Window'}</span>
        <Button
          look="quiet"
          className="!px-1.5"
          aria-label={`Take out this ${opening.kind}`}
          onClick={() => dispatch({ type: 'removeOpening', id: opening.id })}
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <div className="grid grid-cols-4 gap-2">
        <LengthField label="from the left" mm={opening.left} onCommit={(mm) => mm !== null && set({ left: mm })} />
        <LengthField label="width" positive mm={opening.width} onCommit={(mm) => mm !== null && set({ width: mm })} />
        {!door && <LengthField label="sill" mm={opening.sill} onCommit={(mm) => mm !== null && set({ sill: mm })} />}
        <LengthField label="head" positive mm={opening.head} onCommit={(mm) => mm !== null && set({ head: mm })} />
        {door && (
          <SelectField
            label="hinge, swing"
            value={`${opening.hinge} ${opening.swing}`}
            options={[
              ['left in', 'left, in'],
              ['right in', 'right, in'],
              ['left out', 'left, out'],
              ['right out', 'right, out'],
            ]}
            onCommit={(v) =>
              set({ hinge: v.split(' ')[0] as Opening['hinge'], swing: v.split(' ')[1] as Opening['swing'] })
            }
          />
        )}
      </div>
      {over > 0.5 && <p className="mt-0.5 text-[13px] text-clash">It ends {Math.round(over)} mm beyond the wall.</p>}
    </div>
  );
}
