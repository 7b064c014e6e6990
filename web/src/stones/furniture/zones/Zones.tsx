import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { wrap } from 'comlink';
import { ArrowLeft, Brush, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { measureOf } from '@heronstone/core/fit';
import { newId, type Plan, type Zone, ZONE_MARKS, ZONE_RULES } from '@heronstone/core/plan';
import { type Balance, balanceOf, togetherOf, zonable, zonesFromActivities } from '@heronstone/core/zones';
import { usePlan } from '../../../state/plan-store.ts';
import { useFindings } from '../../../state/findings.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { CheckField, SelectField, TextField } from '../../../ui/fields.tsx';
import { singleKey } from '../../../ui/single-keys.ts';
import { today, yearWords } from '../../../ui/words.ts';
import { Floor } from '../../../views/floor/Floor.tsx';
import { Front } from '../../../views/front/Front.tsx';
import { ZoneSwatch } from '../../../views/zones/marks.tsx';
import type { ZonesFound, ZonesWorker } from '../../../workers/zones.worker.ts';
import { orFail } from '../../../workers/or-fail.ts';

const RULE_WORDS: Record<Zone['rule'], string> = {
  only: 'for it alone',
  first: 'it first, then others',
};

/** The zone in hand as a brush; `all`: what is brushed is for everybody again. */
type Held = string | 'all' | null;

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
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 6 } }),
  );
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
      const key = singleKey(e);
      if (key === '0') setBrush('all');
      else if (key && /^[1-9]$/.test(key)) setBrush(zones[Number(key) - 1]?.id ?? null);
      else if (e.key === 'Escape' && brush !== null) setBrush(null);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const add = () => {
    const taken = new Set(zones.map((z) => z.mark));
    const mark =
      Array.from({ length: ZONE_MARKS }, (_, i) => i).find((i) => !taken.has(i)) ?? zones.length % ZONE_MARKS;
    dispatch({ type: 'addZone', zone: { id: newId('zone'), name: `Zone ${zones.length + 1}`, rule: 'first', mark } });
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

/** Which unit each zone should have, worked out off the screen, with what keeping zones costs. */
function ForMe({ plan, onFound }: { plan: Plan; onFound: (found: ZonesFound) => void }) {
  const [busy, setBusy] = useState(false);
  const find = async () => {
    setBusy(true);
    const raw = new Worker(new URL('../../../workers/zones.worker.ts', import.meta.url), { type: 'module' });
    try {
      const found = await orFail(raw, wrap<ZonesWorker>(raw).propose(plan, today()));
      if (found.command) onFound(found);
      else
        toast(
          `The units stay kept as they are: other zones would save less than ten minutes a year. ${costWords(found)}`,
        );
    } catch (e) {
      toast.error((e as Error).message);
    } finally {
      raw.terminate();
      setBusy(false);
    }
  };
  return (
    <Button look="main" disabled={busy} onClick={() => void find()}>
      {busy ? 'Looking …' : 'Zones for me'}
    </Button>
  );
}

/** What keeping zones costs, homes found with them and without. */
const costWords = ({ free, zoned }: ZonesFound): string =>
  zoned - free > 60
    ? `Keeping them costs you ${yearWords(zoned - free)} against free placement.`
    : 'Keeping them costs you nothing against free placement.';

/** Zones as they would be: seen on the floor before anything is kept. */
function Offer({
  plan,
  found,
  onKeep,
  onLeave,
}: {
  plan: Plan;
  found: ZonesFound;
  onKeep: () => void;
  onLeave: () => void;
}) {
  const nameOf = (p: Plan, id: string) => p.zones[p.units[id]?.zoneId ?? '']?.name ?? 'everybody';
  const others = zonable(plan).filter((id) => plan.units[id]!.zoneId !== found.plan.units[id]!.zoneId);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <section aria-label="Zones for you" className="basis-full rounded-xl border border-heron px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 ref={heading} tabIndex={-1} className="font-semibold">
          {others.length === 1
            ? 'One unit would be kept for others'
            : `${others.length} units would be kept for others`}
        </h2>
        <span className="grow text-[14px] text-soft">{costWords(found)}</span>
        <Button look="main" onClick={onKeep}>
          Keep these zones
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave them as they are
        </Button>
      </div>
      <ul className="mt-1 flex max-h-28 flex-wrap gap-x-5 gap-y-0.5 overflow-auto text-[14px]">
        {others.map((id) => (
          <li key={id}>
            {plan.units[id]!.name}: <s className="text-soft">{nameOf(plan, id)}</s> {nameOf(found.plan, id)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function ZoneRow({
  plan,
  zone,
  number,
  balance,
  inHand,
  onBrush,
}: {
  plan: Plan;
  zone: Zone;
  number: number;
  balance: readonly Balance[];
  inHand: boolean;
  onBrush: () => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const { setNodeRef, isOver } = useDroppable({ id: `zone:${zone.id}`, data: { zone: zone.id } });
  const set = (part: Partial<Zone>) => dispatch({ type: 'setZone', id: zone.id, set: part });
  const together = useMemo(() => togetherOf(plan, zone.id), [plan, zone.id]);
  const units = zonable(plan).filter((id) => plan.units[id]!.zoneId === zone.id);
  return (
    <section
      ref={setNodeRef}
      aria-label={zone.name}
      className={`rounded-xl border px-3 py-2 ${inHand || isOver ? 'border-heron' : 'border-line'}`}
    >
      <div className="flex items-end gap-2">
        <ZoneSwatch zone={zone} className="mb-1 size-7 shrink-0" />
        <TextField
          className="min-w-0 grow"
          label={`zone ${number}`}
          value={zone.name}
          onCommit={(name) => set({ name })}
        />
        <SelectField
          label="how it is kept"
          value={zone.rule}
          options={ZONE_RULES.map((r) => [r, RULE_WORDS[r]] as const)}
          onCommit={(rule) => set({ rule })}
        />
        <Button
          className="!px-2"
          aria-pressed={inHand}
          aria-label={`Brush for ${zone.name}`}
          title={`Take it in hand ( ${number} )`}
          onClick={onBrush}
        >
          <Brush size={15} aria-hidden />
        </Button>
        <Button
          look="quiet"
          className="!px-1"
          aria-label={`Take out ${zone.name}`}
          onClick={() => dispatch({ type: 'removeZone', id: zone.id })}
        >
          <Trash2 size={14} aria-hidden />
        </Button>
      </div>
      <p className="mt-1 text-[14px] text-soft">
        {together.lies
          ? `It lies ${together.lies === 'ahead' ? 'ahead' : together.lies === 'behind' ? 'behind' : `on the ${together.lies}`} of ${together.station!.name}.`
          : 'No place is kept for it yet.'}
      </p>
      <Bars plan={plan} balance={balance} />
      <ul className="mt-1 flex flex-wrap gap-1" aria-label="Units kept for it">
        {units.map((id) => (
          <UnitChip key={id} unitId={id} name={plan.units[id]!.name} />
        ))}
      </ul>
      <details className="mt-1 text-[14px]">
        <summary className="cursor-pointer text-heron">What belongs to it</summary>
        <div className="grid grid-cols-2 gap-x-3">
          {Object.values(plan.activities).map((a) => (
            <CheckField
              key={a.id}
              label={a.name}
              checked={a.zoneId === zone.id}
              onCommit={(on) => dispatch({ type: 'setActivity', id: a.id, set: { zoneId: on ? zone.id : null } })}
            />
          ))}
        </div>
      </details>
    </section>
  );
}

/** Need and offer of each nature as two bars on one scale. */
function Bars({ plan, balance }: { plan: Plan; balance: readonly Balance[] }) {
  if (balance.length === 0) return null;
  return (
    <table className="mt-1 w-full text-[13px]">
      <thead className="sr-only">
        <tr>
          <th>kind of room</th>
          <th>needed and kept</th>
          <th>in figures</th>
        </tr>
      </thead>
      <tbody>
        {balance.map(({ nature, needs, offers }) => {
          const most = Math.max(needs, offers, 1e-9);
          const words = (mm: number) => measureOf(nature, mm, plan.head.measure);
          return (
            <tr key={nature}>
              <td className="w-14 pr-2">{ROOM_WORDS[nature]}</td>
              <td className="w-28">
                <span className="block h-1.5 rounded-sm bg-ink" style={{ width: `${(100 * needs) / most}%` }} />
                <span
                  className={`mt-0.5 block h-1.5 rounded-sm ${offers < needs ? 'bg-clash' : 'bg-heron'}`}
                  style={{ width: `${(100 * offers) / most}%` }}
                />
              </td>
              <td className={`pl-2 ${offers < needs ? 'text-clash' : 'text-soft'}`}>
                {needs > 0 ? `needs ${words(needs)}, has ${words(offers)}` : `has ${words(offers)}`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const ROOM_WORDS: Record<Balance['nature'], string> = {
  row: 'shelf',
  area: 'drawer',
  bulk: 'bins',
  pile: 'piles',
  pockets: 'pockets',
};

function Everybody({ plan, inHand, onBrush }: { plan: Plan; inHand: boolean; onBrush: () => void }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'zone:all', data: { zone: 'all' } });
  const units = zonable(plan).filter((id) => plan.units[id]!.zoneId === null);
  return (
    <section
      ref={setNodeRef}
      aria-label="For everybody"
      className={`rounded-xl border border-dashed px-3 py-2 ${inHand || isOver ? 'border-heron' : 'border-edge'}`}
    >
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">For everybody</h2>
        <Button
          className="!px-2"
          aria-pressed={inHand}
          aria-label="Brush for everybody"
          title="Take it in hand ( 0 )"
          onClick={onBrush}
        >
          <Brush size={15} aria-hidden />
        </Button>
      </div>
      <ul className="mt-1 flex flex-wrap gap-1">
        {units.map((id) => (
          <UnitChip key={id} unitId={id} name={plan.units[id]!.name} />
        ))}
      </ul>
    </section>
  );
}

function UnitChip({ unitId, name }: { unitId: string; name: string }) {
  const { select } = useSelection();
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: `zone-unit:${unitId}`, data: { unitId } });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        onClick={() => select({ unit: unitId })}
        className={`cursor-grab rounded-full border border-edge bg-paper px-2.5 py-0.5 text-[14px] hover:border-heron ${isDragging ? 'opacity-40' : ''}`}
      >
        {name}
      </button>
    </li>
  );
}
