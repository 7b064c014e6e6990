import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { formatLength } from '@heronstone/core/lengths';
import { asOne } from '@heronstone/core/plan';
import { sidesOf } from '@heronstone/core/picture';
import { frameOf } from '@heronstone/core/room';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { FlatPane } from './FlatPane.tsx';
import { keptPicture } from './keep.ts';
import { CHOICES, type Kind, KINDS, type OnWall, wallCommands } from './on-wall.ts';
import { type OfProps } from './OfPlace.tsx';
import { type Point, type Shape } from './shapes.ts';
import { Tools } from './Tools.tsx';
import { useShapes } from './use-shapes.ts';

/** A wall laid flat: sockets, windows, boards drawn at their heights and distances. */
export function OfWall({ plan, of, picture, laid, held, marking }: OfProps) {
  const dispatch = usePlan((s) => s.dispatch);
  const [kinds, setKinds] = useState<Record<string, Kind>>({});
  const [corner, setCorner] = useState<Point | null>(null);
  const [pressing, setPressing] = useState(false);
  const drawn = useShapes(picture, laid);
  const wall = plan.walls[of.id ?? ''];
  if (!wall) return <p className="text-soft">Choose the wall.</p>;
  if (!laid || !held || !marking)
    return <p className="text-soft">Pull the corners to where they belong: the wall is then laid flat here.</p>;
  const { measure } = plan.head;
  const { frame } = laid;
  const hangs = frameOf(plan, wall.id) !== undefined;
  // where the wall’s left end meets the floor: pressed; or the lower left corner of the wall itself
  const own = marking.known === 'itself' ? { x: 0, y: frame.height } : null;
  const from = corner ?? own;
  const kindOf = (s: Shape): Kind => kinds[s.id] ?? 'socket';
  const where = (s: Shape): OnWall | null => {
    if (!from) return null;
    const [width, height] = Math.round(s.turn / 90) % 2 === 1 ? [s.depth, s.width] : [s.width, s.depth];
    const plusMinus = sidesOf(laid.plane, frame, s, 0)?.plusMinus ?? 0;
    return {
      kind: kindOf(s),
      plusMinus,
      left: s.x - width / 2 - from.x,
      bottom: from.y - s.y - height / 2,
      width,
      height,
    };
  };
  const placed = drawn.shapes.flatMap((s) => where(s) ?? []);
  const put = async () => {
    const commands = wallCommands(plan, wall.id, placed);
    const kept = await keptPicture(of, held, marking, laid, drawn.shapes);
    const words = `put ${countWords(placed.length, 'thing', 'things')} on the wall`;
    if (!dispatch(asOne(words, [...commands, ...(kept ? [kept] : [])]))) return;
    toast(`${countWords(placed.length, 'thing is', 'things are')} on the wall now.`);
    drawn.setShapes([]);
  };
  return (
    <section aria-label="Laid flat" className="min-w-0 space-y-2">
      <div className="flex flex-wrap items-center gap-2">
        <Tools tool="box" only="box" frame={frame} onTool={() => undefined} onAdd={(s) => void drawn.draw(s)} />
        <Button aria-pressed={pressing} onClick={() => setPressing(!pressing)}>
          {from ? 'Another lower left corner' : 'Press where the wall’s left end meets the floor'}
        </Button>
      </div>
      <FlatPane
        image={laid.image}
        frame={frame}
        measure={measure}
        tool={pressing ? null : 'box'}
        shapes={drawn.shapes}
        chosen={drawn.chosen}
        words={(s) => CHOICES.find(([k]) => k === kindOf(s))![1]}
        label="The wall, laid flat"
        onDraw={(s) => void drawn.draw(s)}
        onChoose={drawn.setChosen}
        onKey={drawn.onKey}
        onChange={drawn.change}
        onPress={(p) => {
          setCorner(p);
          setPressing(false);
        }}
      >
        {(px) =>
          from && (
            <path
              d={`M${from.x} ${from.y - 24 * px}v${24 * px}h${24 * px}`}
              fill="none"
              stroke="var(--heron)"
              strokeWidth={3 * px}
              pointerEvents="none"
            />
          )
        }
      </FlatPane>
      <ol aria-label="On this wall" className="divide-y divide-line">
        {drawn.shapes.map((s, i) => {
          const at = where(s);
          return (
            <li key={s.id} className="flex flex-wrap items-end gap-2 py-1">
              <span className="w-6 pb-1.5 text-right font-semibold">{i + 1}</span>
              <SelectField
                label="what it is"
                value={kindOf(s)}
                options={hangs ? CHOICES : KINDS}
                onCommit={(kind) => setKinds({ ...kinds, [s.id]: kind })}
              />
              <span className="pb-1.5 text-[14px]">
                {at
                  ? `${formatLength(at.left, measure)} from the left, ${formatLength(at.bottom, measure)} up, ${formatLength(at.width, measure)} × ${formatLength(at.height, measure)}, ± ${formatLength(at.plusMinus, measure)}`
                  : 'Where does the wall begin?'}
              </span>
              <Button
                look="quiet"
                className="!px-1.5"
                aria-label={`Leave out ${i + 1}`}
                onClick={() => drawn.remove(s.id)}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
      </ol>
      <Button look="main" disabled={placed.length === 0} onClick={() => void put()}>
        Put {countWords(placed.length, 'thing', 'things')} on the wall
      </Button>
    </section>
  );
}
