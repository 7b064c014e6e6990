import { Command } from 'cmdk';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { shareStates } from '@heronstone/core/homes';
import {
  type Home,
  homeNow,
  monthsOf,
  monthWords,
  type Plan,
  placeTitle,
  SHARES,
  shareWord,
  type Supply,
} from '@heronstone/core/plan';
import { usePlan } from '../state/plan-store.ts';
import { findSupplies } from '../state/search.ts';
import { Sheet } from '../ui/sheet.tsx';
import { monthOf, secondsWords, today } from '../ui/words.ts';
import { Front } from '../views/front/Front.tsx';
import { BandChip } from '../views/ledger/Ledger.tsx';

/** Where is it? Answers while typing: the place, a picture of the spot, and how far it is. */
export default function WhereIsIt({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const found = useMemo(() => findSupplies(plan.supplies, text), [plan.supplies, text]);
  const go = (supply: Supply) => {
    const home = homeNow(plan, supply, monthOf(today()));
    onClose();
    void navigate(`/p/${plan.id}/homes?supply=${supply.id}${home ? `&share=${home.share}&place=${home.placeId}` : ''}`);
  };
  return (
    <Sheet title="Where is it?" onClose={onClose}>
      <Command shouldFilter={false} label="Where is it?">
        <Command.Input
          autoFocus
          value={text}
          onValueChange={setText}
          placeholder="Type a few letters of it"
          className="w-full rounded-full border border-edge bg-paper px-4 py-2 text-lg"
        />
        <Command.List className="mt-2">
          {text.trim() !== '' && found.length === 0 && (
            <p className="p-3 text-soft">Nothing called that. It may be under another name, or not in the plan yet.</p>
          )}
          {found.map((supply) => (
            <Command.Item
              key={supply.id}
              value={supply.id}
              onSelect={() => go(supply)}
              className="cursor-pointer rounded-lg px-2 py-1.5 data-[selected=true]:bg-stone"
            >
              <Answer plan={plan} supply={supply} />
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Sheet>
  );
}

/** Which share of it, and in which months it is there. */
function whenWords(plan: Plan, home: Home): string {
  if (home.share === 'backstock') return shareWord(home.share);
  const months = monthsOf(plan, home);
  return months === null ? '' : monthWords(months);
}

function Answer({ plan, supply }: { plan: Plan; supply: Supply }) {
  const homes = SHARES.flatMap((share) =>
    shareStates(plan, supply, share).flatMap(({ home, place, cost, count }) =>
      home && place ? [{ id: home.id, place, cost, count, when: whenWords(plan, home) }] : [],
    ),
  );
  const several = homes.length > 1 && homes.some((h) => h.when === '');
  const first = homes[0];
  const unit = first && plan.units[first.place.unitId];
  return (
    <div className="flex items-center gap-3">
      {unit ? (
        <Front plan={plan} unit={unit} chosen={first.place.id} className="h-14 w-16 shrink-0" />
      ) : (
        <div className="h-14 w-16 shrink-0" />
      )}
      <div>
        <p className="font-semibold">{supply.name}</p>
        {homes.length === 0 && <p className="text-soft">has no home yet</p>}
        {homes.map(({ id, place, cost, count, when }) => (
          <p key={id} className="text-[14px]">
            {when && <span className="text-soft">{when}: </span>}
            {several && <span className="text-soft">{count} in </span>}
            {placeTitle(plan, place)} <span className="text-soft">·</span> <BandChip band={cost?.band ?? null} />
            {cost && Number.isFinite(cost.each) && <span className="text-soft"> · {secondsWords(cost.each)}</span>}
          </p>
        ))}
      </div>
    </div>
  );
}
