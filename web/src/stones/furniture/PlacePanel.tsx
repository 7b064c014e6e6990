import { DndContext, MouseSensor, TouchSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { ArrowLeft, Trash2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import {
  DIVISION_KINDS,
  type DivisionKind,
  factsOf,
  NATURES,
  natureOfKind,
  readDivision,
} from '@heronstone/core/catalogue';
import { capacityOf, holderOf, measureOf, seatsFor } from '@heronstone/core/fit';
import { placeFilling } from '@heronstone/core/homes';
import { formatLength, formatNumberOnly, parseLength } from '@heronstone/core/lengths';
import {
  type Command,
  homesIn,
  natureOf,
  type Organiser,
  type Place,
  placesDownTo,
  placesIn,
  placeTitle,
  type Plan,
} from '@heronstone/core/plan';
import { leftToWorkOn } from '@heronstone/core/sessions';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { CheckField, NumberField, SelectField, TextField } from '../../ui/fields.tsx';
import { Inside } from '../../views/inside/Inside.tsx';
import { moveCommand, setInCommand } from '@heronstone/core/fit';

const NATURE_WORDS: Record<(typeof NATURES)[number], string> = {
  row: 'side by side in a row',
  area: 'laid out on its floor',
  bulk: 'just thrown in',
  pile: 'piled flat on each other',
  pockets: 'in pockets',
};
const WAY_WORDS: Record<DivisionKind, string> = {
  lanes: 'lanes side by side',
  rows: 'rows one behind another',
  slots: 'upright slots',
  trays: 'trays on each other',
};

/** What is in a place, to any depth: looked into to scale, with the way back, and how it holds, is divided, and what stands in it. */
export function PlacePanel({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const path = placesDownTo(plan, place);
  const open = (id: string) => select({ place: id });
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 6 } }),
  );
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const organiser = plan.organisers[String(active.data.current?.organiserId)];
        const command = over && organiser ? setInCommand(plan, place, organiser, 1) : null;
        if (command) dispatch(command);
      }}
    >
      <div className="flex min-h-0 w-full flex-col">
        <nav aria-label="Where this is" className="flex flex-wrap items-center gap-1 text-[14px]">
          {path.length > 1 && (
            <Button
              look="quiet"
              className="!px-1"
              aria-label="Back to what it stands in"
              onClick={() => open(path.at(-2)!.id)}
            >
              <ArrowLeft size={15} aria-hidden />
            </Button>
          )}
          <span className="text-soft">{plan.units[place.unitId]?.name}</span>
          {path.map((p) => (
            <span key={p.id} className="flex items-center gap-1">
              <span aria-hidden className="text-soft">
                ›
              </span>
              <button
                type="button"
                aria-current={p.id === place.id ? 'location' : undefined}
                className={p.id === place.id ? 'font-semibold' : 'text-heron hover:underline'}
                onClick={() => open(p.id)}
              >
                {p.name}
              </button>
            </span>
          ))}
        </nav>
        <div className="grid min-h-0 grow grid-cols-1 gap-4 md:grid-cols-[1fr_17rem] md:grid-rows-[minmax(0,1fr)]">
          <DropInto>
            <Inside
              plan={plan}
              place={place}
              className="flex min-h-0 w-full grow flex-col [&>svg]:min-h-0 [&>svg]:grow"
              onOpen={open}
              onMove={(box, left, front) =>
                dispatch({
                  type: 'moveContainer',
                  id: box.id,
                  inId: place.id,
                  left: Math.round(left),
                  front: Math.round(front),
                  bottom: box.bottom,
                  turned: box.turned,
                })
              }
              onDivide={(way, sizes) =>
                dispatch({
                  type: 'divide',
                  id: place.id,
                  into: `${way} ${[...sizes.slice(0, -1).map((mm) => Math.round(mm)), 'rest'].join(',')}`,
                })
              }
            />
          </DropInto>
          <div
            className="min-h-0 space-y-2 overflow-auto pr-1 text-[14px]"
            tabIndex={0}
            role="group"
            aria-label={placeTitle(plan, place)}
          >
            <PlaceFacts plan={plan} place={place} />
            <StandsIn plan={plan} place={place} onOpen={open} />
            <Dividing key={place.id} plan={plan} place={place} />
            <PlaceSettings plan={plan} place={place} />
            {place.organiserId !== null && <Container plan={plan} place={place} onOpen={open} />}
          </div>
        </div>
      </div>
    </DndContext>
  );
}

