import { useState } from 'react';
import { STORAGE, storageFormsOf } from '@heronstone/core/fit';
import { type Supply } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { StorageSheet } from './StorageSheet.tsx';

/** How it is kept, how it may be kept besides, and what other ways would take. */
export function Keeping({ supply, set }: { supply: Supply; set: (part: Partial<Supply>) => void }) {
  const plan = usePlan((s) => s.plan);
  const [storing, setStoring] = useState(false);
  const forms = storageFormsOf(supply);
  const others = forms.filter((form) => form !== supply.storage);
  return (
    <>
      <SelectField
        label="Kept"
        value={supply.storage}
        options={[...new Set([...forms, supply.storage])].map((f) => [f, STORAGE[f].name] as const)}
        onCommit={(storage) => set({ storage })}
      />
      {others.length > 0 && (
        <fieldset className="text-[14px]">
          <legend className="text-[13px] text-soft">May also be kept, where that makes a better home</legend>
          <div className="flex flex-wrap gap-x-3">
            {others.map((form) => (
              <label key={form} className="inline-flex items-center gap-1">
                <input
                  type="checkbox"
                  checked={supply.mayKeep.includes(form)}
                  onChange={(e) =>
                    set({
                      mayKeep: e.target.checked
                        ? [...supply.mayKeep, form]
                        : supply.mayKeep.filter((other) => other !== form),
                    })
                  }
                />
                {STORAGE[form].name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      <Button onClick={() => setStoring(true)}>Other ways to keep it …</Button>
      {storing && <StorageSheet plan={plan} supplies={[supply]} onClose={() => setStoring(false)} />}
    </>
  );
}
