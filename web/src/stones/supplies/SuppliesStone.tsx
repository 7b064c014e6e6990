import { useState } from 'react';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Ways } from '../../ui/ways.tsx';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';

/** Ways of dealing with supplies, in the order in which makers come to them. */
const WAYS = [
  {
    id: 'tour',
    name: 'Tour',
    tip: 'the room place after place: type what lies there',
    View: part(() => import('./tour/Tour.tsx')),
  },
  {
    id: 'picture',
    name: 'By picture',
    tip: 'a photo with one known thing in it measures the rest',
    View: part(() => import('./picture/PictureView.tsx')),
  },
  { id: 'lines', name: 'Lines', tip: 'type or paste many, one a line', View: part(() => import('./lines/Lines.tsx')) },
  {
    id: 'sort',
    name: 'Sort-out',
    tip: 'one thing at a time: keep, away, pass on, throw',
    View: part(() => import('./sort/SortOut.tsx')),
  },
  { id: 'list', name: 'List', tip: 'everything as rows', View: part(() => import('./list/List.tsx')) },
  {
    id: 'colours',
    name: 'Colours',
    tip: 'swatch chart, rows in order, what comes nearest',
    View: part(() => import('./colours/Colours.tsx')),
  },
  {
    id: 'cutting',
    name: 'Cutting',
    tip: 'what is kept cut, how to cut it, scraps',
    View: part(() => import('./cutting/Cutting.tsx')),
  },
  {
    id: 'room',
    name: 'Room needed',
    tip: 'whether it fits, before anything is bought',
    View: part(() => import('./room/RoomNeeded.tsx')),
  },
  {
    id: 'table',
    name: 'A table of your own',
    tip: 'bring a list you already keep',
    View: part(() => import('./table/OwnTable.tsx')),
  },
] as const;

/** On a phone the bar below has these. */
const IN_THE_BAR: readonly string[] = ['tour', 'list'];

/** Supplies: everything in, sorted, counted, and the room it needs. */
export default function SuppliesStone() {
  const { get, select } = useSelection();
  const empty = usePlan((s) => Object.keys(s.plan.supplies).length === 0);
  const furnished = usePlan((s) => Object.keys(s.plan.places).length > 0);
  // the tour is how every maker takes stock: it comes first where there is something to walk past
  // and stays when the first thing is in
  const [usual] = useState(empty ? (furnished ? 'tour' : 'lines') : 'list');
  const way = WAYS.find((w) => w.id === get('view')) ?? WAYS.find((w) => w.id === usual)!;
  return (
    <main className="flex grow flex-col px-4 pb-3">
      <Ways stone="Supplies" ways={WAYS} now={way} inTheBar={IN_THE_BAR} onChoose={(w) => select({ view: w.id })} />
      <View fallback={<p className="p-6 text-soft">Opening …</p>}>
        <way.View />
      </View>
    </main>
  );
}
