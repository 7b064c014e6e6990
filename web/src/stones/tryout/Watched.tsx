import { Pause, Play, SkipBack, SkipForward } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { makerOf, planAsWorked } from '@heronstone/core/reach';
import { difference, type Moment, type Run } from '@heronstone/core/tryout';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields/index.ts';
import { Floor } from '../../views/floor/Floor.tsx';
import { looksFrom } from '../../views/round/looks.ts';
import { Round } from '../../views/round/Round.tsx';
import { MotionsOf } from './MotionsOf.tsx';
import { ChartsWhenOpened, Told, Tolls } from './Numbers.tsx';
import { Strip } from './Strip.tsx';
import { bandWords, momentWords, spentWords } from './words.ts';
import { SESSIONS, type Worked } from './worked.ts';

/** Sessions go by so many times faster than they are worked. */
const SPEEDS = [
  ['10', '10 times as fast'],
  ['40', '40 times'],
  ['160', '160 times'],
] as const;
/** A session to be watched, beside what it asks for. */
export function Watched({
  plan,
  run,
  mine,
  theirs,
}: {
  plan: Plan;
  run: Run;
  mine: Worked;
  theirs: (Worked & { plan: Plan; name: string }) | null;
}) {
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number][0]>('40');
  const [turn, setTurn] = useState(0);
  const { moments, expected, played } = mine;
  const now: Moment | undefined = moments[Math.min(at, moments.length - 1)];
  useEffect(() => {
    if (!playing || !now) return;
    if (at >= moments.length - 1) return setPlaying(false);
    const wait = setTimeout(() => setAt(at + 1), Math.max(60, (now.toll.seconds * 1000) / Number(speed)));
    return () => clearTimeout(wait);
  }, [playing, at, now, moments.length, speed]);
  const station = now?.station ?? run.legs[0]!.setting.station;
  const seen = useMemo(() => planAsWorked(plan, station), [plan, station]);
  const maker = makerOf(plan, station);
  const looks = useMemo(() => (maker ? looksFrom(plan, seen, maker, null) : new Map()), [plan, seen, maker]);
  const scale = Math.max(sum(moments), theirs ? sum(theirs.moments) : 0);
  const gain = theirs && difference(played, theirs.played);
  const rows = [
    { name: theirs ? 'this plan' : 'mean, and nine of ten', expected, played },
    ...(theirs ? [{ name: theirs.name, expected: theirs.expected, played: theirs.played }] : []),
  ];
  const full = moments.findIndex((m) => (m.covered ?? 0) > 1);
  return (
    <div className="mt-2 space-y-2">
      <Strip plan={plan} moments={moments} scale={scale} at={at} onAt={setAt} title={theirs ? 'This plan' : run.name} />
      {theirs && (
        <Strip
          plan={theirs.plan}
          moments={theirs.moments}
          scale={scale}
          at={null}
          onAt={() => undefined}
          title={theirs.name}
        />
      )}
      {gain && (
        <p role="status">
          {Math.abs(gain.mean) <= gain.half
            ? `No difference that could be told: ${spentWords(gain.mean)} ± ${spentWords(gain.half)} a session.`
            : `${gain.mean > 0 ? `${theirs.name.charAt(0).toUpperCase()}${theirs.name.slice(1)}` : 'This plan'} is quicker by ${spentWords(Math.abs(gain.mean))} a session (± ${spentWords(gain.half)}, 95 %, the same ${SESSIONS} sessions in both).`}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button aria-label="Moment before" onClick={() => setAt(Math.max(0, at - 1))}>
          <SkipBack size={15} aria-hidden />
        </Button>
        <Button look="main" onClick={() => setPlaying(!playing)}>
          {playing ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />} {playing ? 'Stop' : 'Walk it'}
        </Button>
        <Button aria-label="Next moment" onClick={() => setAt(Math.min(moments.length - 1, at + 1))}>
          <SkipForward size={15} aria-hidden />
        </Button>
        <SelectField label="speed" hideLabel value={speed} options={SPEEDS} onCommit={setSpeed} />
        {now && (
          <p className="min-w-0 grow truncate" aria-live={playing ? 'off' : 'polite'}>
            <span className="text-soft">
              {at + 1} of {moments.length}
              {now.step > 0 && `, step ${now.step}`}:
            </span>{' '}
            <strong className="font-semibold">{momentWords(plan, now)}</strong>{' '}
            <span className="text-soft">
              {bandWords(now.band)}, {spentWords(now.toll.seconds)}
            </span>
          </p>
        )}
      </div>
      {maker && (
        <Round
          plan={seen}
          maker={maker}
          turn={turn}
          onTurn={setTurn}
          looks={looks}
          chosen={now?.placeId ?? null}
          onChoose={() => undefined}
          reading="far"
        />
      )}
      <div className="grid grid-cols-1 gap-5 lg:grid-cols-[22rem_minmax(0,1fr)_22rem]">
        <div className="flex h-72 min-w-0 flex-col [&>svg]:min-h-0 [&>svg]:grow">
          <Floor
            plan={seen}
            up={station.heading + turn}
            maker={maker}
            goal={now?.placeId ?? null}
            chosenStation={station.id}
            chosenUnit={null}
            visits={expected.visits}
          />
          <p className="text-[13px] text-soft">Dots: how often a hand goes there in a session.</p>
        </div>
        <div className="min-w-0 space-y-2">
          <Tolls rows={rows} yearly={run.yearly} />
          {full >= 0 && (
            <p className="text-[14px] text-clash">
              {full === 0
                ? 'The table is full from the first moment on: the work and what stands there take all of it.'
                : `After moment ${full + 1} the table is full (${momentWords(plan, moments[full]!)}).`}
            </p>
          )}
          <ChartsWhenOpened rows={rows} />
          {now && <MotionsOf moment={now} />}
        </div>
        <Told plan={plan} run={run} expected={expected} />
      </div>
    </div>
  );
}

const sum = (moments: readonly Moment[]) => moments.reduce((s, m) => s + m.toll.seconds, 0);
