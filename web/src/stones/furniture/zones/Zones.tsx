import { DndContext, type DragEndEvent } from '@dnd-kit/core';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { newId, type Plan } from '@heronstone/core/plan';
import { balanceOf, zonesFromActivities } from '@heronstone/core/zones';
import { usePlan } from '../../../state/plan-store.ts';
import { useFindings } from '../../../state/findings.ts';
import { useSelection } from '../../../state/selection.ts';
import { useDragSensors } from '../../../ui/drag-sensors.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { singleKey } from '../../../ui/single-keys.ts';
import { Floor } from '../../../views/floor/Floor.tsx';
import { Front } from '../../../views/front/Front.tsx';
import { type ZonesFound } from '../../../workers/zones.worker.ts';
import { ForMe } from './ForMe.tsx';
import { Offer } from './Offer.tsx';
import { freeMark, heldBy, type Held } from './held.ts';
import { ZoneRow } from './ZoneRow.tsx';
import { Everybody } from './Everybody.tsx';

/** Territories: the room from above with zones as ground; what is brushed, dropped or keyed into one is kept for it. */
export default function Zones({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [brush, setBrush] = useState<Held>(null);
  const [proposed, setProposed] = useState<Proposed | null>(null);
  // what was worked out for a plan that has changed since is not shown
  const offer = proposed?.of === plan ? proposed.found : null;
  const zones = useMemo(() => Object.values(plan.zones).sort((a, b) => (a.name < b.name ? -1 : 1)), [plan.zones]);
  const balance = useMemo(() => balanceOf(plan), [plan]);
  const findings = useFindings(plan)?.filter((f) => f.check.startsWith('zone') && !f.acknowledged) ?? [];
  const chosen = plan.units[get('unit') ?? ''];
  const sensors = useDragSensors();
  const put = (unitId: string, to: Held) => {
    const zoneId = to === 'all' ? null : to;
    if (to === null || !plan.units[unitId] || plan.units[unitId].zoneId === zoneId) return;
    dispatch({ type: 'setUnit', id: unitId, set: { zoneId } });
  };
  const putPlace = (placeId: string, to: Held) => {
    const zoneId = to === 'all' ? null : to;
    if (to !== null && plan.places[placeId]?.zoneId !== zoneId)
      dispatch({ type: 'setPlace', id: placeId, set: { zoneId } });
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const to = heldBy(e.key === 'Escape' ? e.key : (singleKey(e) ?? ''), zones, brush);
      if (to !== undefined) setBrush(to);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const add = () => {
    dispatch({
      type: 'addZone',
      zone: { id: newId('zone'), name: `Zone ${zones.length + 1}`, rule: 'first', mark: freeMark(zones) },
    });
  };
  const fromActivities = zonesFromActivities(plan, () => newId('zone'));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={(e: DragEndEvent) => {
        const unitId = e.active.data.current?.unitId as string | undefined;
        const to = e.over?.data.current?.zone as Held | undefined;
        if (unitId && to) put(unitId, to);
      }}
    >
      <main className="flex grow flex-col px-4 pb-3">
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
          <Button look="quiet" className="!px-1" onClick={onClose} aria-label="Back to furniture">
            <ArrowLeft size={18} aria-hidden />
          </Button>
          <h1 className="font-display text-2xl font-semibold">Zones</h1>
          {fromActivities && <Button onClick={() => dispatch(fromActivities)}>A zone for every activity</Button>}
          <Button look="quiet" onClick={add}>
            Another zone
          </Button>
          {zones.length > 0 && <ForMe plan={plan} onFound={(found) => setProposed({ of: plan, found })} />}
          {offer && (
            <Offer
              plan={plan}
              found={offer}
              onKeep={() => {
                setProposed(null);
                if (offer.command) dispatch(offer.command);
              }}
              onLeave={() => setProposed(null)}
            />
          )}
          <p className="basis-full text-[14px] text-soft" role="status">
            {brush === null
              ? 'Take a zone in hand (1 to 9, or its brush), then brush over units, or press Enter on one. Or drop a unit’s name on a zone.'
              : brush === 'all'
                ? 'What you brush now is for everybody again. Escape puts the brush down.'
                : `What you brush now is kept for ${plan.zones[brush]?.name}. Escape puts the brush down.`}
          </p>
        </div>
        <div className="grid min-h-72 grow grid-cols-1 gap-4 lg:h-[calc(100vh-9.5rem)] lg:grid-cols-[1fr_27rem] lg:grid-rows-[minmax(0,1fr)]">
          <div className="flex min-h-0 flex-col">
            <div className="relative min-h-72 grow">
              <Floor
                plan={offer?.plan ?? plan}
                chosenUnit={chosen?.id ?? null}
                onChooseUnit={(id) => {
                  if (id !== null && brush !== null) put(id, brush);
                  select({ unit: id });
                }}
                {...(brush === null ? {} : { onBrushUnit: (id: string) => put(id, brush) })}
                className="absolute inset-0 h-full w-full"
              />
            </div>
            {chosen && (
              <div className="flex h-44 gap-3 border-t border-line pt-2">
                <Front
                  plan={plan}
                  unit={chosen}
                  zones
                  chosen={get('place')}
                  onChoose={(id) => {
                    putPlace(id, brush);
                    select({ place: id });
                  }}
                  className="h-full w-64 shrink-0"
                />
                <div className="text-[14px]">
                  <p className="font-semibold">{chosen.name}</p>
                  <SelectField
                    label="kept for"
                    value={chosen.zoneId ?? 'all'}
                    options={[['all', 'everybody'], ...zones.map((z) => [z.id, z.name] as const)]}
                    onCommit={(to) => put(chosen.id, to)}
                  />
                  <p className="mt-1 text-soft">
                    {brush === null
                      ? 'With a zone in hand, press single places of its front.'
                      : 'Press single places to keep them apart from the unit.'}
                  </p>
                </div>
              </div>
            )}
          </div>
          <div className="min-h-0 space-y-3 overflow-auto pr-1" tabIndex={0} role="group" aria-label="All zones">
            {zones.length === 0 && (
              <p className="text-soft">
                No zones yet. A zone is the territory of what is made there: its drawers and shelves are kept for it.
                Begin with one for every activity.
              </p>
            )}
            {findings.length > 0 && (
              <ul className="space-y-1" aria-label="What is amiss with zones">
                {findings.map((f) => (
                  <li key={f.key} className="text-[14px] text-clash">
                    {f.words}
                  </li>
                ))}
              </ul>
            )}
            {zones.map((zone, i) => (
              <ZoneRow
                key={zone.id}
                plan={plan}
                zone={zone}
                number={i + 1}
                balance={balance.get(zone.id) ?? []}
                inHand={brush === zone.id}
                onBrush={() => setBrush(brush === zone.id ? null : zone.id)}
              />
            ))}
            {zones.length > 0 && (
              <Everybody
                plan={plan}
                inHand={brush === 'all'}
                onBrush={() => setBrush(brush === 'all' ? null : 'all')}
              />
            )}
          </div>
        </div>
      </main>
    </DndContext>
  );
}

type Proposed = { of: Plan; found: ZonesFound };
