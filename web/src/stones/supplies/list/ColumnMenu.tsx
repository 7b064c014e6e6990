import { Columns3 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Button } from '../../../ui/button.tsx';
import { COLUMNS } from './columns.ts';

/** Which columns are shown. */
export function ColumnMenu({ shown, onChange }: { shown: readonly string[]; onChange: (next: string[]) => void }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          <Columns3 size={16} aria-hidden /> Columns
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="z-50 max-h-[70vh] overflow-auto rounded-xl border border-line bg-ground p-1.5 shadow-lg"
          sideOffset={4}
        >
          {COLUMNS.map((c) => (
            <DropdownMenu.CheckboxItem
              key={c.id}
              checked={shown.includes(c.id)}
              disabled={c.id === 'name'}
              onSelect={(e) => e.preventDefault()}
              onCheckedChange={(on) =>
                onChange(COLUMNS.map((o) => o.id).filter((id) => (id === c.id ? on : shown.includes(id))))
              }
              className="flex cursor-pointer items-center gap-2 rounded-md px-2 py-1 outline-none data-[highlighted]:bg-stone data-[disabled]:opacity-50"
            >
              <span className="w-4">{shown.includes(c.id) ? '✓' : ''}</span>
              {c.title}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
