import { type FormEvent, useRef, useState } from 'react';
import { parseLength } from '@heronstone/core/lengths';
import { newId } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';

export type Ghost = { length: number; turn: number };

/** The wall one stands before: Enter takes its length and goes on to the next. */
export function NextWall({ first, onGhost }: { first: boolean; onGhost: (ghost: Ghost | null) => void }) {
  const measure = usePlan((s) => s.plan.head.measure);
  const dispatch = usePlan((s) => s.dispatch);
  const [text, setText] = useState('');
  const [turn, setTurn] = useState('90');
  const [trouble, setTrouble] = useState<string | null>(null);
  const box = useRef<HTMLInputElement>(null);

  const change = (next: string) => {
    setText(next);
    setTrouble(null);
    const got = parseLength(next, measure);
    onGhost(got.ok && got.mm > 0 ? { length: Math.min(got.mm, 30_000), turn: Number(turn) || 0 } : null);
  };
  const take = (e: FormEvent) => {
    e.preventDefault();
    const got = parseLength(text, measure);
    const degrees = Number(turn.replace('°', '').replace(',', '.'));
    if (!got.ok) return setTrouble(got.reason);
    if (got.mm <= 0) return setTrouble('A wall must be longer than zero.');
    if (turn.trim() === '' || !Number.isFinite(degrees) || Math.abs(degrees) > 179)
      return setTrouble('The turn is a number of degrees from −179 to 179: right is positive, 90 is a plain corner.');
    if (!dispatch({ type: 'addWall', wall: { id: newId('wall'), length: got.mm, turn: degrees, name: '' } })) return;
    setText('');
    setTurn('90');
    onGhost(null);
    box.current?.focus();
  };
  return (
    <form onSubmit={take} className="mt-2">
      <div className="grid grid-cols-[1fr_6rem_auto] items-end gap-2">
        <div>
          <label htmlFor="next-wall" className="block text-[13px] text-soft">
            {first ? 'The first wall: its length' : 'The next wall: its length'}
          </label>
          <input
            id="next-wall"
            ref={box}
            autoFocus={first}
            data-length
            autoComplete="off"
            className="w-full rounded-full border-2 border-heron bg-paper px-4 py-1.5 text-lg"
            placeholder={measure === 'metric' ? '320 or 3.2 m' : '126 or 10\' 6"'}
            value={text}
            onChange={(e) => change(e.target.value)}
            aria-invalid={trouble !== null}
          />
        </div>
        <div>
          <label htmlFor="next-turn" className="block text-[13px] text-soft">
            then turn
          </label>
          <input
            id="next-turn"
            className="w-full rounded-full border border-edge bg-paper px-3 py-2"
            value={turn}
            onChange={(e) => setTurn(e.target.value)}
          />
        </div>
        <Button type="submit" look="main" className="mb-0.5">
          Take it
        </Button>
      </div>
      {trouble && (
        <p role="alert" className="mt-1 text-clash">
          {trouble}
        </p>
      )}
    </form>
  );
}
