import { toast } from 'sonner';
import { type Supply } from '@heronstone/core/plan';
import { TextField } from '../../../ui/fields/index.ts';
import { withPaperWeight } from './paper-weight.ts';

/** The weight of a paper, as g/m² or pounds of a basis (80 lb cover). */
export function PaperWeight({ supply, onCommit }: { supply: Supply; onCommit: (part: Partial<Supply>) => boolean }) {
  return (
    <TextField
      label="paper weight"
      placeholder="216 g or 80 lb cover"
      value={supply.grammage === null ? '' : `${supply.grammage} g/m²`}
      onCommit={(text) => {
        const typed = withPaperWeight(supply, text);
        if (typed.ok) return onCommit(typed.set);
        toast(typed.reason);
        return false;
      }}
    />
  );
}
