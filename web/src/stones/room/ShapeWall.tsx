import { useState } from 'react';
import { newId, type Wall, wallsInOrder } from '@heronstone/core/plan';
import { turnFromDiagonal } from '@heronstone/core/survey';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { LengthField } from '../../ui/fields/index.ts';
import { type Shaping } from './WallMenu.tsx';

const WORDS: Record<Shaping, [title: string, ...labels: string[]]> = {
  alcove: ['Alcove', 'from the left', 'width', 'depth'],
  breast: ['Chimney breast', 'from the left', 'width', 'depth'],
  corner: ['Cut the corner after this wall', 'off this wall', 'off the next'],
  diagonal: ['Turn from a diagonal', 'from its start to the end of the next wall'],
};

/** Two or three lengths that shape a wall: nothing happens before they are all there and make sense. */
export function ShapeWall({ wall, shaping, onDone }: { wall: Wall; shaping: Shaping; onDone: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [sizes, setSizes] = useState<(number | null)[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [title, ...labels] = WORDS[shaping];
  const go = () => {
    const [a, b, c] = sizes;
    if (labels.some((_, i) => !sizes[i])) return setTrouble('It needs every length, each more than zero.');
    let done: boolean;
    if (shaping === 'corner')
      done = dispatch({ type: 'cutCorner', id: wall.id, newId: newId('wall'), along: a!, next: b! });
    else if (shaping === 'diagonal') {
      const walls = wallsInOrder(plan);
      const next = walls[(wall.seq + 1) % walls.length]!;
      const turn = next.id === wall.id ? null : turnFromDiagonal(wall.length, next.length, a!, wall.turn >= 0);
      if (turn === null)
        return setTrouble(
          next.id === wall.id
            ? 'Measure the next wall first.'
            : 'No corner has such a diagonal: it must be shorter than both walls together and longer than their difference.',
        );
      done = dispatch({ type: 'setWall', id: wall.id, set: { turn: Math.round(turn * 1000) / 1000 } });
    } else {
      const depth = shaping === 'breast' ? c! : -c!;
      const ids = [1, 2, 3, 4].map(() => newId('wall'));
      done = dispatch({ type: 'shapeWall', id: wall.id, ids, left: a!, width: b!, depth });
    }
    if (done) onDone();
  };
  return (
    <div className="mt-1.5 rounded-xl bg-stone/60 p-2 pl-9">
      <p className="font-semibold">{title}</p>
      <div className="grid grid-cols-3 gap-2">
        {labels.map((label, i) => (
          <LengthField
            key={label}
            className={shaping === 'diagonal' ? 'col-span-3' : ''}
            label={label}
            positive
            optional
            mm={sizes[i] ?? null}
            onCommit={(mm) => setSizes((now) => Object.assign([...now], { [i]: mm }))}
          />
        ))}
      </div>
      {trouble && (
        <p role="alert" className="text-[13px] text-clash">
          {trouble}
        </p>
      )}
      <div className="mt-1.5 flex gap-2">
        <Button look="main" onClick={go}>
          Do it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </div>
  );
}
