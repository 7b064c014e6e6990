import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { newId, type Plan, type Scrap } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField, SelectField } from '../../../ui/fields/index.ts';
import { PlaceField } from '../../../ui/place-field.tsx';
import { NO_SIZE, SizeFields } from './SizeFields.tsx';

export function OneMore({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [size, setSize] = useState(NO_SIZE);
  const [count, setCount] = useState(1);
  const [paper, setPaper] = useState('');
  const [colour, setColour] = useState('#b03028');
  const [placeId, setPlace] = useState<string | null>(null);
  const papers = Object.values(plan.supplies)
    .filter((s) => s.colour !== null)
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const add = () => {
    const { width, depth } = size;
    if (width === null || depth === null) return void toast('A scrap has a width and a depth.');
    const scrap: Scrap = {
      id: newId('scrap'),
      supplyId: paper || null,
      colour: paper ? plan.supplies[paper]!.colour : colour,
      width,
      depth,
      count: Math.max(1, count),
      placeId,
    };
    if (dispatch({ type: 'addScrap', scrap })) setSize(NO_SIZE);
  };
  return (
    <form
      aria-label="One more scrap"
      className="mt-2 grid grid-cols-3 items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <SizeFields size={size} onSize={setSize} />
      <NumberField label="how many" whole min={1} value={count} onCommit={setCount} />
      <SelectField
        label="of"
        value={paper}
        options={[['', 'a colour'], ...papers.map((p) => [p.id, p.name] as const)]}
        onCommit={setPaper}
      />
      {paper === '' && (
        <label className="text-[13px] text-soft">
          colour
          <input
            type="color"
            value={colour}
            onChange={(e) => setColour(e.target.value)}
            className="block h-[34px] w-full rounded-md border border-edge bg-paper"
          />
        </label>
      )}
      <PlaceField plan={plan} label="filed in" placeId={placeId} onCommit={setPlace} />
      <Button type="submit">
        <Plus size={15} aria-hidden /> One more
      </Button>
    </form>
  );
}
