import { useMemo, useState } from 'react';
import { type Activity, type Command, newId, type Use } from '@heronstone/core/plan';
import { readRecipe } from '@heronstone/core/stations';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { countWords } from '../../ui/words.ts';
import { ByFamily } from './ByFamily.tsx';

/** Many uses at once: by family, from a recipe of steps, or copied from a like activity. */
export function FastUses({ activity }: { activity: Activity }) {
  const [how, setHow] = useState<'recipe' | 'families' | 'copy' | null>(null);
  const choice = (id: NonNullable<typeof how>, words: string) => (
    <Button
      look={how === id ? 'main' : 'plain'}
      aria-expanded={how === id}
      onClick={() => setHow(how === id ? null : id)}
    >
      {words}
    </Button>
  );
  return (
    <section aria-label="Many at once" className="mt-3">
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-soft">Many at once:</span>
        {choice('families', 'By family')}
        {choice('recipe', 'From a recipe')}
        {choice('copy', 'As for another')}
      </div>
      <div className="pt-2">
        {how === 'recipe' && <FromRecipe activity={activity} onDone={() => setHow(null)} />}
        {how === 'families' && <ByFamily activity={activity} />}
        {how === 'copy' && <AsForAnother activity={activity} onDone={() => setHow(null)} />}
      </div>
    </section>
  );
}

function usesOf(uses: Readonly<Record<string, Use>>, activityId: string): Use[] {
  return Object.values(uses).filter((u) => u.activityId === activityId);
}

/** Commands that give an activity so many fetches of each supply; what it fetches already is set to the new number. */
function give(
  activityId: string,
  known: readonly Use[],
  wanted: Iterable<readonly [string, number, number]>,
): Command[] {
  return [...wanted].map(([supplyId, fetches, usedUp]) => {
    const use = known.find((u) => u.supplyId === supplyId);
    return use
      ? { type: 'setUse', id: use.id, set: { fetches } }
      : { type: 'addUse', use: { id: newId('use'), activityId, supplyId, fetches, usedUp } };
  });
}

function FromRecipe({ activity, onDone }: { activity: Activity; onDone: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [text, setText] = useState('');
  const recipe = useMemo(() => readRecipe(text, Object.values(plan.supplies)), [text, plan.supplies]);
  const take = () => {
    const commands = give(
      activity.id,
      usesOf(plan.uses, activity.id),
      [...recipe.fetches].map(([id, n]) => [id, n, 0] as const),
    );
    if (
      commands.length > 0 &&
      dispatch({ type: 'several', words: `the recipe of ${activity.name}`, commands } as Command)
    )
      onDone();
  };
  return (
    <div className="max-w-2xl">
      <label htmlFor="recipe" className="block text-[13px] text-soft">
        A step a line: what is done, a colon, what is fetched for it, with how often (×3)
      </label>
      <textarea
        id="recipe"
        rows={5}
        className="w-full rounded-md border border-edge bg-paper p-2"
        placeholder={'cut the sail: ripstop red, steel rule, craft knife ×3\nhem it: seam tape 6 mm ×4'}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      {recipe.unknown.map((u, i) => (
        <p key={i} className="text-[14px] text-clash">
          Line {u.line}: “{u.words}” is no single supply of this plan
          {u.like ? `; the nearest is ${u.like}.` : '.'}
        </p>
      ))}
      <p className="mt-1 flex items-center gap-3">
        <Button look="main" disabled={recipe.fetches.size === 0} onClick={take}>
          Take {countWords(recipe.fetches.size, 'supply', 'supplies')} over
        </Button>
        {recipe.steps > 0 && <span className="text-soft">{countWords(recipe.steps, 'step', 'steps')} read</span>}
      </p>
    </div>
  );
}

function AsForAnother({ activity, onDone }: { activity: Activity; onDone: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const others = Object.values(plan.activities).filter((a) => a.id !== activity.id);
  const [from, setFrom] = useState(others[0]?.id ?? '');
  if (others.length === 0) return <p className="text-soft">There is no other activity yet.</p>;
  const mine = usesOf(plan.uses, activity.id);
  const theirs = usesOf(plan.uses, from).filter((u) => !mine.some((m) => m.supplyId === u.supplyId));
  const take = () => {
    const commands = give(
      activity.id,
      mine,
      theirs.map((u) => [u.supplyId, u.fetches, u.usedUp] as const),
    );
    if (dispatch({ type: 'several', words: `uses as for ${plan.activities[from]!.name}`, commands } as Command))
      onDone();
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        className="w-52"
        label="the same as for"
        value={from}
        options={others.map((a) => [a.id, a.name] as const)}
        onCommit={setFrom}
      />
      <Button look="main" disabled={theirs.length === 0} onClick={take}>
        {theirs.length === 0 ? 'Nothing it lacks' : `Copy ${countWords(theirs.length, 'use', 'uses')}`}
      </Button>
    </div>
  );
}
