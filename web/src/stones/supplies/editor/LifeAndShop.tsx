import { type Life, type Supply } from '@heronstone/core/plan';
import { DayField, MoneyField, SelectField, TextField } from '../../../ui/fields/index.ts';
import { PhotoField } from '../../../ui/photo-field.tsx';

const LIFE: readonly (readonly [Life, string])[] = [
  ['current', 'in use'],
  ['second', 'second bin'],
  ['retired', 'retired, behind'],
];

/** Other names, picture, where it is bought, where it is in its life. */
export function LifeAndShop({ supply, set }: { supply: Supply; set: (part: Partial<Supply>) => boolean }) {
  return (
    <details open={supply.photo !== null || supply.alsoCalled !== '' || supply.shop !== ''}>
      <summary className="cursor-pointer text-[14px]">Picture, other names, shop, life</summary>
      <div className="mt-2 space-y-2">
        <PhotoField of={supply.name} photo={supply.photo} onCommit={(photo) => set({ photo })} />
        <TextField
          label="also called"
          placeholder="scalpel, craft knife"
          value={supply.alsoCalled}
          onCommit={(alsoCalled) => set({ alsoCalled: alsoCalled.slice(0, 400) })}
        />
        <div className="grid grid-cols-2 gap-2">
          <TextField label="bought at" value={supply.shop} onCommit={(shop) => set({ shop: shop.slice(0, 120) })} />
          <MoneyField
            label="a pack costs"
            amount={supply.price}
            empty="not said"
            onCommit={(price) => set({ price })}
          />
          <SelectField label="it is" value={supply.life} options={LIFE} onCommit={(life) => set({ life })} />
          <TextField
            label="bought in the set"
            value={supply.kit}
            onCommit={(kit) => set({ kit: kit.trim().slice(0, 120) })}
          />
          <DayField label="bought on" value={supply.boughtOn} onCommit={(boughtOn) => set({ boughtOn })} />
          <DayField label="last used on" value={supply.usedOn} onCommit={(usedOn) => set({ usedOn })} />
        </div>
      </div>
    </details>
  );
}
