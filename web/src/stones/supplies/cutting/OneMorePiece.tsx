import { Plus, Scissors } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { envelopeBlank, usualPieces } from '@heronstone/core/cutting';
import { formatLength } from '@heronstone/core/lengths';
import { type CutPiece, newId, type Plan } from '@heronstone/core/plan';
import { isCut, type WantedPiece } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, NumberField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { NO_SIZE, SizeFields } from './SizeFields.tsx';
import { GRAIN_WORDS } from './grain-words.ts';

type Usual = '' | 'envelope' | number;

/** One more piece: of a usual kind or one’s own, kept cut from now on, or cut this once. */
export function OneMore({ plan, onOnce }: { plan: Plan; onOnce: (once: readonly WantedPiece[]) => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const papers = Object.values(plan.supplies)
    .filter(isCut)
    .sort((a, b) => +(b.form === 'sheet') - +(a.form === 'sheet') || (a.name < b.name ? -1 : 1));
  const [paper, setPaper] = useState('');
  const [usual, setUsual] = useState<Usual>('');
  const [name, setName] = useState('');
  const [size, setSize] = useState(NO_SIZE);
  const [grain, setGrain] = useState<CutPiece['grain']>('any');
  const [count, setCount] = useState(10);
  const [each, setEach] = useState(false);
  const { measure } = plan.head;
  const supply = plan.supplies[paper] ?? papers[0];
  if (supply === undefined) return <p className="mt-2 text-soft">There is no sheet or stuff with a size yet to cut.</p>;
  const kinds =
    supply.width === null || supply.depth === null ? [] : usualPieces({ width: supply.width, depth: supply.depth });
  const same = papers.filter((p) => p.family !== '' && p.family === supply.family);
  const said = (width: number, depth: number) => `${formatLength(width, measure)} × ${formatLength(depth, measure)}`;
  const choose = (which: Usual) => {
    setUsual(which);
    const kind = typeof which === 'number' ? kinds[which] : undefined;
    if (kind) {
      setName(kind.name);
      setSize({ width: kind.width, depth: kind.depth });
    } else if (which === 'envelope') setName('envelope blank');
  };
  /** the piece as it is said, out of each of the papers; null when something of it is missing */
  const pieces = (): CutPiece[] | null => {
    if (name.trim() === '' || size.width === null || size.depth === null) {
      toast('A piece has a name, a width and a depth.');
      return null;
    }
    const side = envelopeBlank(size.width, size.depth);
    const sides = usual === 'envelope' ? { width: side, depth: side } : { width: size.width, depth: size.depth };
    return (each && same.length > 1 ? same : [supply]).map((p) => ({
      ...{ id: newId('piece'), supplyId: p.id, name: name.trim(), ...sides, grain },
      ...{ have: 0, keep: 8, below: 3, placeId: null },
    }));
  };
  const keep = () => {
    const commands = pieces()?.map((cutPiece) => ({ type: 'addCutPiece' as const, cutPiece }));
    if (commands && dispatch({ type: 'several', words: 'keep pieces cut', commands: commands as never })) setName('');
  };
  const cut = () => {
    const made = pieces();
    if (made) onOnce(made.map((piece) => ({ piece, count })));
  };
  return (
    <div role="group" aria-label="One more piece" className="mt-2 flex flex-wrap items-end gap-2">
      <SelectField
        label="out of"
        value={supply.id}
        options={papers.map((p) => [p.id, p.name] as const)}
        onCommit={(id) => {
          setPaper(id);
          setUsual('');
        }}
      />
      <SelectField
        label="usual pieces"
        value={String(usual)}
        options={[
          ['', 'of one’s own size'],
          ...kinds.map((k, i) => [String(i), `${k.name}, ${said(k.width, k.depth)}`] as const),
          ['envelope', 'an envelope for a card of …'],
        ]}
        onCommit={(v) => choose(v === '' || v === 'envelope' ? v : Number(v))}
      />
      <TextField label="piece" placeholder="card base" value={name} onCommit={setName} />
      <SizeFields size={size} onSize={setSize} />
      <SelectField
        label="grain"
        value={grain}
        options={(Object.keys(GRAIN_WORDS) as CutPiece['grain'][]).map((g) => [g, GRAIN_WORDS[g]] as const)}
        onCommit={setGrain}
      />
      <Button onClick={keep}>
        <Plus size={15} aria-hidden /> Keep it cut
      </Button>
      <NumberField className="w-16" label="or just" whole min={1} max={5000} value={count} onCommit={setCount} />
      <Button onClick={cut}>
        <Scissors size={15} aria-hidden /> Cut once
      </Button>
      <div className="basis-full text-[13px] text-soft">
        {same.length > 1 && (
          <CheckField
            label={`out of each of the ${same.length} in ${supply.family}`}
            checked={each}
            onCommit={setEach}
          />
        )}
        {usual === 'envelope' &&
          size.width !== null &&
          size.depth !== null &&
          `Folded from a square of ${formatLength(envelopeBlank(size.width, size.depth), measure)}, its corners to the middle.`}
      </div>
    </div>
  );
}
