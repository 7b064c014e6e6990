import { useDraggable } from '@dnd-kit/core';
import { ChevronLeft } from 'lucide-react';
import { useState } from 'react';
import { nameOfPlace } from '@heronstone/core/concepts';
import {
  homesIn,
  type Place,
  placeWithAllIn,
  type Plan,
  type Share,
  shareWord,
  type Supply,
} from '@heronstone/core/plan';
import { photoUrl } from '../../state/photos.ts';
import { InSight } from '../../ui/in-sight.tsx';
import { Inside } from '../inside/Inside.tsx';

/** The places of a unit in which something lives, each as one looks into it, with its picture and with its things to be taken by the hand. */
export function Looked({
  plan,
  places,
  chosen,
  onChoose,
}: {
  plan: Plan;
  places: readonly Place[];
  chosen: string | null;
  onChoose: (placeId: string) => void;
}) {
  const used = places.filter((p) => heldIn(plan, p).length > 0);
  if (used.length === 0)
    return <p className="self-center text-soft">Nothing lives here yet: drag a thing onto a place of the front.</p>;
  return (
    <ul className="flex min-w-0 grow gap-3 overflow-x-auto pb-1" tabIndex={0} aria-label="Seen from inside">
      {used.map((place) => (
        <LookedInto key={place.id} plan={plan} place={place} chosen={chosen} onChoose={onChoose} />
      ))}
    </ul>
  );
}

/** One place from inside; what stands in it is opened there too, to any depth, with the way back. */
function LookedInto({
  plan,
  place: outer,
  chosen,
  onChoose,
}: {
  plan: Plan;
  place: Place;
  chosen: string | null;
  onChoose: (placeId: string) => void;
}) {
  const [opened, setOpened] = useState<string | null>(null);
  // what was opened may have been taken out, or carried elsewhere
  const inner = placeWithAllIn(plan, outer).find((p) => p.id === opened);
  const place = inner ?? outer;
  const back = inner && (plan.places[inner.inId ?? ''] ?? outer);
  const name = nameOfPlace(plan, place.id)?.words;
  return (
    <li className="flex w-56 shrink-0 flex-col sm:h-full">
      <button
        type="button"
        aria-pressed={place.id === chosen}
        className={`truncate text-left text-[14px] font-semibold hover:text-heron ${place.id === chosen ? 'text-heron' : ''}`}
        onClick={() => onChoose(place.id)}
      >
        {name ?? place.name}
      </button>
      {back ? (
        <button
          type="button"
          className="flex items-center self-start text-[13px] text-soft hover:text-heron"
          onClick={() => setOpened(back.id === outer.id ? null : back.id)}
        >
          <ChevronLeft size={14} aria-hidden /> back to {back.name}
        </button>
      ) : (
        <p className="text-[13px] text-soft">{name === undefined ? '' : place.name}</p>
      )}
      {place.photo !== null && (
        <img src={photoUrl(place.photo)} alt={`Picture of ${place.name}`} className="mb-1 h-16 w-full object-cover" />
      )}
      <InSight className="min-h-[12.25rem] shrink-0">
        <Inside plan={plan} place={place} className="[&_svg]:h-44" withKey={false} onOpen={setOpened} />
      </InSight>
      <ul
        className="mt-1 flex min-h-0 flex-wrap content-start gap-1 overflow-y-auto"
        tabIndex={0}
        aria-label={`In ${place.name}`}
      >
        {heldIn(plan, place).map((held) => (
          <Chip key={`${held.supply.id} ${held.share}`} held={held} />
        ))}
      </ul>
    </li>
  );
}

type Held = { supply: Supply; share: Share };

/** What lives in a place or in anything that stands in it. */
function heldIn(plan: Plan, place: Place): Held[] {
  return placeWithAllIn(plan, place)
    .flatMap((p) => homesIn(plan, p.id))
    .flatMap((h) => (plan.supplies[h.supplyId] ? [{ supply: plan.supplies[h.supplyId]!, share: h.share }] : []));
}

/** A thing that can be dragged to another place. */
function Chip({ held }: { held: Held }) {
  const { supply, share } = held;
  const { setNodeRef, listeners } = useDraggable({ id: `closer:${supply.id}.${share}`, data: held });
  const word = shareWord(share);
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      className="flex max-w-full cursor-grab touch-none items-center gap-1 rounded-full border border-line px-2 text-[13px]"
    >
      {supply.photo !== null && (
        <img src={photoUrl(supply.photo)} alt="" className="-ml-1.5 size-6 rounded-full object-cover" />
      )}
      {supply.photo === null && supply.colour !== null && (
        <span className="size-2.5 shrink-0 rounded-full border border-edge" style={{ background: supply.colour }} />
      )}
      <span className="truncate">
        {supply.name}
        {word === '' ? '' : `, ${word}`}
      </span>
    </li>
  );
}
