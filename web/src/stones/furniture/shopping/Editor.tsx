import { Trash2 } from 'lucide-react';
import { DIVISION_KINDS, NATURES } from '@heronstone/core/catalogue';
import { type Organiser } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../../../ui/fields/index.ts';

const NATURE_WORDS: Record<Organiser['nature'], string> = {
  row: 'a row',
  area: 'laid out in it',
  bulk: 'thrown in',
  pile: 'a pile',
  pockets: 'pockets',
};

export function Editor({ organiser }: { organiser: Organiser }) {
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<Organiser>) => dispatch({ type: 'setOrganiser', id: organiser.id, set: part });
  const length = (key: 'width' | 'depth' | 'height', inner: 'innerWidth' | 'innerDepth' | 'innerHeight') => (
    <LengthField
      label={key}
      positive
      mm={organiser[key]}
      // the wall stays as thick as it was
      onCommit={(mm) =>
        mm !== null && set({ [key]: mm, [inner]: Math.max(1, mm - (organiser[key] - organiser[inner])) })
      }
    />
  );
  const [way, parts] = organiser.divided.split(' ');
  return (
    <div className="grid grid-cols-3 items-end gap-2 sm:grid-cols-5">
      <TextField
        className="sm:col-span-2"
        label="container"
        value={organiser.name}
        onCommit={(name) => set({ name })}
      />
      {length('width', 'innerWidth')}
      {length('depth', 'innerDepth')}
      {length('height', 'innerHeight')}
      <NumberField
        label="in a pack"
        whole
        min={1}
        max={1000}
        value={organiser.packOf}
        onCommit={(packOf) => set({ packOf })}
      />
      <NumberField label="at hand" whole max={1000} value={organiser.have} onCommit={(have) => set({ have })} />
      <SelectField
        label="things lie in it as"
        value={organiser.nature}
        options={NATURES.map((n) => [n, NATURE_WORDS[n]] as const)}
        onCommit={(nature) => set({ nature, pockets: nature === 'pockets' ? organiser.pockets || 20 : 0 })}
      />
      {organiser.nature === 'pockets' ? (
        <NumberField
          label="pockets"
          whole
          min={1}
          max={2000}
          value={organiser.pockets}
          onCommit={(pockets) => set({ pockets })}
        />
      ) : (
        <SelectField
          label="divided into"
          value={way || 'none'}
          options={[['none', 'nothing'], ...DIVISION_KINDS.map((k) => [k, k] as const)]}
          onCommit={(kind) =>
            set({
              divided:
                kind === 'none' ? '' : kind === 'slots' || kind === 'trays' ? `${kind} 3` : `${kind} rest,rest,rest`,
            })
          }
        />
      )}
      {way && (
        <NumberField
          label="parts"
          whole
          min={1}
          max={30}
          value={way === 'slots' || way === 'trays' ? Number(parts) : parts!.split(',').length}
          onCommit={(n) =>
            set({
              divided:
                way === 'slots' || way === 'trays'
                  ? `${way} ${n}`
                  : `${way} ${new Array<string>(n).fill('rest').join(',')}`,
            })
          }
        />
      )}
      <CheckField
        label="lid"
        checked={organiser.lid}
        onCommit={(lid) => set({ lid, lidRise: lid ? organiser.lidRise || 60 : 0 })}
      />
      {organiser.lid && (
        <LengthField
          label="lid needs above"
          mm={organiser.lidRise}
          onCommit={(mm) => mm !== null && set({ lidRise: mm })}
        />
      )}
      <CheckField label="see-through" checked={organiser.seeThrough} onCommit={(seeThrough) => set({ seeThrough })} />
      <CheckField label="carried to the seat" checked={organiser.carried} onCommit={(carried) => set({ carried })} />
      <Button
        look="quiet"
        className="!px-1"
        aria-label={`Take out ${organiser.name} everywhere`}
        onClick={() => dispatch({ type: 'removeOrganiser', id: organiser.id })}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </div>
  );
}
