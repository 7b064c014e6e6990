import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { type Project, type ProjectState } from '@heronstone/core/plan';
import { Button } from '../../../ui/button.tsx';

export function NewProject({ onAdd }: { onAdd: (kind: Project['kind'], name: string, state: ProjectState) => void }) {
  const [name, setName] = useState('');
  const add = (kind: Project['kind'], state: ProjectState) => {
    if (name.trim() === '') return void toast('Give it a name first.');
    onAdd(kind, name.trim().slice(0, 120), state);
    setName('');
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        add('project', 'idea');
      }}
    >
      <label htmlFor="new-project" className="block text-[13px] text-soft">
        A new one
      </label>
      <input
        id="new-project"
        value={name}
        maxLength={120}
        onChange={(e) => setName(e.target.value)}
        autoComplete="off"
        className="min-h-[34px] w-full rounded-md border border-edge bg-paper px-2"
      />
      <div className="mt-1 flex flex-wrap gap-1.5">
        <Button type="submit">
          <Plus size={15} aria-hidden /> Idea
        </Button>
        <Button onClick={() => add('project', 'going')}>Begin it</Button>
        <Button onClick={() => add('trip', 'planned')}>Pack for a trip</Button>
      </div>
    </form>
  );
}
