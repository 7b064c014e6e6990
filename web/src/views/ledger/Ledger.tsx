import { useMemo } from 'react';
import { costOfHome, coveredIn, toldUses, yearlyUses } from '@heronstone/core/homes';
import { placeSaid } from '@heronstone/core/concepts';
import { homesIn, homesOf, type Plan, type Share, type Supply } from '@heronstone/core/plan';
import {
  fetchFrom,
  handlingOf,
  type Maker,
  makerOf,
  PLAIN,
  type ReachMotion,
  SECONDS_PER_TMU,
  sceneAt,
  sceneOf,
} from '@heronstone/core/reach';
import { againWords } from './again-words.ts';
import { sessionWords } from './session-words.ts';
import { Explained } from '../../ui/explained.tsx';
import { bandColour, bandName, fetchWords, yearWords } from '../../ui/words.ts';

type Props = { plan: Plan; maker: Maker; placeId: string; supply?: Supply | null; share?: Share };

/** Why a place costs what it costs: the motions in order, each with its code and time. */
export function Ledger({ plan, maker, placeId, supply, share = 'working' }: Props) {
  const { spot, fetch, who, yearly, told } = useMemo(() => {
    const use = supply ? [...yearlyUses(plan, supply, share)].sort((a, b) => b.fetches - a.fetches)[0] : undefined;
    const from = (use && makerOf(plan, use.station)) ?? maker;
    const at = use?.station ?? Object.values(plan.stations).find((s) => makerOf(plan, s) === maker);
    const scene = at ? sceneAt(plan, at) : sceneOf(plan);
    const spot = scene.spots.get(placeId);
    const others = homesIn(plan, placeId).filter((h) => h.supplyId !== supply?.id || h.share !== share).length;
    const covered = coveredIn(plan, placeId);
    const handling = supply
      ? { ...handlingOf(supply, others + 1, use?.consumed ?? false), covered }
      : { ...PLAIN, kinds: Math.max(1, others), covered };
    return {
      spot,
      fetch: spot ? fetchFrom(scene, from, spot, handling) : null,
      who: use && from !== maker ? `${from.person.name} at ${use.station.name}` : from.person.name,
      yearly: supply ? costOfHome(plan, supply, share, placeId) : null,
      told: supply ? toldUses(plan, supply, share, plan.places[placeId]?.unitId ?? null).slice(0, 3) : [],
    };
  }, [plan, supply, share, maker, placeId]);
  const again = useMemo(() => {
    const home = supply && homesOf(plan, supply.id, share).find((h) => h.placeId === placeId);
    return home ? againWords(plan, home.id) : null;
  }, [plan, supply, share, placeId]);
  if (!spot || !fetch) return null;
  const path = placeSaid(plan, plan.places[placeId] ?? spot.place);
  const title = supply ? `${supply.name} → ${path}` : path;
  return (
    <section aria-label="Ledger">
      <h2 className="font-display text-lg font-semibold leading-snug">{title}</h2>
      {fetch.ok ? (
        <>
          <p className="text-soft">
            <BandChip band={fetch.band} /> {fetchWords(fetch.seconds)} for {who}
            {yearly && Number.isFinite(yearly.seconds) && <> · {yearWords(yearly.seconds)}</>}
          </p>
          {told.map((t) => (
            <p key={t.station.id} className="text-[14px] text-soft">
              {sessionWords(t)}
            </p>
          ))}
          {again && <p className="text-[14px] text-soft">{again}</p>}
          <MotionsTable motions={fetch.motions} />
        </>
      ) : (
        <p className="text-clash">{fetch.reason}</p>
      )}
      {yearly?.penalties.map((p) => (
        <p key={p.words} className="mt-1 text-clash">
          {p.words} <span className="whitespace-nowrap">Set at {yearWords(p.seconds)}.</span>
        </p>
      ))}
    </section>
  );
}

export function BandChip({ band }: { band: Parameters<typeof bandName>[0] }) {
  return (
    <span className="inline-flex items-center gap-1 text-ink">
      <span
        className="inline-block size-2.5 rounded-full border border-edge"
        style={{ background: bandColour(band) }}
      />
      {bandName(band)}
    </span>
  );
}

/** Motions of a fetch in order, got and put back apart. */
export function MotionsTable({ motions }: { motions: readonly ReachMotion[] }) {
  const get = motions.filter((m) => m.part === 'get');
  const back = motions.filter((m) => m.part === 'put back');
  const sum = (list: typeof get) => list.reduce((s, m) => s + m.tmu, 0) * SECONDS_PER_TMU;
  return (
    <table className="mt-1 w-full text-[14px]">
      <thead className="sr-only">
        <tr>
          <th>motion</th>
          <th>code</th>
          <th>seconds</th>
        </tr>
      </thead>
      {[['get', get] as const, ['put back', back] as const].map(([part, list]) =>
        list.length === 0 ? null : (
          <tbody key={part}>
            <tr className="border-t border-line">
              <th colSpan={2} className="pt-1 text-left font-semibold">
                {part}
              </th>
              <td className="pt-1 text-right font-semibold">{sum(list).toFixed(1)} s</td>
            </tr>
            {list.map((m, i) => (
              <tr key={i}>
                <td className="pr-2">{m.text}</td>
                <td className="pr-2 text-[12px] text-soft">{m.code}</td>
                <td className="text-right">{(m.tmu * SECONDS_PER_TMU).toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        ),
      )}
      <tfoot>
        <tr>
          <td colSpan={3} className="text-right text-[12px] text-soft">
            <Explained term="motionCodes">what the codes mean</Explained>
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
