import { placeSaid } from '@heronstone/core/concepts';
import { Minus, Plus, Scissors, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { envelopeBlank, usualPieces } from '@heronstone/core/cutting';
import { formatLength } from '@heronstone/core/lengths';
import { type CutPiece, newId, type Plan } from '@heronstone/core/plan';
import { cutSaves, isCut, type WantedPiece } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, NumberField, SelectField, TextField } from '../../../ui/fields.tsx';
import { PlaceField } from '../../../ui/place-field.tsx';
import { yearWords } from '../../../ui/words.ts';
import { NO_SIZE, SizeFields } from './SizeFields.tsx';

const GRAIN_WORDS: Record<CutPiece['grain'], string> = {
  any: 'either way',
  width: 'grain along its width',
  depth: 'grain along its depth',
};

/** Pieces kept cut ahead: how many there are, below how many they are cut again, and what that saves. */
export function Pieces({
  plan,
  pieces,
  wanted,
  onWant,
  once,
  onOnce,
}: {
  plan: Plan;
  pieces: readonly CutPiece[];
  wanted: (piece: CutPiece) => number;
  onWant: (id: string, count: number) => void;
  once: readonly WantedPiece[];
  onOnce: (once: readonly WantedPiece[]) => void;
}) {
  return (
    <section aria-label="Kept cut" data-print-part="none">
      <h2 className="font-display text-lg font-semibold">Kept cut ahead</h2>
      {pieces.length === 0 && (
        <p className="max-w-xl text-soft">
          Eight or ten card bases of each colour, cut at once, save more time than any shelf (common practice). Say a
          piece below; from then on it is said here when it is time to cut again.
        </p>
      )}
      {pieces.length > 0 && (
        <ul className="grid grid-cols-1 gap-x-6 xl:grid-cols-2">
          {pieces.map((p) => (
            <Row key={p.id} plan={plan} piece={p} wanted={wanted(p)} onWant={(n) => onWant(p.id, n)} />
          ))}
        </ul>
      )}
      {once.length > 0 && (
        <ul aria-label="Cut this once" className="mt-1 flex flex-wrap gap-2">
          {once.map(({ piece, count }) => (
            <li
              key={piece.id}
              className="flex items-center gap-1 rounded-full border border-edge bg-paper pl-3 text-[14px]"
            >
              this once: {count} {piece.name} of {plan.supplies[piece.supplyId]?.name}
              <Button
                look="quiet"
                className="!px-1.5"
                aria-label={`Not ${piece.name} of ${plan.supplies[piece.supplyId]?.name}`}
                onClick={() => onOnce(once.filter((w) => w.piece.id !== piece.id))}
              >
                <X size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <OneMore plan={plan} onOnce={(more) => onOnce([...once, ...more])} />
    </section>
  );
}

/** One piece: how many there are of those kept, each a little sheet; its numbers when asked for. */
function Row({
  plan,
  piece,
  wanted,
  onWant,
}: {
  plan: Plan;
  piece: CutPiece;
  wanted: number;
  onWant: (count: number) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const [open, setOpen] = useState(false);
  const { measure } = plan.head;
  const paper = plan.supplies[piece.supplyId]!;
  const saves = cutSaves(plan, piece);
  const set = (part: Partial<CutPiece>) => dispatch({ type: 'setCutPiece', id: piece.id, set: part });
  const title = `${piece.name} of ${paper.name}`;
  return (
    <li className="border-t border-line py-1.5">
      <div className="flex items-center gap-2">
        <button
          type="button"
          aria-expanded={open}
          className="min-w-0 grow text-left hover:text-heron"
          onClick={() => setOpen(!open)}
        >
          <span className="block truncate">
            <strong className="font-semibold">{piece.name}</strong> {paper.name}{' '}
            <span className="text-soft">
              {formatLength(piece.width, measure)} × {formatLength(piece.depth, measure)}
            </span>
          </span>
          <Level piece={piece} colour={paper.colour} wanted={wanted} />
        </button>
        <Button
          className="!px-2.5"
          aria-label={`One ${title} used`}
          disabled={piece.have === 0}
          onClick={() => set({ have: piece.have - 1 })}
        >
          <Minus size={15} aria-hidden />
        </Button>
        <Button aria-pressed={wanted > 0} onClick={() => onWant(wanted > 0 ? 0 : Math.max(1, piece.keep - piece.have))}>
          {wanted > 0 ? `cut ${wanted}` : 'not now'}
        </Button>
      </div>
      {open && (
        <div className="mt-1 flex flex-wrap items-end gap-2">
          <NumberField className="w-20" label="there are" whole value={piece.have} onCommit={(have) => set({ have })} />
          <NumberField className="w-20" label="kept" whole value={piece.keep} onCommit={(keep) => set({ keep })} />
          <NumberField
            className="w-24"
            label="again below"
            whole
            value={piece.below}
            onCommit={(below) => set({ below })}
          />
          <NumberField className="w-20" label="cut now" whole value={wanted} onCommit={onWant} />
          <PlaceField
            plan={plan}
            label="they lie in"
            placeId={piece.placeId}
            onCommit={(placeId) => set({ placeId })}
          />
          <Button look="quiet" onClick={() => dispatch({ type: 'removeCutPiece', id: piece.id })}>
            <Trash2 size={15} aria-hidden /> Keep it no longer
          </Button>
          <p className="basis-full text-[13px] text-soft">
            {GRAIN_WORDS[piece.grain]}
            {piece.placeId !== null &&
              plan.places[piece.placeId] &&
              `; they lie in ${placeSaid(plan, plan.places[piece.placeId]!)}`}
            {saves > 60 && `; cut ahead it saves ${yearWords(saves)}`}
          </p>
        </div>
      )}
    </li>
  );
}

/** More than so many are not drawn one by one. */
const DRAWN = 24;

/** So many there are, so many are kept, below the mark they are cut again; what is to be cut now in outline. */
function Level({ piece, colour, wanted }: { piece: CutPiece; colour: string | null; wanted: number }) {
  const { have, keep, below } = piece;
  const all = Math.min(DRAWN, Math.max(have + wanted, keep, 1));
  return (
    <span className="mt-0.5 flex items-center gap-[3px]">
      {Array.from({ length: all }, (_, i) => (
        <span
          key={i}
          aria-hidden
          className={`h-5 w-3 shrink-0 rounded-[2px] border ${i < have ? 'border-ink' : i < have + wanted ? 'border-dashed border-heron' : 'border-line'} ${i === below - 1 ? 'mr-1.5' : ''}`}
          style={{ background: i < have ? (colour ?? 'var(--wood)') : 'transparent' }}
        />
      ))}
      <span className={`ml-1 text-[13px] ${have < below ? 'text-clash' : 'text-soft'}`}>
        {have} of {keep}
        {have < below && ', cut again'}
      </span>
    </span>
  );
}

type Usual = '' | 'envelope' | number;

/** One more piece: of a usual kind or one’s own, kept cut from now on, or cut this once. */
function OneMore({ plan, onOnce }: { plan: Plan; onOnce: (once: readonly WantedPiece[]) => void }) {
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