/** What a container is dropped on to be set in. */
function DropInto({ children }: { children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'into' });
  return (
    <div ref={setNodeRef} className={`flex min-h-0 flex-col rounded-lg ${isOver ? 'outline-2 outline-heron' : ''}`}>
      {children}
    </div>
  );
}

/** A kind of container to be dragged into the place. */
function OrganiserChip({ organiser }: { organiser: Organiser }) {
  const { setNodeRef, listeners, transform } = useDraggable({
    id: `set:${organiser.id}`,
    data: { organiserId: organiser.id },
  });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, position: 'relative', zIndex: 20 }
          : undefined
      }
      className="cursor-grab touch-none rounded-md border border-edge bg-stone px-2 py-0.5 text-[13px]"
    >
      {organiser.name}
    </span>
  );
}

function PlaceFacts({ plan, place }: { plan: Plan; place: Place }) {
  const filling = placeFilling(plan, place);
  const len = (mm: number) => formatLength(mm, plan.head.measure);
  const names = homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
  const unit = plan.units[place.unitId];
  const left = unit ? leftToWorkOn(plan, unit) : { width: 0, depth: 0 };
  const measure = (amount: number) => measureOf(filling.nature, amount, plan.head.measure);
  return (
    <div className="space-y-1">
      <p>
        inside {len(place.width)} × {len(place.depth)} × {len(place.height)} high
      </p>
      <p className="text-soft">
        {place.kind === 'top' && unit && factsOf(unit.kind).worktop
          ? `${len(left.width)} × ${len(left.depth)} left to work on; `
          : ''}
        {measure(filling.used)} of {measure(capacityOf(holderOf(place)))} used
        {names.length > 0
          ? `: ${names.slice(0, 5).join(', ')}${names.length > 5 ? ` and ${names.length - 5} more` : ''}`
          : ''}
      </p>
      {filling.faults.map((f) => (
        <p key={f} className="text-clash">
          {f}
        </p>
      ))}
    </div>
  );
}

