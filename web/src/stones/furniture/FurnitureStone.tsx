import { type KeyboardEvent, useCallback, useMemo, useState } from 'react';
import { type Finding } from '@heronstone/core/findings';
import { apply, type Unit } from '@heronstone/core/plan';
import { type SeatAt, seatsAt, snapUnit } from '@heronstone/core/room';
import { factsOf } from '@heronstone/core/catalogue';
import { useFindings } from '../../state/findings.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { sitDown } from '../../state/sit.ts';
import { useWidth } from '../../ui/width.ts';
import { Floor, type Moved } from '../../views/floor/Floor.tsx';
import { SunDial, useSun } from '../../views/sun/SunDial.tsx';
import { ChosenUnit } from './ChosenUnit.tsx';
import { Elsewhere } from './Elsewhere.tsx';
import { FindingsList } from './FindingsList.tsx';
import { FurnitureHead, type FurnitureSheet } from './FurnitureHead.tsx';
import { UnitArrowRow, UnitArrows } from './UnitArrows.tsx';
import { type UnitMap, UnitMaps } from './UnitMaps.tsx';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';
import { NothingStands } from './NothingStands.tsx';

const Beside = part(() => import('./Beside.tsx').then((m) => ({ default: m.Beside })));

const Shopping = part(() => import('./shopping/Shopping.tsx').then((m) => ({ default: m.Shopping })));

const GoesIn = part(() => import('./GoesIn.tsx').then((m) => ({ default: m.GoesIn })));

const Arrange = part(() => import('./Arrange.tsx').then((m) => ({ default: m.Arrange })));

const Zones = part(() => import('./zones/Zones.tsx'));

const Drawings = part(() => import('./Drawings.tsx').then((m) => ({ default: m.Drawings })));

/** No two seats nearer to each other, mm (common practice: 600 mm of width for each). */
const ELBOW_TO_ELBOW = 600;

