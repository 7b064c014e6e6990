import { type Supply } from '@heronstone/core/plan';
import { LengthField, NumberField, WeightField } from '../../../ui/fields/index.ts';
import { PaperWeight } from './PaperWeight.tsx';

/** How large and heavy one piece is, and what there is of it to cut from. */
export function Sizes({ supply, set }: { supply: Supply; set: (part: Partial<Supply>) => boolean }) {
  const size = (key: 'width' | 'depth' | 'height', label: string) => (
    <LengthField label={label} optional positive mm={supply[key]} onCommit={(mm) => set({ [key]: mm })} />
  );
  return (
    <>
      <fieldset>
        <legend className="text-[13px] font-semibold">One piece, as it lies flat</legend>
        <div className="grid grid-cols-3 gap-2">
          {size('width', 'width')}
          {size('depth', 'depth')}
          {size('height', supply.form === 'sheet' ? 'thickness' : 'height')}
        </div>
        <div className="mt-1 grid grid-cols-3 gap-2">
          <WeightField label="weight" bare="g" max={200_000} g={supply.mass} onCommit={(mass) => set({ mass })} />
          {supply.form === 'sheet' && <PaperWeight supply={supply} onCommit={set} />}
          <NumberField
            label="stacked at most"
            whole
            max={10_000}
            value={supply.stackLimit ?? 0}
            unit={supply.stackLimit ? 'high' : 'any'}
            onCommit={(n) => set({ stackLimit: n > 0 ? n : null })}
          />
        </div>
      </fieldset>
      {(supply.form === 'roll' || supply.form === 'soft') && (
        <fieldset>
          <legend className="text-[13px] font-semibold">Opened out, to cut from</legend>
          <div className="grid grid-cols-2 gap-2">
            <LengthField
              label="face"
              empty="not said"
              optional
              positive
              mm={supply.openWidth}
              onCommit={(openWidth) => set({ openWidth })}
            />
            <LengthField
              label="length left"
              empty="not said"
              optional
              positive
              mm={supply.openLength}
              onCommit={(openLength) => set({ openLength })}
            />
          </div>
        </fieldset>
      )}
    </>
  );
}
