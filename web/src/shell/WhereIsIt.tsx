import { Command } from 'cmdk';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { shareStates } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import {
  type Home,
  homeNow,
  monthsOf,
  monthWords,
  type Plan,
  SHARES,
  shareWord,
  type Station,
  type Supply,
} from '@heronstone/core/plan';
import { usePlan } from '../state/plan-store.ts';
import { whereElse } from '@heronstone/core/upkeep';
import { jot } from '../state/jot.ts';
import { photoUrl } from '../state/photos.ts';
import { findAnything } from '../state/search.ts';
import { Button } from '../ui/button.tsx';
import { Sheet } from '../ui/sheet.tsx';
import { monthOf, secondsWords, today } from '../ui/words.ts';
import { Front } from '../views/front/Front.tsx';
import { BandChip } from '../views/ledger/Ledger.tsx';

/** Where is it? Answers while typing: the place, a picture of the spot, and how far it is. */
export default function WhereIsIt({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const found = useMemo(() => findAnything(plan, text), [plan, text]);
  const [at, setAt] = useState('');
  const pointed = found.find((s) => s.id === at) ?? found[0];
  const [missed, setMissed] = useState<Supply | null>(null);
  const go = (supply: Supply) => {
    const home = homeNow(plan, supply, monthOf(today()));
    onClose();
    void navigate(`/p/${plan.id}/homes?supply=${supply.id}${home ? `&share=${home.share}&place=${home.placeId}` : ''}`);
  };
  return (
    <Sheet title="Where is it?" onClose={onClose}>
      {missed ? (
        <NotThere supply={missed} onBack={() => setMissed(null)} onClose={onClose} />
      ) : (
        <Command shouldFilter={false} label="Where is it?" value={at} onValueChange={setAt}>
          <Command.Input
            autoFocus
            value={text}
            onValueChange={setText}
            placeholder="Type a few letters of it"
            className="w-full rounded-full border border-edge bg-paper px-4 py-2 text-lg"
          />
          <Command.List className="mt-2">
            {text.trim() !== '' && found.length === 0 && (
              <p className="p-3 text-soft">
                Nothing called that. It may be under another name, or not in the plan yet.
              </p>
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
          {pointed && (
            <Button look="quiet" className="mt-1 w-full" onClick={() => setMissed(pointed)}>
              {pointed.name} was not there
            </Button>
          )}
        </Command>
      )}
    </Sheet>
  );
}

/** “It was not there”: where else it could be, one tap where it was found; a stray is logged. */
function NotThere({ supply, onBack, onClose }: { supply: Supply; onBack: () => void; onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const home = homeNow(plan, supply, monthOf(today()));
  const places = useMemo(() => whereElse(plan, supply, home?.placeId ?? null), [plan, supply, home]);
  const found = (placeId: string | null, where: string) => {
    jot({ what: 'stray', supplyId: supply.id, placeId, words: placeId === null ? where.slice(0, 100) : '' });
    toast(`Noted: ${supply.name} was found astray. Put it back, or give it this place at Homes.`);
    onClose();
  };
  return (
    <div>
      <p>
        <strong className="font-semibold">{supply.name}</strong> was not{' '}
        {home ? `in ${placeSaid(plan, plan.places[home.placeId]!)}` : 'found'}. It could be:
      </p>
      <ul className="mt-1 divide-y divide-line">
        {places.map((p) => (
          <li key={`${p.placeId} ${p.where}`} className="flex items-center gap-2 py-1.5">
            <span className="min-w-0 grow">
              {p.where} <span className="text-[13px] text-soft">{p.why}</span>
            </span>
            <Button aria-label={`Found it: ${p.where}`} onClick={() => found(p.placeId, p.where)}>
              Found it
            </Button>
          </li>
        ))}
      </ul>
      {places.length === 0 && (
        <p className="py-2 text-soft">Nothing else is known of it: it was nowhere else before.</p>
      )}
      <div className="mt-2 flex gap-2">
        <Button onClick={() => found(null, 'somewhere else')}>Found it somewhere else</Button>
        <Button look="quiet" onClick={onBack}>
          Back to the answers
        </Button>
      </div>
    </div>
  );
}

/** Whose seconds they are: the seat that fetches it most, with who sits there where there are several makers. */
function seatWords(plan: Plan, station: Station): string {
  const grown = Object.values(plan.people).filter((p) => !p.child);
  const name = plan.people[station.personId]?.name;
  return grown.length > 1 && name ? `${station.name} (${name})` : station.name;
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
  const photo = supply.photo ?? first?.place.photo ?? null;
  const out = Object.values(plan.outs).filter((o) => o.supplyId === supply.id && o.state === 'out');
  return (
    <div className="flex items-center gap-3">
      {unit ? (
        <Front plan={plan} unit={unit} chosen={first.place.id} named={false} className="h-14 w-16 shrink-0" />
      ) : (
        <div className="h-14 w-16 shrink-0" />
      )}
      {photo && <img src={photoUrl(photo)} alt="" className="h-14 max-w-20 shrink-0 rounded-md object-cover" />}
      <div>
        <p className="font-semibold">
          {supply.name}{' '}
          {supply.alsoCalled && <span className="text-[13px] font-normal text-soft">{supply.alsoCalled}</span>}
        </p>
        {homes.length === 0 && <p className="text-soft">has no home yet</p>}
        {out.map((o) => (
          <p key={o.id} className="text-[14px] text-clash">
            {o.projectId === null ? 'not put back yet' : `out for ${plan.projects[o.projectId]?.name ?? 'a project'}`}
            {o.placeId && plan.places[o.placeId] && `: ${placeSaid(plan, plan.places[o.placeId]!)}`}
          </p>
        ))}
        {homes.map(({ id, place, cost, count, when }) => (
          <p key={id} className="text-[14px]">
            {when && <span className="text-soft">{when}: </span>}
            {several && <span className="text-soft">{count} in </span>}
            {placeSaid(plan, place)} <span className="text-soft">·</span> <BandChip band={cost?.band ?? null} />
            {cost && Number.isFinite(cost.each) && (
              <span className="text-soft">
                {' '}
                · {secondsWords(cost.each)}
                {cost.from && ` from ${seatWords(plan, cost.from)}`}
              </span>
            )}
          </p>
        ))}
      </div>
    </div>
  );
}