/** Floor large with its findings; the chosen unit, with its front to scale, along the bottom. */
export default function FurnitureStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [dragged, setDragged] = useState<{ id: string; to: Moved } | null>(null);
  const [sheet, setSheet] = useState<FurnitureSheet | null>(null);
  const [mapped, setMapped] = useState<UnitMap | null>(null);
  const small = useWidth() === 'phone';
  const chosen = get('unit');
  const beside = get('beside');
  const unit = chosen ? plan.units[chosen] : undefined;

  const rest = useCallback(
    (id: string, to: Moved): Partial<Unit> => {
      const { x, y, facing, bottom, hostId } = snapUnit(plan, plan.units[id]!, to);
      return { x, y, facing, bottom, hostId };
    },
    [plan],
  );
  // what is dragged is drawn, and judged, as if it had been let go there
  const shown = useMemo(() => {
    if (!dragged || !plan.units[dragged.id]) return plan;
    const done = apply(plan, { type: 'setUnit', id: dragged.id, set: rest(dragged.id, dragged.to) });
    return done.ok ? done.plan : plan;
  }, [plan, dragged, rest]);
  const findings = useFindings(shown);
  const { patches } = useSun(shown);
  const finding = findings?.find((f) => f.key === get('finding')) ?? null;
  const clash = useMemo(() => new Set(findings?.flatMap((f) => (f.acknowledged ? [] : f.unitIds)) ?? []), [findings]);

  const onKeyUnit = useCallback(
    (u: Unit, e: KeyboardEvent) => {
      const step = e.shiftKey ? 100 : 10;
      const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
      if (by) {
        e.preventDefault();
        dispatch({ type: 'setUnit', id: u.id, set: { x: u.x + by[0]!, y: u.y + by[1]! } });
      } else if (e.key.toLowerCase() === 'r') {
        const facing = (u.facing + (e.shiftKey ? 15 : 90)) % 360;
        dispatch({ type: 'setUnit', id: u.id, set: { facing } });
      } else if (e.key === 'Delete' || e.key === 'Backspace') {
        e.preventDefault();
        if (dispatch({ type: 'removeUnit', id: u.id })) select({ unit: null });
      }
    },
    [dispatch, select],
  );
  const chooseUnit = useCallback((id: string | null) => select({ unit: id }), [select]);
  // where nobody sits yet one may: a ring at each free side of the chosen table
  const offers = useMemo(() => {
    if (!unit || unit.mount === 'away' || !factsOf(unit.kind).worktop) return null;
    const taken = (seat: SeatAt) =>
      Object.values(plan.stations).some((st) => Math.hypot(st.x - seat.x, st.y - seat.y) < ELBOW_TO_ELBOW);
    const seats = seatsAt(plan, unit).filter((seat) => seat.free && !taken(seat));
    return { name: unit.name, seats, onSit: (seat: SeatAt) => sitDown(unit.id, seat) };
  }, [plan, unit]);
  const chooseFinding = useCallback(
    (f: Finding | null) =>
      select({
        finding: f?.key ?? null,
        ...(f?.unitIds[0] ? { unit: f.unitIds[0], place: f.placeIds[0] ?? null } : {}),
      }),
    [select],
  );
  if (get('view') === 'arrange')
    return (
      <View fallback={<main className="p-8 text-soft">One moment …</main>}>
        <Arrange onClose={() => select({ view: null })} />
      </View>
    );
  if (get('view') === 'zones')
    return (
      <View fallback={<main className="p-8 text-soft">One moment …</main>}>
        <Zones onClose={() => select({ view: null })} />
      </View>
    );
  return (
    <main className="flex grow flex-col px-4 pb-3">
      <FurnitureHead onSheet={setSheet} />
      <div className="flex min-h-9 flex-wrap items-center gap-4">
        <Elsewhere chosen={chosen} onChoose={(id) => select({ unit: id })} />
        {unit &&
          (unit.mount === 'floor' || unit.mount === 'wall') &&
          unit.hostId === null &&
          unit.keptInId === null && (
            <UnitMaps
              key={unit.id}
              unit={unit}
              mobile={factsOf(unit.kind).mobile && unit.mount === 'floor'}
              shown={mapped?.id === unit.id ? mapped : null}
              onMap={setMapped}
            />
          )}
        <span className="ml-auto">
          <SunDial plan={plan} />
        </span>
      </div>
      <div
        className={`grid min-h-72 grow grid-cols-1 gap-4 ${beside ? 'lg:grid-cols-[1fr_1fr_18rem]' : 'lg:grid-cols-[1fr_20rem]'}`}
      >
        <div className="relative min-h-[max(38vh,18rem)]">
          {Object.keys(plan.units).length === 0 && <NothingStands walls={Object.keys(plan.walls).length > 0} />}
          <Floor
            plan={shown}
            measures
            offers={offers}
            chosenUnit={chosen}
            sun={patches}
            map={mapped && mapped.id === chosen ? mapped.map : null}
            finding={finding}
            clash={clash}
            onChooseUnit={chooseUnit}
            onDragUnit={(id, to) => setDragged(to && { id, to })}
            onMoveUnit={(id, to) => dispatch({ type: 'setUnit', id, set: rest(id, to) })}
            onKeyUnit={onKeyUnit}
            over={(seen) =>
              unit &&
              !small && <UnitArrows plan={shown} unit={shown.units[unit.id]!} seats={offers?.seats ?? []} seen={seen} />
            }
            className="absolute inset-0 h-full w-full"
          />
        </div>
        <View>
          {beside && (
            <div className="relative min-h-[max(38vh,18rem)] border-l border-line pl-3">
              <Beside planId={beside} mine={plan} />
            </div>
          )}
        </View>
        <div className="relative min-h-80">
          <div className="absolute inset-0 flex flex-col [&>section]:min-h-0 [&>section]:grow">
            <FindingsList findings={findings} chosen={finding?.key ?? null} onChoose={chooseFinding} />
          </div>
        </div>
      </div>
      {unit ? (
        <>
          {small && <UnitArrowRow unit={unit} />}
          <ChosenUnit key={unit.id} unit={unit} />
        </>
      ) : (
        Object.keys(plan.units).length > 0 && (
          <p className="border-t border-line py-3 text-soft">
            Choose a unit on Floor to see its front, its sizes and how far it is from the walls.
          </p>
        )
      )}
      <View>
        {sheet === 'shopping' && <Shopping onClose={() => setSheet(null)} />}
        {sheet === 'goesIn' && <GoesIn unitId={chosen} onClose={() => setSheet(null)} />}
        {sheet === 'drawings' && <Drawings unitId={unit?.id} onClose={() => setSheet(null)} />}
      </View>
    </main>
  );
}
