import { type Held } from '../../views/places/held.ts';
import { DndContext, DragOverlay, type DragEndEvent, type DragOverEvent, pointerWithin } from '@dnd-kit/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { homeOf, homesOf, type Share, SHARES } from '@heronstone/core/plan';
import { makerOf, mostAhead, planAsWorked, unitsAround } from '@heronstone/core/reach';
import { usePairOf } from '../../state/found.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useHover, useSeat, useSelection } from '../../state/selection.ts';
import { useDragSensors } from '../../ui/drag-sensors.ts';
import { bandName, fetchWords, today } from '../../ui/words.ts';
import { Closer } from '../../views/closer/Closer.tsx';
import { TurningFloor } from '../../views/floor/TurningFloor.tsx';
import { looksFrom } from '../../views/round/looks.ts';
import { wrap } from '../../views/round/geometry.ts';
import { Round } from '../../views/round/Round.tsx';
import { useSun } from '../../views/sun/SunDial.tsx';
import { BandLegend } from './BandLegend.tsx';
import { BothSides } from './both/BothSides.tsx';
import { Crossing } from './Crossing.tsx';
import { InHand } from './in-hand/InHand.tsx';
import { useStanding } from '../../state/homes-worker.ts';
import { toldOff } from './told-off.ts';
import { Tray } from './Tray.tsx';
import { DraggedCard } from './DraggedCard.tsx';
import { HomesHead } from './HomesHead.tsx';
import { NoSeat } from './NoSeat.tsx';
import { useHomesKeys } from './use-homes-keys.ts';

/** The room with its homes; or two states of them beside each other; or, while things are carried over, the order of moves. */
export default function HomesStone() {
  const { get } = useSelection();
  const pair = usePairOf(usePlan((s) => s.plan.id));
  if (get('view') === 'crossing') return <Crossing />;
  const view = get('view');
  return pair && (view === 'found' || view === 'both') ? (
    <BothSides key={view} pair={pair} face={view} />
  ) : (
    <HomesInRoom />
  );
}

