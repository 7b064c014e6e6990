import { useMemo } from 'react';
import { type CutPiece } from '@heronstone/core/plan';
import { missingOf, type WantedPiece } from '@heronstone/core/stock';
import { useKept } from '../../../state/kept.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { CutList } from './CutList.tsx';
import { Pieces } from './Pieces.tsx';
import { Scraps } from './Scraps.tsx';

const NONE: Readonly<Record<string, number>> = {};
const NO_PIECES: readonly WantedPiece[] = [];

/** Cutting: what is kept cut ahead, what is to be cut and how, and the scraps. */
export default function Cutting() {
  const plan = usePlan((s) => s.plan);
  const [asked, setAsked] = useKept<Readonly<Record<string, number>>>('cutting.asked', NONE);
  /** what is cut this once and not kept */
  const [once, setOnce] = useKept<readonly WantedPiece[]>('cutting.once', NO_PIECES);
  const pieces = useMemo(
    () =>
      Object.values(plan.cutPieces).sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1)),
    [plan.cutPieces],
  );
  /** so many are to be cut: as asked for, else what is missing of those of which there are too few */
  const wanted = (p: CutPiece) => asked[p.id] ?? missingOf(p);
  const list = [
    ...pieces.flatMap((p) => (wanted(p) > 0 ? [{ piece: p, count: wanted(p) }] : [])),
    ...once.filter((w) => plan.supplies[w.piece.supplyId]),
  ];
  const done = () => {
    setAsked(NONE);
    setOnce(NO_PIECES);
  };
  return (
    <div className="grid grow grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0 space-y-5">
        <CutList plan={plan} list={list} onDone={done} />
        <Pieces
          plan={plan}
          pieces={pieces}
          wanted={wanted}
          onWant={(id, count) => setAsked((now) => ({ ...now, [id]: count }))}
          once={once}
          onOnce={setOnce}
        />
      </div>
      <Scraps plan={plan} pieces={pieces} />
    </div>
  );
}
