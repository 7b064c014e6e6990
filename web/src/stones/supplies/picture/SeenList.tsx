import { Trash2 } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { closeCall, holderOf } from '@heronstone/core/fit';
import { formatLength } from '@heronstone/core/lengths';
import { readSeen, type Seen, type SeenWay, standsAt, usualWay } from '@heronstone/core/lines';
import { type Place, type Plan } from '@heronstone/core/plan';
import { type Frame, type Plane, sidesOf } from '@heronstone/core/picture';
import { Button } from '../../../ui/button.tsx';
import { closeWords } from '../../../ui/close-words.ts';
import { CheckField, LengthField, SelectField } from '../../../ui/fields/index.ts';
import { Asked, Took } from '../lines/Took.tsx';
import { type Shape } from './shapes.ts';
import { type Upright } from './use-upright.ts';

const WAYS: readonly (readonly [SeenWay, string])[] = [
  ['flat', 'lies flat'],
  ['edge', 'on its edge'],
  ['upright', 'stands'],
];

/** What a shape says of its thing; null while it has no line, or reaches beyond the plane. */
export function seenOf(plan: Plan, shape: Shape, laid: { plane: Plane; frame: Frame }): Seen | null {
  const bare: Seen = {
    ...{ line: shape.line, width: shape.width, depth: shape.depth, round: shape.round, plusMinus: 0 },
    ...{ way: shape.way ?? 'flat', height: shape.height, colour: shape.takesColour ? shape.colour : null },
    heightSeen: shape.heightBy !== null,
    chosen: shape.chosen,
  };
  if (shape.line.trim() === '') return null;
  const first = readSeen(plan, null, bare);
  const way = shape.way ?? (first.what === 'supply' ? usualWay(first.supply) : 'flat');
  const above = shape.height ?? (first.what === 'supply' ? standsAt(first.supply, way) : 0);
  const sides = sidesOf(laid.plane, laid.frame, shape, Math.min(above, 1000));
  if (!sides) return null;
  return {
    ...bare,
    way,
    width: sides.width,
    depth: sides.depth,
    plusMinus: Math.max(sides.plusMinus, shape.heightBy ?? 0),
  };
}

/** A line for each thing that was drawn: what it is, how it lies, how high it stands; its size is the picture’s. */
export function SeenList({
  plan,
  place,
  laid,
  shapes,
  chosen,
  onChange,
  onRemove,
  onChoose,
  onDone,
  upright,
}: {
  plan: Plan;
  place: Place | null;
  laid: { plane: Plane; frame: Frame };
  /** how high a thing stands, asked of the picture */
  upright: Upright;
  shapes: readonly Shape[];
  chosen: string | null;
  onChange: (shape: Shape) => void;
  onRemove: (id: string) => void;
  onChoose: (id: string) => void;
  /** Enter in the last line */
  onDone: () => void;
}) {
  const next = (i: number) => {
    const other = shapes[i + 1];
    if (!other) return onDone();
    onChoose(other.id);
    document.getElementById(`line-${other.id}`)?.focus();
  };
  return (
    <ol aria-label="What lies there" className="divide-y divide-line">
      {shapes.map((shape, i) => (
        <SeenRow
          key={shape.id}
          {...{ plan, place, laid, shape, onChange, upright }}
          index={i}
          chosen={shape.id === chosen}
          onChoose={() => onChoose(shape.id)}
          onRemove={() => onRemove(shape.id)}
          onNext={() => next(i)}
        />
      ))}
    </ol>
  );
}

function SeenRow({
  plan,
  place,
  laid,
  shape,
  index,
  chosen,
  onChange,
  onChoose,
  onRemove,
  onNext,
  upright,
}: {
  plan: Plan;
  place: Place | null;
  laid: { plane: Plane; frame: Frame };
  upright: Upright;
  shape: Shape;
  index: number;
  chosen: boolean;
  onChange: (shape: Shape) => void;
  onChoose: () => void;
  onRemove: () => void;
  onNext: () => void;
}) {
  const { measure } = plan.head;
  const late = useDeferredValue(shape);
  const seen = useMemo(() => seenOf(plan, late, laid), [plan, late, laid]);
  const read = useMemo(() => (seen ? readSeen(plan, place, seen) : null), [plan, place, seen]);
  const sides = sidesOf(laid.plane, laid.frame, shape, 0);
  const above = seen && sidesOf(laid.plane, laid.frame, shape, shape.height ?? 1)?.unsaid;
  const close =
    place && read?.what === 'supply'
      ? closeCall(holderOf(place), { ...read.supply, id: 'seen' }, read.supply.working)
      : null;
  return (
    <li className={`py-1.5 ${chosen ? 'rounded-lg bg-stone/60 px-2' : ''}`}>
      <div className="flex items-center gap-2">
        <span className="w-6 shrink-0 text-right font-semibold">{index + 1}</span>
        <input
          id={`line-${shape.id}`}
          aria-label={`What is ${index + 1}?`}
          value={shape.line}
          autoComplete="off"
          placeholder="3 small ink pads"
          className="min-h-[34px] min-w-0 grow rounded-md border border-edge bg-paper px-2"
          onFocus={onChoose}
          onChange={(e) => onChange({ ...shape, line: e.target.value, chosen: null })}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            onNext();
          }}
        />
        <span className="shrink-0 text-[14px] text-soft">
          {formatLength(seen?.width ?? shape.width, measure)}
          {!shape.round && ` × ${formatLength(seen?.depth ?? shape.depth, measure)}`}
          {sides && ` ± ${formatLength(sides.plusMinus, measure)}`}
        </span>
        <Button look="quiet" className="!px-1.5" aria-label={`Leave out ${index + 1}`} onClick={onRemove}>
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      {read && (
        <div className="pl-8 text-[14px]">
          <Took read={read} />
          <Asked read={read} onChoose={(kind) => onChange({ ...shape, chosen: kind })} />
        </div>
      )}
      {close !== null && (
        <p className="pl-8 text-[14px] text-clash">Goes in if it is not more than {closeWords(close, measure)}.</p>
      )}
      {chosen && shape.line.trim() !== '' && (
        <div className="flex flex-wrap items-end gap-2 pl-8 pt-1">
          <SelectField
            label="how it lies there"
            value={seen?.way ?? 'flat'}
            options={WAYS}
            onCommit={(way) => onChange({ ...shape, way })}
          />
          <LengthField
            label="stands so high"
            optional
            positive
            empty="as such things do"
            mm={shape.height}
            onCommit={(height) => onChange({ ...shape, height, heightBy: null })}
          />
          {upright.ask && (
            <Button aria-pressed={upright.of === shape.id} onClick={() => upright.ask!(shape.id)}>
              By its foot and its top
            </Button>
          )}
          {shape.heightBy !== null && (
            <span className="pb-1.5 text-[14px] text-soft">± {formatLength(shape.heightBy, measure)}, by picture</span>
          )}
          {shape.colour && (
            <span className="flex items-center gap-1.5 pb-1">
              <span
                className="inline-block size-5 rounded-full border border-edge"
                style={{ background: shape.colour }}
              />
              <CheckField
                label="its colour"
                checked={shape.takesColour}
                onCommit={(takesColour) => onChange({ ...shape, takesColour })}
              />
            </span>
          )}
          {above && (
            <p className="w-full text-[13px] text-soft">
              What stands above the sheet looks larger, and this picture does not say how high the camera was: lay the
              sheet as high, where you can.
            </p>
          )}
        </div>
      )}
    </li>
  );
}
