import { useSelection } from '../../state/selection.ts';
import { Ways } from '../../ui/ways.tsx';
import { Today } from './Today.tsx';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';

/** What keeps a room true, in the order in which it comes up. */
const WAYS = [
  { id: '', name: 'Today', tip: 'what asks for a hand', View: Today },
  {
    id: 'ready',
    name: 'Get ready',
    tip: 'what a session wants, got together',
    View: part(() => import('./GetReady.tsx')),
  },
  {
    id: 'doing',
    name: 'Doing it',
    tip: 'day by day to the room that is wanted',
    View: part(() => import('./doing/Doing.tsx')),
  },
  { id: 'back', name: 'Put back', tip: 'what lies about, in one round', View: part(() => import('./PutBack.tsx')) },
  {
    id: 'projects',
    name: 'Projects',
    tip: 'what is out for what, trays, trips, ideas',
    View: part(() => import('./projects/Projects.tsx')),
  },
  { id: 'look', name: 'Look test', tip: 'would you find it?', View: part(() => import('./LookTest.tsx')) },
  {
    id: 'labels',
    name: 'Labels',
    tip: 'notes, labels, codes, printing',
    View: part(() => import('./labels/Labels.tsx')),
  },
  { id: 'seasons', name: 'Seasons', tip: 'boxes in and out round the year', View: part(() => import('./Seasons.tsx')) },
  { id: 'buy', name: 'To buy', tip: 'what runs out, by shop', View: part(() => import('./ToBuy.tsx')) },
  { id: 'log', name: 'Log', tip: 'what happened, and what it says of uses', View: part(() => import('./log/Log.tsx')) },
  { id: 'scan', name: 'Scan', tip: 'read a code with the camera', View: part(() => import('./scan/Scan.tsx')) },
  { id: 'guests', name: 'For others', tip: 'a page for a child or a guest', View: part(() => import('./Guests.tsx')) },
] as const;

/** On a phone the bar below has these. */
const IN_THE_BAR: readonly string[] = ['', 'scan'];

/** Keep-up: a few seconds at a time, mostly from a phone. */
export default function KeepUpStone() {
  const { get, select } = useSelection();
  const way: (typeof WAYS)[number] = WAYS.find((w) => w.id === (get('view') ?? '')) ?? WAYS[0];
  return (
    <main className="flex grow flex-col px-4 pb-3">
      <Ways
        stone="Keep-up"
        ways={WAYS}
        now={way}
        inTheBar={IN_THE_BAR}
        onChoose={(w) => select({ view: w.id === '' ? null : w.id, place: null, project: null, day: null, job: null })}
      />
      <View fallback={<p className="p-6 text-soft">Opening …</p>}>
        <way.View />
      </View>
    </main>
  );
}
