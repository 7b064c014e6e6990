import { useState } from 'react';
import { DIVISION_KINDS, type DivisionKind, readDivision } from '@heronstone/core/catalogue';
import { parseLength } from '@heronstone/core/lengths';
import { type Place, type Plan } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField, TextField } from '../../../ui/fields/index.ts';
import { divisionOf } from './division.ts';

const WAY_WORDS: Record<DivisionKind, string> = {
  lanes: 'lanes side by side',
  rows: 'rows one behind another',
  slots: 'upright slots',
  trays: 'trays on each other',
};

/** Lanes and the like, typed as “70, 70, rest”. */
export function Dividing({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const now = divisionOf(plan, place);
  const [kind, setKind] = useState<DivisionKind>(now.kind);
  const [unclear, setUnclear] = useState(false);
  const length = (text: string) => {
    const read = parseLength(text, plan.head.measure);
    return read.ok && read.mm > 0 ? read.mm : null;
  };
  return (
    <fieldset className="border-t border-line pt-1">
      <legend className="sr-only">Divided into</legend>
      <div className="grid grid-cols-2 items-start gap-2">
        <SelectField
          label="divided into"
          value={kind}
          options={DIVISION_KINDS.map((k) => [k, WAY_WORDS[k]] as const)}
          onCommit={setKind}
        />
        <TextField
          label={kind === 'slots' || kind === 'trays' ? 'how many' : 'sizes, or how many'}
          placeholder={kind === 'lanes' ? '7, 7, rest' : kind === 'rows' ? '10, rest' : '4'}
          value={kind === now.kind ? now.sizes : ''}
          onCommit={(typed) => {
            const into = readDivision(kind, typed, length);
            setUnclear(into === null);
            return into !== null && dispatch({ type: 'divide', id: place.id, into });
          }}
        />
      </div>
      {unclear && (
        <p role="alert" className="text-[13px] text-clash">
          Say sizes with commas, as “7, 7, rest”, or how many alike.
        </p>
      )}
      {now.sizes !== '' && (
        <Button look="quiet" className="!px-1" onClick={() => dispatch({ type: 'divide', id: place.id, into: '' })}>
          Take the dividers out
        </Button>
      )}
    </fieldset>
  );
}
