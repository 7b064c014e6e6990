import { Printer, ShoppingBag } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { asOne, type Command, type Supply } from '@heronstone/core/plan';
import { byShop, toBuy, type ToBuy as Item } from '@heronstone/core/upkeep';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { findSupplies } from '../../state/search.ts';
import { Button } from '../../ui/button.tsx';
import { NumberField, TextField } from '../../ui/fields/index.ts';
import { printPart } from '../../ui/print.ts';
import { countWords, today } from '../../ui/words.ts';

const money = (n: number) => n.toFixed(2);

/** What runs out, by shop, with packs, prices and days left; and, before something is bought, how many of it there are. */
export default function ToBuy() {
  const plan = usePlan((s) => s.plan);
  const list = useMemo(() => toBuy(plan, today()), [plan]);
  const shops = byShop(list);
  const shopped = shops.filter((s) => s.shop !== '').length;
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="To buy" data-print-part="shopping">
        <div className="flex items-center gap-3 print:hidden">
          <Button disabled={list.length === 0} onClick={() => printPart('shopping')}>
            <Printer size={15} aria-hidden /> Print the list
          </Button>
          <p className="text-[14px] text-soft">
            What has fewer in reserve than its level, or whose last spare was opened
            {shopped > 0 ? `; ${countWords(shopped, 'shop', 'shops')}.` : '.'}
          </p>
        </div>
        {list.length === 0 && (
          <p className="py-4">
            Nothing is to be bought. A thing comes here once its reserve falls below the level you give it (Supplies,
            List), or when its last spare is opened.
          </p>
        )}
        {shops.map(({ shop, items, price, unpriced }) => (
          <section key={shop} aria-label={shop || 'no shop said'} className="mt-2">
            <h2 className="font-display text-lg font-semibold">
              {shop || 'No shop said'}{' '}
              <span className="font-sans text-[14px] font-normal text-soft">
                {price > 0 && `${money(price)} in all`}
                {unpriced > 0 && `${price > 0 ? ' and ' : ''}${unpriced} without a price`}
              </span>
            </h2>
            <ul className="divide-y divide-line">
              {items.map((item) => (
                <Line key={item.supply.id} item={item} />
              ))}
            </ul>
          </section>
        ))}
      </section>
      <HaveAlready />
    </div>
  );
}

function Line({ item }: { item: Item }) {
  const dispatch = usePlan((s) => s.dispatch);
  const { supply, packs, price, daysLeft, fromLog, lastOpened } = item;
  const set = (part: Partial<Omit<Supply, 'id'>>) => dispatch({ type: 'setSupply', id: supply.id, set: part });
  const bought = () => {
    const count = packs * supply.packOf;
    const commands: Command[] = [
      { type: 'countSupply', id: supply.id, by: { backstock: count } },
      { type: 'setSupply', id: supply.id, set: { boughtOn: today() } },
    ];
    if (!dispatch(asOne(`buy ${supply.name}`, commands))) return;
    jot({ what: 'bought', supplyId: supply.id, count });
    toast(`${supply.name}: ${count} more in reserve.`);
  };
  return (
    <li className="flex flex-wrap items-end gap-x-3 gap-y-1 py-1.5" data-buy={supply.id}>
      <div className="min-w-48 grow">
        <p className="font-semibold">
          {packs} × {supply.name}{' '}
          {supply.packOf > 1 && <span className="font-normal text-soft">(packs of {supply.packOf})</span>}
        </p>
        <p className="text-[14px] text-soft">
          {supply.working} at hand, {supply.backstock} in reserve
          {supply.reorderAt !== null && `, wants ${supply.reorderAt}`}
          {lastOpened && '; the last spare is open'}
          {daysLeft !== null &&
            `; lasts ${countWords(daysLeft, 'day', 'days')}${fromLog ? ' by the log' : ' by its uses'}`}
          {price !== null && `; ${money(price)}`}
        </p>
      </div>
      <TextField
        className="w-36 print:hidden"
        label={`shop for ${supply.name}`}
        hideLabel
        placeholder="shop"
        value={supply.shop}
        onCommit={(shop) => set({ shop: shop.slice(0, 120) })}
      />
      <NumberField
        className="w-24 print:hidden"
        label={`price of ${supply.name}`}
        hideLabel
        value={supply.price ?? 0}
        unit="a pack"
        onCommit={(p) => set({ price: p === 0 ? null : p })}
      />
      <Button className="print:hidden" aria-label={`Bought: ${supply.name}`} onClick={bought}>
        <ShoppingBag size={15} aria-hidden /> Bought
      </Button>
    </li>
  );
}

/** In the shop with something in hand: what there is of it at home. */
function HaveAlready() {
  const supplies = usePlan((s) => s.plan.supplies);
  const [text, setText] = useState('');
  const found = useMemo(() => findSupplies(supplies, text, 6), [supplies, text]);
  return (
    <section aria-label="Before you buy" className="print:hidden">
      <label htmlFor="have-already" className="font-display text-lg font-semibold">
        Before you buy: is there one?
      </label>
      <input
        id="have-already"
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoComplete="off"
        placeholder="what you have in hand"
        className="mt-1 min-h-[34px] w-full rounded-full border border-edge bg-paper px-4"
      />
      {text.trim() !== '' && found.length === 0 && <p className="p-2">You have nothing called that.</p>}
      <ul className="mt-1">
        {found.map((s) => (
          <li key={s.id} className="px-2 py-1">
            <strong className="font-semibold">
              You have {s.working + s.backstock} of {s.name}
            </strong>{' '}
            <span className="text-soft">
              {s.backstock > 0 && `${s.backstock} of them in reserve`}
              {s.isNew && ' new and not used yet'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
