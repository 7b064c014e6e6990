import { ArrowLeft } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { assessHomes, compareHomes } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import { makerOf, planAsWorked } from '@heronstone/core/reach';
import { usePlan } from '../../../state/plan-store.ts';
import { usePair } from '../../../state/found.ts';
import { type Pair } from '../../../state/pair.ts';
import { useHover, useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { FiguresTable } from '../../../ui/Figures.tsx';
import { focusIsLost } from '../../../ui/focus-after.ts';
import { singleKey } from '../../../ui/single-keys.ts';
import { bandName, countWords } from '../../../ui/words.ts';
import { TurningFloor } from '../../../views/floor/TurningFloor.tsx';
import { looksFrom } from '../../../views/round/looks.ts';
import { Round } from '../../../views/round/Round.tsx';
import { BandLegend } from '../BandLegend.tsx';
import { Fronts } from '../Fronts.tsx';
import { SeenFrom } from '../SeenFrom.tsx';
import { Onward } from './Onward.tsx';
import { ByStation } from './ByStation.tsx';
import { WhichSide } from './WhichSide.tsx';
import { Changes } from './Changes.tsx';

/**
 * Two states of the homes of this room set beside each other: Round and Floor of either at a key, what each station and person spends in both, what
 * gained most and what got worse; and, after *find homes*, the way there.
 */
export function BothSides({ pair, face }: { pair: Pair; face: 'found' | 'both' }) {
  const { keep } = usePair();
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const hovered = useHover((s) => s.place);
  const [at, setAt] = useState<0 | 1>(1);
  const { plan } = pair.sides[at];
  const assessed = useMemo(() => pair.sides.map((side) => assessHomes(side.plan)), [pair]);
  const compared = useMemo(
    () => compareHomes(pair.sides[0].plan, pair.sides[1].plan, 10, [assessed[0]!, assessed[1]!]),
    [pair, assessed],
  );
  const stations = Object.values(plan.stations).sort((a, b) => (a.name < b.name ? -1 : 1));
  const station = stations.find((s) => s.id === get('seat')) ?? stations[0];
  const maker = station ? makerOf(plan, station) : null;
  const seen = useMemo(() => (station ? planAsWorked(plan, station) : plan), [plan, station]);
  const looks = useMemo(() => (maker ? looksFrom(plan, seen, maker, null) : new Map()), [plan, seen, maker]);
  const turn = Number(get('turn') ?? 0) || 0;
  const turnTo = (to: number) => select({ turn: to === 0 ? null : String(to) });
  const place = get('place');
  const shown = hovered ?? place;
  const shownPlace = shown ? plan.places[shown] : undefined;
  const look = shown ? looks.get(shown) : undefined;
  const close = () => select({ view: null });
  // what was said of it in short would lie over it; what had the focus is gone
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (face === 'both') toast.dismiss();
    if (focusIsLost()) title.current?.focus();
  }, [face]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (singleKey(e) === 'b') setAt((now) => (now === 0 ? 1 : 0));
      if (e.key === 'Escape') close();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <main className="flex grow flex-col">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line px-4 py-1">
        <Button look="quiet" className="!px-1.5" aria-label="Back to the homes" onClick={close}>
          <ArrowLeft size={17} aria-hidden />
        </Button>
        <h1 ref={title} tabIndex={-1} className="font-display text-xl font-semibold outline-none">
          {pair.choose ? 'Two ways of working' : face === 'found' ? 'What lives where' : 'Before and after'}
        </h1>
        <WhichSide
          sides={pair.sides}
          face={face}
          at={at}
          onFace={(view) => select({ view, place: null })}
          onSide={setAt}
        />
        <p className="min-w-0 grow basis-40 truncate text-[14px]" aria-live="polite">
          {shownPlace && look ? (
            <>
              <strong>{placeSaid(plan, shownPlace)}</strong> · {bandName(look.band)} ·{' '}
              {look.kinds > 0
                ? `${countWords(look.kinds, 'kind', 'kinds')}, ${Math.round(look.full * 100)} % full`
                : 'empty'}
            </>
          ) : (
            <span className={face === 'found' ? 'sr-only' : 'text-soft'}>
              Choose something that changed: the room shows where it was and where it is.
            </span>
          )}
        </p>
      </div>
      <div className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1 px-4 pb-1">
        {face === 'both' ? (
          <SeenFrom stations={stations} chosen={station?.id} onChoose={(id) => select({ seat: id, turn: null })} />
        ) : (
          <p className="text-[14px] text-soft">
            A place to which something came has a thick edge, one that something left a dashed one. Pressed, it steps
            closer.
          </p>
        )}
        {pair.choose ? (
          <Button
            look="main"
            onClick={() => {
              if (dispatch({ type: 'setPlan', set: pair.choose! })) keep(null);
              close();
            }}
          >
            Work so from now on
          </Button>
        ) : (
          <Onward before={pair.sides[0].plan} />
        )}
      </div>
      {face === 'found' ? (
        <div className="grid grid-cols-1 gap-x-6 px-4 lg:grid-cols-[21rem_1fr]">
          <aside aria-label="In figures" className="space-y-3 pt-2 text-[14px]">
            {pair.told && (
              <ul aria-label="What was done" className="space-y-1 text-[15px]">
                {pair.told.map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            )}
            <FiguresTable columns={pair.sides.map((side) => ({ name: side.name, tally: side.sum }))} />
            {pair.proven && <p className="text-soft">{pair.proven}</p>}
          </aside>
          <Fronts
            before={pair.sides[0].plan}
            after={pair.sides[1].plan}
            shown={plan}
            chosen={place}
            onChoose={(id) =>
              // closer one sees the plan as it is now
              at === 1 && !pair.choose && plan.places[id]
                ? select({ view: 'closer', unit: plan.places[id].unitId, place: id })
                : select({ place: id })
            }
          />
        </div>
      ) : (
        <>
          {maker && (
            <Round
              plan={seen}
              maker={maker}
              turn={turn}
              onTurn={turnTo}
              looks={looks}
              chosen={place}
              onChoose={(id) => select({ place: id })}
            />
          )}
          <BandLegend fetches={assessed[at]!.fetchesByBand} tally={pair.sides[at]!.sum} />
          <div className="grid grow grid-cols-1 gap-5 px-4 pb-2 pt-1 lg:h-[calc(100vh-35rem)] lg:min-h-72 lg:grid-cols-[18rem_22rem_1fr_1fr]">
            {maker && (
              <TurningFloor
                turn={turn}
                plan={seen}
                maker={maker}
                goal={shown}
                chosenStation={station!.id}
                onChooseStation={(id) => select({ seat: id, turn: null })}
                chosenUnit={shownPlace?.unitId ?? null}
              />
            )}
            <ByStation sides={pair.sides} stations={compared.stations} />
            <Changes
              title={pair.choose ? `Less with “${pair.sides[1].name}”` : 'Gained most'}
              list={compared.gains}
              chosen={place}
              onShow={(c) => select({ place: at === 0 ? c.fromId : c.toId })}
            />
            <Changes
              title={pair.choose ? 'More' : 'Got worse'}
              list={compared.losses}
              chosen={place}
              onShow={(c) => select({ place: at === 0 ? c.fromId : c.toId })}
            />
          </div>
        </>
      )}
    </main>
  );
}
