import { useState } from 'react';
import { toast } from 'sonner';
import { formatLength } from '@heronstone/core/lengths';
import { type Seen, takeSeen, thirdSide } from '@heronstone/core/lines';
import { sidesOf } from '@heronstone/core/picture';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';
import { FlatPane } from './FlatPane.tsx';
import { type OfProps } from './OfPlace.tsx';
import { SeenList, seenOf } from './SeenList.tsx';
import { type Tool } from './shapes.ts';
import { Tools } from './Tools.tsx';
import { useShapes } from './use-shapes.ts';
import { useUpright } from './use-upright.ts';
import { FootMark } from './FootMark.tsx';

/** One thing by itself: its two sides; then turned, the third. */
export function OfThing({ plan, picture, laid, held, marking }: OfProps) {
  const dispatch = usePlan((s) => s.dispatch);
  const [tool, setTool] = useState<Tool>('box');
  /** what the first picture said */
  const [first, setFirst] = useState<Seen | null>(null);
  const drawn = useShapes(picture, laid);
  const upright = useUpright(laid, drawn.shapes, drawn.change);
  const { measure } = plan.head;
  if (!laid || !held || !marking)
    return <p className="text-soft">Pull the corners to those of what is known: the picture is then laid flat here.</p>;
  const shape = drawn.shapes[0] ?? null;
  const sides = shape && sidesOf(laid.plane, laid.frame, shape, 0);
  const third = first && sides ? thirdSide([first.width, first.depth], [sides.width, sides.depth]) : null;
  const seen = shape && seenOf(plan, shape, laid);
  const take = (what: Seen) => {
    const done = takeSeen(plan, null, [what], today());
    if (!done.ok) return void toast.error(done.reason);
    if (!dispatch(done.command)) return;
    toast(`${what.line}: on the list, measured by picture.`);
    drawn.setShapes([]);
    setFirst(null);
  };
  return (
    <section aria-label="Laid flat" className="min-w-0 space-y-2">
      <Tools tool={tool} frame={laid.frame} onTool={setTool} onAdd={(s) => void drawn.draw(s)} />
      <FlatPane
        image={laid.image}
        frame={laid.frame}
        measure={measure}
        tool={upright.of === null ? tool : null}
        shapes={drawn.shapes.slice(0, 1)}
        chosen={drawn.chosen}
        words={(s) => s.line}
        label="The thing, laid flat"
        onDraw={(s) => {
          drawn.setShapes([]);
          void drawn.draw(s);
        }}
        onChoose={drawn.setChosen}
        onKey={drawn.onKey}
        onChange={drawn.change}
        onPress={upright.press}
      >
        {(px) => <FootMark at={upright.foot} px={px} />}
      </FlatPane>
      {upright.words && <p role="status">{upright.words}</p>}
      {first ? (
        <>
          <p>
            {first.line}: {formatLength(first.width, measure)} × {formatLength(first.depth, measure)} by the first
            picture.
          </p>
          {!shape ? (
            <p className="text-soft">Turn it on its side, take another picture, and draw round it.</p>
          ) : third === null ? (
            <p className="text-clash">
              No side of this is one of the first picture’s: is it the same thing, turned once?
            </p>
          ) : (
            <p>Its third side is {formatLength(third, measure)}.</p>
          )}
          <div className="flex flex-wrap gap-2">
            <Button
              look="main"
              disabled={third === null}
              onClick={() =>
                take({
                  ...first,
                  way: 'flat',
                  height: third,
                  heightSeen: true,
                  plusMinus: Math.max(first.plusMinus, sides?.plusMinus ?? 0),
                })
              }
            >
              Onto the list
            </Button>
            <Button look="quiet" onClick={() => setFirst(null)}>
              Begin again
            </Button>
          </div>
        </>
      ) : (
        <>
          <SeenList
            {...{ plan, place: null, laid, shapes: drawn.shapes.slice(0, 1), chosen: drawn.chosen, upright }}
            onChange={drawn.change}
            onRemove={drawn.remove}
            onChoose={drawn.setChosen}
            onDone={() => document.getElementById('take-thing')?.focus()}
          />
          <div className="flex flex-wrap gap-2">
            <Button id="take-thing" look="main" disabled={!seen} onClick={() => seen && take(seen)}>
              Onto the list
            </Button>
            <Button
              disabled={!seen}
              onClick={() => {
                setFirst(seen);
                drawn.setShapes([]);
              }}
            >
              Its third side, by another picture
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
