import { type Supply } from '@heronstone/core/plan';
import { Sheet } from '../../../ui/sheet.tsx';
import { SupplyEditor } from '../editor/SupplyEditor.tsx';

/** The supply in hand beside the list; on a phone in a sheet over it. */
export function InHand({
  chosen,
  phone,
  onClose,
}: {
  chosen: Supply | undefined;
  phone: boolean;
  onClose: () => void;
}) {
  const editor = chosen && <SupplyEditor key={chosen.id} supply={chosen} />;
  if (phone)
    return (
      chosen && (
        <Sheet title={chosen.name} onClose={onClose}>
          {editor}
        </Sheet>
      )
    );
  return (
    <aside aria-label="The supply in hand" className="min-w-0 overflow-auto pt-1 xl:max-h-[calc(100vh-8rem)]">
      {editor ?? <p className="pt-10 text-soft">Choose a supply to see its whole story.</p>}
    </aside>
  );
}
