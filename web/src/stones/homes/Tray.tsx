import { useDraggable } from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import { pieceOf } from '@heronstone/core/fit';
import { handsPerYear, proposeContainers, yearlyUses } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import {
  amountOf,
  homeOf,
  isLeaving,
  isSeasonal,
  type Share,
  SHARES,
  shareWord,
  type Supply,
  withoutHome,
} from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { findSupplies } from '../../state/search.ts';
import { useFocusAfter } from '../../ui/focus-after.ts';
import { useRoving } from '../../ui/roving.ts';
import { notHeldWords } from './tray-words.ts';
import { setInCommand } from '@heronstone/core/fit';

type Held = { supply: Supply; share: Share };

/** What has no home yet, most used first; with a few letters typed, everything that answers to them. */
export function Tray({
  inHand,
  without,
  onTake,
}: {
  inHand: Held | null;
  /** as many have no home that holds them; null: not counted yet */
  without: number | null;
  onTake: (held: Held) => void;
}) {
  const plan = usePlan((s) => s.plan);
  const [text, setText] = useState('');
  const homeless = useMemo(() => {
    const { supplies, homes } = plan;
    return Object.values(supplies).flatMap((supply) =>
      isLeaving(supply)
        ? []
        : SHARES.filter((share) => withoutHome({ homes }, supply, share) > 0).map((share) => ({ supply, share })),
    );
  }, [plan]);
  const fetches = useMemo(
    () => new Map(homeless.map((h) => [h, handsPerYear(yearlyUses(plan, h.supply, h.share))])),
    [homeless, plan],
  );
  const rows = useMemo<Held[]>(() => {
    if (text.trim())
      return findSupplies(plan.supplies, text, 60).flatMap((supply) =>
        SHARES.filter((share) => amountOf(supply, share) > 0 && (share !== 'resting' || isSeasonal(plan, supply))).map(
          (share) => ({ supply, share }),
        ),
      );
    return [...homeless].sort(
      (a, b) => Number(a.share !== 'working') - Number(b.share !== 'working') || fetches.get(b)! - fetches.get(a)!,
    );
  }, [text, plan, homeless, fetches]);
  const roving = useRoving<HTMLUListElement>();
  const notHeld = notHeldWords(homeless.length, without);
  return (
    <section aria-label="Still without a home" className="flex min-h-0 flex-col">
      <div className="flex items-baseline justify-between">
        <h2 className="font-display text-lg font-semibold">{text.trim() ? 'Found' : 'Still without a home'}</h2>
        <span className="text-soft">{rows.length}</span>
      </div>
      <input
        aria-label="Any supply"
        placeholder="or any supply: a few letters"
        className="mb-1 rounded-full border border-edge bg-paper px-3 py-0.5 text-[14px]"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {rows.length === 0 && (
        <p className="py-2 text-soft">
          {text.trim()
            ? 'Nothing called that.'
            : Object.keys(plan.supplies).length === 0
              ? 'No supplies yet: bring them in at Supplies.'
              : 'Everything has a home.'}
        </p>
      )}
      {!text.trim() && notHeld !== null && <p className="pb-1 text-[14px] text-clash">{notHeld}</p>}
      {!text.trim() && homeless.length > 0 && Object.keys(plan.organisers).length > 0 && <BoxesWouldHelp />}
      <ul className="min-h-0 grow space-y-1 overflow-auto pr-1" ref={roving.ref} onKeyDown={roving.onKeyDown}>
        {rows.slice(0, 200).map((held) => (
          <Row
            key={`${held.supply.id}.${held.share}`}
            held={held}
            chosen={inHand?.supply.id === held.supply.id && inHand.share === held.share}
            onTake={onTake}
          />
        ))}
      </ul>
    </section>
  );
}

/** Containers of the kinds one has or wants that would give things a home; worked out when asked for. */
function BoxesWouldHelp() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [asked, setAsked] = useState(false);
  const answer = useFocusAfter<HTMLUListElement>(!asked);
  const offers = useMemo(() => (asked ? proposeContainers(plan, 3) : []), [asked, plan]);
  if (!asked)
    return (
      <button
        type="button"
        className="mb-1 self-start text-[14px] text-heron hover:underline"
        onClick={() => setAsked(true)}
      >
        Would boxes help?
      </button>
    );
  return (
    <ul
      ref={answer}
      tabIndex={-1}
      role="status"
      className="mb-1 space-y-1 text-[14px] outline-none"
      aria-label="Boxes that would help"
    >
      {offers.length === 0 && <li className="text-soft">No box you have or name would give any of these a home.</li>}
      {offers.map((o) => (
        <li key={o.place.id} className="rounded-lg border border-line px-2 py-1">
          {o.count} of {o.organiser.name} in {placeSaid(plan, o.place)} would give{' '}
          {o.homes.length === 1 ? o.homes[0]!.supply.name : `${o.homes.length} things`} a home
          {o.buy > 0 ? ` (${o.buy} to buy)` : ''}.{' '}
          <button
            type="button"
            className="text-heron hover:underline"
            title={o.homes.map((h) => h.supply.name).join(', ')}
            onClick={() => {
              const command = setInCommand(plan, o.place, o.organiser, o.count);
              if (command) dispatch(command);
            }}
          >
            Set them in
          </button>
        </li>
      ))}
    </ul>
  );
}

function Row({ held, chosen, onTake }: { held: Held; chosen: boolean; onTake: (held: Held) => void }) {
  const { supply, share } = held;
  const plan = usePlan((s) => s.plan);
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: `${supply.id}.${share}`, data: held });
  const home = homeOf(plan, supply.id, share);
  const place = home && plan.places[home.placeId];
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        data-row
        aria-pressed={chosen}
        onClick={() => onTake(held)}
        className={`flex w-full cursor-grab items-baseline justify-between gap-2 rounded-lg border px-2.5 py-1 text-left ${chosen ? 'border-heron bg-paper' : 'border-line bg-paper hover:border-heron'} ${isDragging ? 'opacity-40' : ''}`}
      >
        <span className="truncate">{supply.name}</span>
        <span className="shrink-0 text-[13px] text-soft">
          {amountOf(supply, share)}
          {share === 'working' ? '' : ` ${share === 'backstock' ? 'in reserve' : shareWord(share)}`}
          {place ? ` · ${placeSaid(plan, place)}` : pieceOf(supply) ? '' : ' · no size'}
        </span>
      </button>
    </li>
  );
}