/** Round above; below it what has no home, Floor, and the ledger of what is chosen. */
function HomesInRoom() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const { stations, station } = useSeat();
  const { patches } = useSun(plan);
  const hovered = useHover((s) => s.place);
  const [dragged, setDragged] = useState<Held | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const sensors = useDragSensors();

  const turn = Number(get('turn') ?? 0) || 0;
  const setTurn = (t: number) => select({ turn: wrap(t) === 0 ? null : String(wrap(t)) });
  const place = get('place');
  const stepTo = (unitId: string | null) =>
    select({ view: unitId === null ? null : 'closer', unit: unitId, ...(unitId === null ? {} : { place: null }) });
  const share: Share = SHARES.find((s) => s === get('share')) ?? 'working';
  const supply = get('supply') ? plan.supplies[get('supply')!] : undefined;
  const inHand = useMemo<Held | null>(() => dragged ?? (supply ? { supply, share } : null), [dragged, supply, share]);
  const maker = station ? makerOf(plan, station) : null;
  // the room as it is while somebody works there: the cart rolled up, the box on the table
  const seen = useMemo(() => (station ? planAsWorked(plan, station) : plan), [plan, station]);
  const around = useMemo(() => {
    const from = station && makerOf(seen, station);
    return from ? unitsAround(seen, from) : [];
  }, [seen, station]);
  const closer = get('view') === 'closer' ? (around.find((u) => u.id === get('unit')) ?? null) : null;
  // the unit of what is chosen, else the one that is looked at
  const nearest =
    around.find((u) => u.id === (place && plan.places[place]?.unitId))?.id ??
    (maker && mostAhead(around, maker, maker.seat.heading + turn)?.id) ??
    null;
  const standing = useStanding(plan);
  const looks = useMemo(() => (maker ? looksFrom(plan, seen, maker, inHand) : new Map()), [plan, seen, maker, inHand]);

  const give = (held: Held, placeId: string) => {
    const { id: supplyId } = held.supply;
    const done = dispatch({ type: 'assignHome', supplyId, share: held.share, placeId, since: today() });
    const wrong = done ? toldOff(usePlan.getState().plan, supplyId, placeId) : null;
    if (wrong) toast.warning(wrong.words, { description: `Source: ${wrong.source}.`, duration: 15_000 });
    return done;
  };
  const choosePlace = (id: string) => {
    if (inHand && place === id && !homesOf(plan, inHand.supply.id, inHand.share).some((h) => h.placeId === id))
      give(inHand, id);
    else select({ place: id });
  };

  useHomesKeys({
    onTurn: closer ? null : (by) => setTurn(turn + by),
    onStepCloser: closer ? null : () => stepTo(nearest),
    onPin: () => {
      const home = supply && homeOf(plan, supply.id, share);
      if (home) dispatch({ type: 'pinHome', supplyId: supply.id, share, pinned: !home.pinned });
    },
    onLetGo: () => select({ supply: null, share: null, place: null }),
  });

  // what Round is told to do is looked up when it happens: so it is drawn anew only when what it shows has changed, not at every step of a drag
  const doing = useRef({ setTurn, choosePlace, stepTo });
  useEffect(() => {
    doing.current = { setTurn, choosePlace, stepTo };
  });
  const round = useMemo(
    () =>
      maker && (
        <Round
          plan={seen}
          maker={maker}
          turn={turn}
          onTurn={(t) => doing.current.setTurn(t)}
          looks={looks}
          chosen={place}
          onChoose={(id) => doing.current.choosePlace(id)}
          onStepTo={(id) => doing.current.stepTo(id)}
          sun={patches}
        />
      ),
    [seen, maker, turn, looks, place, patches],
  );

  if (!station || !maker) return <NoSeat />;
  const shown = over ?? hovered ?? place;
  const look = shown ? looks.get(shown) : undefined;
  const shownPlace = shown ? plan.places[shown] : undefined;

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={(e) => setDragged((e.active.data.current as Held | undefined) ?? null)}
      // told when it comes over another place; a move tells of the place before
      onDragOver={(e: DragOverEvent) => setOver((e.over?.data.current?.placeId as string | undefined) ?? null)}
      onDragCancel={() => {
        setDragged(null);
        setOver(null);
      }}
      onDragEnd={(e: DragEndEvent) => {
        const held = e.active.data.current as Held | undefined;
        const to = e.over?.data.current?.placeId as string | undefined;
        setDragged(null);
        setOver(null);
        if (held && to && give(held, to)) select({ supply: held.supply.id, share: held.share, place: to });
      }}
    >
      <main className="flex grow flex-col">
        <HomesHead
          plan={plan}
          stations={stations}
          station={station}
          name={maker.person.name}
          turn={turn}
          onTurn={setTurn}
          onStepCloser={closer || nearest === null ? null : () => stepTo(nearest)}
        />
        {closer ? (
          <Closer
            plan={seen}
            unit={closer}
            around={around}
            chosen={place}
            onChoose={choosePlace}
            onUnit={stepTo}
            onBack={() => stepTo(null)}
          />
        ) : (
          round
        )}
        <BandLegend fetches={standing?.fetchesByBand ?? null} tally={standing?.tally ?? null}>
          {shownPlace && look && (
            <>
              <strong>{placeSaid(plan, shownPlace)}</strong> · {bandName(look.band)}
              {look.seconds !== null && Number.isFinite(look.seconds) && ` · ${fetchWords(look.seconds)}`}
              {look.kinds > 0
                ? ` · ${look.kinds} ${look.kinds === 1 ? 'kind' : 'kinds'}, ${Math.round(look.full * 100)} % full`
                : ' · empty'}
            </>
          )}
        </BandLegend>
        <div className="grid grow grid-cols-1 gap-5 px-4 pb-2 pt-1 lg:h-[calc(100vh-31rem)] lg:min-h-72 lg:grid-cols-[20rem_1fr_24rem]">
          <Tray
            inHand={inHand}
            without={standing?.tally.without ?? null}
            onTake={(held) =>
              select({
                supply: held.supply.id,
                share: held.share,
                place: homeOf(plan, held.supply.id, held.share)?.placeId ?? null,
              })
            }
          />
          <TurningFloor
            turn={turn}
            plan={seen}
            maker={maker}
            goal={shown}
            chosenStation={station.id}
            onChooseStation={(id) => select({ seat: id, turn: null })}
            chosenUnit={shownPlace?.unitId ?? closer?.id ?? null}
            sun={patches}
          />
          <InHand
            inHand={inHand}
            placeId={place}
            maker={maker}
            onGive={give}
            onChoosePlace={(id) => select({ place: id })}
            onTake={(held) => select({ supply: held.supply.id, share: held.share })}
            onLetGo={() => select({ supply: null, share: null })}
          />
        </div>
      </main>
      <DragOverlay dropAnimation={null}>{dragged && <DraggedCard held={dragged} over={over} />}</DragOverlay>
    </DndContext>
  );
}
