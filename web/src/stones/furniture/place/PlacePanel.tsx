import { DndContext, useDroppable } from '@dnd-kit/core';
import { ArrowLeft } from 'lucide-react';
import { type ReactNode } from 'react';
import { type Place, placesDownTo, placeTitle } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { useDragSensors } from '../../../ui/drag-sensors.ts';
import { Button } from '../../../ui/button.tsx';
import { Inside } from '../../../views/inside/Inside.tsx';
import { setInCommand } from '@heronstone/core/fit';
import { PlaceFacts } from './PlaceFacts.tsx';
import { StandsIn } from './StandsIn.tsx';
import { Dividing } from './Dividing.tsx';
import { PlaceSettings } from './PlaceSettings.tsx';
import { Container } from './Container.tsx';

/** What is in a place, to any depth: looked into to scale, with the way back, and how it holds, is divided, and what stands in it. */
export function PlacePanel({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const path = placesDownTo(plan, place);
  const open = (id: string) => select({ place: id });
  const sensors = useDragSensors();
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
