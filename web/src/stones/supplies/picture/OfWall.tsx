import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { formatLength } from '@heronstone/core/lengths';
import {
  asOne,
  blankFixture,
  blankHeater,
  blankOpening,
  type Command,
  type Fixture,
  newId,
  type Plan,
} from '@heronstone/core/plan';
import { sidesOf } from '@heronstone/core/picture';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { FlatPane } from './FlatPane.tsx';
import { keptPicture } from './keep.ts';
import { type OfProps } from './OfPlace.tsx';
import { type Point, type Shape } from './shapes.ts';
import { Tools } from './Tools.tsx';
import { useShapes } from './use-shapes.ts';

const KINDS = [
  ['socket', 'socket'],
  ['window', 'window'],
  ['door', 'door'],
  ['water', 'radiator'],
  ['electric', 'electric heater'],
  ['fire', 'fireplace'],
  ['fuseBoard', 'fuse board'],
  ['sink', 'sink'],
  ['lamp', 'lamp'],
  ['pipe', 'pipe'],
  ['obstacle', 'something in the way'],
] as const;
type Kind = (typeof KINDS)[number][0];

/** What was drawn on a wall, from its left end and the floor, mm. */
export type OnWall = { kind: Kind; left: number; bottom: number; width: number; height: number; plusMinus: number };

/** Brings what was drawn onto the wall. */
export function wallCommands(plan: Plan, wallId: string, things: readonly OnWall[]): Command[] {
  const { measure } = plan.head;
  const tidy = (mm: number) => Math.max(0, Math.round(mm));
  return things.map(({ kind, left, bottom, width, height, plusMinus }): Command => {
    const known = { sizeBy: 'picture', plusMinus: Math.round(10 * plusMinus) / 10 } as const;
    if (kind === 'window' || kind === 'door') {
      const blank = blankOpening(newId('opening'), kind, plan.walls[wallId]!, measure);
      const sill = kind === 'door' ? 0 : tidy(bottom);
      return {
        type: 'addOpening',
        opening: {
          ...blank,
          left: tidy(left),
          width: Math.max(1, tidy(width)),
          sill,
          head: Math.max(sill + 1, tidy(bottom + height)),
          ...known,
        },
      };
    }
    const blank: Fixture =
      kind === 'water' || kind === 'electric' || kind === 'fire'
        ? blankHeater(newId('fixture'), kind, wallId, tidy(left), measure)
        : blankFixture(newId('fixture'), kind, wallId, tidy(left), measure);
    return {
      type: 'addFixture',
      fixture: {
        ...blank,
        ...{ bottom: tidy(bottom), width: Math.max(1, tidy(width)), height: Math.max(1, tidy(height)) },
        ...known,
      },
    };
  });
}

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
        words={(s) => KINDS.find(([k]) => k === kindOf(s))![1]}
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
                options={KINDS}
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