/** How it holds, whom it is kept for, whether it has a lock. */
function PlaceSettings({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const usual = natureOfKind(place.kind);
  const set = (part: (Command & { type: 'setPlace' })['set']) =>
    dispatch({ type: 'setPlace', id: place.id, set: part });
  return (
    <div className="space-y-1 border-t border-line pt-1">
      <SelectField
        label="things lie here"
        value={natureOf(place)}
        options={NATURES.map((n) => [n, NATURE_WORDS[n]] as const)}
        onCommit={(nature) => set({ nature: nature === usual ? null : nature })}
      />
      {natureOf(place) === 'pockets' && (
        <NumberField
          label="pockets"
          whole
          max={2000}
          value={holderOf(place).pockets}
          onCommit={(pockets) => set({ pockets })}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <SelectField
          label="kept for"
          value={place.zoneId ?? ''}
          options={[['', 'as its unit'], ...Object.values(plan.zones).map((z) => [z.id, z.name] as const)]}
          onCommit={(zoneId) => set({ zoneId: zoneId === '' ? null : zoneId })}
        />
        <TextField
          label="kept out for"
          placeholder="nothing: homes may be here"
          value={place.keptOut}
          onCommit={(keptOut) => set({ keptOut })}
        />
      </div>
      <CheckField label="has a lock" checked={place.lockable} onCommit={(lockable) => set({ lockable })} />
    </div>
  );
}

/** Lanes and the like, typed as “70, 70, rest”. */
function Dividing({ plan, place }: { plan: Plan; place: Place }) {
  const dispatch = usePlan((s) => s.dispatch);
  const parts = placesIn(plan, place.id).filter((p) => p.organiserId === null);
  const now: DivisionKind =
    parts[0]?.kind === 'slot'
      ? 'slots'
      : parts[0]?.kind === 'tray'
        ? 'trays'
        : parts.some((p) => p.front > 0)
          ? 'rows'
          : 'lanes';
  const [kind, setKind] = useState<DivisionKind>(now);
  const [unclear, setUnclear] = useState(false);
  const short = (mm: number) => formatNumberOnly(mm, plan.head.measure);
  const sizes =
    kind === 'slots' || kind === 'trays'
      ? String(parts.length || '')
      : parts.map((p) => short(kind === 'lanes' ? p.width : p.depth)).join(', ');
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
          value={parts.length > 0 && kind === now ? sizes : ''}
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
      {parts.length > 0 && (
        <Button look="quiet" className="!px-1" onClick={() => dispatch({ type: 'divide', id: place.id, into: '' })}>
          Take the dividers out
        </Button>
      )}
    </fieldset>
  );
}

/** Containers that stand in it, and setting more in. */
function StandsIn({ plan, place, onOpen }: { plan: Plan; place: Place; onOpen: (id: string) => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const organisers = Object.values(plan.organisers).sort((a, b) => (a.name < b.name ? -1 : 1));
  const [chosen, setChosen] = useState(organisers[0]?.id ?? '');
  const [count, setCount] = useState(1);
  const organiser = plan.organisers[chosen] ?? organisers[0];
  const boxes = placesIn(plan, place.id).filter((p) => p.organiserId !== null);
  const room = organiser ? seatsFor(plan, place, organiser, 99).length : 0;
  return (
    <section className="border-t border-line pt-1" aria-label="Containers in it">
      {boxes.length > 0 && (
        <ul className="mb-1 space-y-0.5">
          {boxes.map((box) => (
            <li key={box.id} className="flex items-center gap-1">
              <button
                type="button"
                className="grow truncate text-left text-heron hover:underline"
                onClick={() => onOpen(box.id)}
              >
                {box.name}
              </button>
              <span className="text-soft">{homesIn(plan, box.id).length || 'empty'}</span>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`Take ${box.name} out`}
                onClick={() => dispatch({ type: 'takeOut', id: box.id })}
              >
                <Trash2 size={13} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      {organiser ? (
        <>
          <p className="text-[13px] text-soft">Drag one in, or say how many:</p>
          <p className="mb-1 flex flex-wrap gap-1">
            {organisers.slice(0, 12).map((o) => (
              <OrganiserChip key={o.id} organiser={o} />
            ))}
          </p>
          <div className="grid grid-cols-[1fr_4.5rem_auto] items-end gap-2">
            <SelectField
              label="set in"
              value={organiser.id}
              options={organisers.map((o) => [o.id, o.name] as const)}
              onCommit={setChosen}
            />
            <NumberField label="how many" whole min={1} max={99} value={count} onCommit={setCount} />
            <Button
              onClick={() => {
                const command = setInCommand(plan, place, organiser, count);
                if (command) dispatch(command);
              }}
            >
              Set in
            </Button>
            <p className={`col-span-3 text-[13px] ${room < count ? 'text-clash' : 'text-soft'}`}>
              {room === 0 ? 'There is no room for one.' : `There is room for ${room === 99 ? 'many' : room}.`}
            </p>
          </div>
        </>
      ) : (
        <p className="text-soft">
          Containers of your own are measured once at “Containers”; then they are set in here.
        </p>
      )}
    </section>
  );
}

/** A container itself: its name, and putting it elsewhere with all that is in it. */
function Container({ plan, place, onOpen }: { plan: Plan; place: Place; onOpen: (id: string) => void }) {
  const dispatch = usePlan((s) => s.dispatch);
  const places = Object.values(plan.places)
    .filter((p) => p.id !== place.inId && !placesDownTo(plan, p).includes(place))
    .map((p) => [p.id, placeTitle(plan, p)] as const)
    .sort((a, b) => (a[1] < b[1] ? -1 : 1));
  return (
    <section className="space-y-1 border-t border-line pt-1" aria-label="The container">
      <TextField
        label="its name"
        value={place.name}
        onCommit={(name) => dispatch({ type: 'setPlace', id: place.id, set: { name } })}
      />
      <SelectField
        label="move it, with all in it, to"
        value=""
        options={[['', 'stays here'], ...places]}
        onCommit={(to) => {
          const command = to === '' ? null : moveCommand(plan, place, plan.places[to]!);
          if (command && dispatch(command)) onOpen(place.id);
        }}
      />
      <Button
        look="quiet"
        className="!px-1"
        onClick={() => {
          if (dispatch({ type: 'takeOut', id: place.id })) onOpen(place.inId!);
        }}
      >
        <Trash2 size={14} aria-hidden /> Take it out; what lies in it has no home then
      </Button>
    </section>
  );
}
