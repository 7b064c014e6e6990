import { Bookmark, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { newId } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { COLUMNS, USUAL_COLUMNS } from './columns.ts';
import { type Looking } from './rows.ts';

/** Ways of looking at the list that were kept under a name. */
export function Views({
  looking,
  shown,
  onTake,
}: {
  looking: Looking;
  shown: readonly string[];
  onTake: (looking: Looking, shown: readonly string[]) => void;
}) {
  const views = usePlan((s) => s.plan.listViews);
  const dispatch = usePlan((s) => s.dispatch);
  const [name, setName] = useState('');
  const list = Object.values(views).sort((a, b) => a.name.localeCompare(b.name));
  const keep = () => {
    if (name.trim() === '') return;
    const view = {
      id: newId('view'),
      name: name.trim(),
      columns: [...shown],
      sortBy: looking.sortBy,
      descending: looking.descending,
      groupBy: looking.groupBy,
      filter: looking.only === '' ? looking.text : `${looking.only}:${looking.text}`,
    };
    if (dispatch({ type: 'addListView', listView: view })) setName('');
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          <Bookmark size={16} aria-hidden /> Views
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-50 w-64 rounded-xl border border-line bg-ground p-1.5 shadow-lg"
          sideOffset={4}
        >
          <DropdownMenu.Item
            className="cursor-pointer rounded-md px-2 py-1 outline-none data-[highlighted]:bg-stone"
            onSelect={() => onTake({ text: '', only: '', sortBy: '', descending: false, groupBy: '' }, USUAL_COLUMNS)}
          >
            As it comes
          </DropdownMenu.Item>
          {list.map((view) => (
            <div key={view.id} className="flex items-center">
              <DropdownMenu.Item
                className="grow cursor-pointer truncate rounded-md px-2 py-1 outline-none data-[highlighted]:bg-stone"
                onSelect={() => {
                  const m = /^(size|guess|home|buy|double):([\s\S]*)$/.exec(view.filter);
                  const { sortBy, descending, groupBy } = view;
                  onTake(
                    { text: m ? m[2]! : view.filter, only: m ? m[1]! : '', sortBy, descending, groupBy },
                    view.columns.filter((id) => COLUMNS.some((c) => c.id === id)),
                  );
                }}
              >
                {view.name}
              </DropdownMenu.Item>
              <DropdownMenu.Item
                aria-label={`Forget the view ${view.name}`}
                className="cursor-pointer rounded-md p-1.5 outline-none data-[highlighted]:bg-stone"
                onSelect={(e) => {
                  e.preventDefault();
                  dispatch({ type: 'removeListView', id: view.id });
                }}
              >
                <Trash2 size={14} aria-hidden />
              </DropdownMenu.Item>
            </div>
          ))}
          <DropdownMenu.Separator className="my-1 h-px bg-line" />
          <input
            aria-label="Keep this view as"
            placeholder="Keep this view as …"
            className="w-full rounded-md border border-edge bg-paper px-2 py-1"
            value={name}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') keep();
            }}
          />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
