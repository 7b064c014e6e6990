import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { asOne, type Command, type Out, type Project } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { NumberField, SelectField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { newOut } from '../PutBack.tsx';
import { missing, packFrom, packOptions } from './pack-from.ts';

/** Fills a trip’s list from an activity, a set, a box or an earlier trip, for so many people; what is on it already is there once. */
export function PackLike({ project, outs }: { project: Project; outs: readonly Out[] }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [from, setFrom] = useState('');
  const [people, setPeople] = useState(1);
  const options = packOptions(plan, project.id);
  const activity = packFrom(from).what === 'activity';
  const add = () => {
    const { more, reason } = missing(plan, packFrom(from), people, outs);
    if (reason !== null) return void toast(reason);
    const commands = more.map(({ supplyId, count, double }): Command => ({
      type: 'addOut',
      out: newOut(supplyId, project.id, { state: 'wanted', count, double }),
    }));
    if (dispatch(asOne(`pack for ${project.name}`, commands)))
      toast(`${countWords(more.length, 'thing', 'things')} put on the list.`);
  };
  if (options.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2" role="group" aria-label="Fill the list">
      <SelectField
        className="w-64"
        label="all that is for"
        value={from}
        options={[['', 'choose …'], ...options]}
        onCommit={setFrom}
      />
      {activity && (
        <NumberField
          className="w-24"
          label="for how many"
          whole
          min={1}
          max={200}
          value={people}
          onCommit={setPeople}
        />
      )}
      <Button disabled={from === ''} onClick={add}>
        <Plus size={15} aria-hidden /> Put it on the list
      </Button>
    </div>
  );
}
