import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type Recipe as Row } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { TextField } from '../../ui/fields/index.ts';

/** A recipe to be written: steps one a line, an activity’s name alone goes to its seat. */
export function RecipeText({
  recipe,
  unknown,
  trouble,
  onGone,
}: {
  recipe: Row;
  unknown: readonly { line: number; words: string; like: string | null }[];
  trouble: string | null;
  onGone: () => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const [draft, setDraft] = useState<string | null>(null);
  const save = () => {
    if (draft === null || draft === recipe.text) return;
    if (dispatch({ type: 'setRecipe', id: recipe.id, set: { text: draft } })) setDraft(null);
  };
  return (
    <section aria-label="Recipe" className="space-y-1">
      <div className="flex items-end gap-2">
        <TextField
          className="grow"
          label="Recipe"
          value={recipe.name}
          onCommit={(name) => dispatch({ type: 'setRecipe', id: recipe.id, set: { name } })}
        />
        <Button
          look="quiet"
          aria-label={`Throw ${recipe.name} away`}
          onClick={() => {
            if (dispatch({ type: 'removeRecipe', id: recipe.id })) onGone();
          }}
        >
          <Trash2 size={15} aria-hidden />
        </Button>
      </div>
      <label className="block text-[13px] text-soft">
        Steps, one a line; a line with an activity’s name goes to its seat
        <textarea
          className="block h-32 w-full rounded-md border border-edge bg-paper p-2 text-[15px] text-ink"
          maxLength={8000}
          placeholder={'Kites\ncut the spars: steel rule, craft knife ×3\nPacking\nwrap it: tissue, packing tape ×2'}
          value={draft ?? recipe.text}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={save}
        />
      </label>
      {trouble && recipe.text.trim() !== '' && <p className="text-clash">{trouble}</p>}
      {unknown.length > 0 && (
        <ul className="text-[14px] text-clash">
          {unknown.map((u) => (
            <li key={`${u.line} ${u.words}`}>
              Line {u.line}: there is no “{u.words}”{u.like ? `; is it ${u.like}?` : '.'}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
