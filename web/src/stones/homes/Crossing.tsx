import { Check, Printer } from 'lucide-react';
import { useMemo } from 'react';
import { placeSaid } from '@heronstone/core/concepts';
import { amountOf, countIn, homesOf, type Move, type Plan } from '@heronstone/core/plan';
import { jot } from '../../state/jot.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { Which } from '../../ui/which.tsx';
import { countWords, today } from '../../ui/words.ts';

const TRAY = 'the tray';

/** How many pieces a move carries. */
function piecesOf(plan: Plan, move: Move): number {
  const supply = plan.supplies[move.supplyId]!;
  if (move.count !== null) return move.count;
  const from = homesOf(plan, supply.id, move.share).find((h) => h.placeId === move.fromId);
  return from ? countIn(plan, from, supply) : amountOf(supply, move.share);
}

/** Where a step begins: a place, the tray, or where it lies about without a home. */
function fromWords(plan: Plan, moves: readonly Move[], move: Move): string {
  if (move.fromId !== null) return plan.places[move.fromId] ? placeSaid(plan, plan.places[move.fromId]!) : 'its place';
  const lifted = moves.some(
    (m) => m.seq < move.seq && m.toId === null && m.supplyId === move.supplyId && m.share === move.share,
  );
  return lifted ? TRAY : 'where it lies now';
}
const toWords = (plan: Plan, move: Move): string =>
  move.toId === null ? TRAY : plan.places[move.toId] ? placeSaid(plan, plan.places[move.toId]!) : 'its place';

/** The order of moves from the old homes to the new: one after the other, ticked as they are made, true at every tick. */
export function Crossing() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const moves = useMemo(() => Object.values(plan.moves).sort((a, b) => a.seq - b.seq), [plan.moves]);
  const open = moves.filter((m) => m.doneOn === null);
  const [next, ...after] = open;
  const minutes = Math.ceil(open.reduce((sum, m) => sum + m.seconds, 0) / 60);
  const leave = () => select({ view: null });
  if (moves.length === 0)
    return (
      <main className="mx-auto max-w-2xl p-6">
        <h1 className="font-display text-2xl font-semibold">Moves</h1>
        <p className="my-2 text-soft">
          There is nothing to carry. Find homes first; then the way to them is laid here.
        </p>
        <Button onClick={leave}>Back to the room</Button>
      </main>
    );
  return (
    <main className="mx-auto w-full max-w-2xl px-4 pb-8 pt-3 print:max-w-none">
      <div className="flex flex-wrap items-center gap-2 print:hidden">
        <h1 className="font-display text-2xl font-semibold">Moves</h1>
        <p className="grow text-soft" role="status">
          {open.length === 0
            ? 'all made'
            : `${moves.length - open.length} of ${moves.length} made, about ${minutes} min to go`}
        </p>
        <Button look="quiet" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Labels for what moves
        </Button>
      </div>
      <Stones plan={plan} moves={moves} />
      {next ? (
        <section aria-label="The next move" className="rounded-2xl border border-heron bg-paper p-4 print:hidden">
          <p className="text-xl font-semibold">
            {piecesOf(plan, next)} × {plan.supplies[next.supplyId]!.name}
            <Which share={next.share} />
          </p>
          <dl className="my-2 grid grid-cols-[auto_1fr] gap-x-3 text-lg">
            <dt className="text-soft">from</dt>
            <dd>{fromWords(plan, moves, next)}</dd>
            <dt className="text-soft">to</dt>
            <dd className="font-semibold">{toWords(plan, next)}</dd>
          </dl>
          <Button
            look="main"
            className="min-h-12 w-full text-lg"
            onClick={() => {
              // where it lived until now is looked at when it is missed
              if (dispatch({ type: 'makeMove', id: next.id, since: today() }) && next.fromId !== null)
                jot({ what: 'moved', supplyId: next.supplyId, placeId: next.fromId });
            }}
          >
            <Check size={20} aria-hidden /> Done, the next
          </Button>
        </section>
      ) : (
        <section className="rounded-2xl border border-heron bg-paper p-4 print:hidden">
          <p className="text-lg">Everything lies where it was to go.</p>
          <Button
            look="main"
            className="mt-2"
            onClick={() => {
              if (dispatch({ type: 'planMoves', moves: [] })) leave();
            }}
          >
            Put the list away
          </Button>
        </section>
      )}
      {after.length > 0 && (
        <section aria-label="Then" className="mt-4 print:hidden">
          <h2 className="font-semibold">Then</h2>
          <ol className="divide-y divide-line">
            {after.map((m) => (
              <li key={m.id} className="py-1.5">
                <span className="block">
                  {piecesOf(plan, m)} × {plan.supplies[m.supplyId]!.name}
                  <Which share={m.share} />
                </span>
                <span className="block text-[14px] text-soft">
                  {fromWords(plan, moves, m)} → {toWords(plan, m)}
                </span>
              </li>
            ))}
          </ol>
        </section>
      )}
      <div className="mt-4 flex flex-wrap gap-2 print:hidden">
        <Button onClick={leave}>Rest here</Button>
        {open.length > 0 && (
          <Button look="quiet" onClick={() => dispatch({ type: 'planMoves', moves: [] }) && leave()}>
            Leave the rest where it is
          </Button>
        )}
        <p className="basis-full text-[14px] text-soft">
          {countWords(open.length, 'move is', 'moves are')} left. You can stop at any time and go on another day or on
          the phone: the plan says where everything is. Undo takes a tick back.
        </p>
      </div>
      <ul className="hidden print:grid print:grid-cols-3 print:gap-2" aria-label="Labels">
        {moves
          .filter((m) => m.toId !== null)
          .map((m) => (
            <li key={m.id} className="border border-ink p-2">
              <strong className="block">{plan.supplies[m.supplyId]!.name}</strong>
              {toWords(plan, m)}
            </li>
          ))}
      </ul>
    </main>
  );
}

/** Stones from the old room to the new. */
const STONES = 16;

/** The way over, some moves to a stone: filled as they are made; one on which the tray is stood on has a ring. */
function Stones({ plan, moves }: { plan: Plan; moves: readonly Move[] }) {
  const each = Math.max(1, Math.ceil(moves.length / STONES));
  const groups = Array.from({ length: Math.ceil(moves.length / each) }, (_, i) =>
    moves.slice(i * each, (i + 1) * each),
  );
  const made = moves.filter((m) => m.doneOn !== null).length;
  return (
    <div
      role="img"
      aria-label={`${made} of ${moves.length} moves made`}
      className="my-2 flex items-center gap-1 print:hidden"
    >
      {groups.map((group, i) => {
        const share = group.filter((m) => m.doneOn !== null).length / group.length;
        const tray = group.some((m) => m.toId === null || fromWords(plan, moves, m) === TRAY);
        return (
          <span
            key={i}
            className={`h-4 min-w-0 grow overflow-hidden rounded-[50%] bg-stone ${tray ? 'outline-2 outline-ink' : ''} ${i % 2 ? 'translate-y-0.5' : ''}`}
          >
            <span className="block h-full bg-heron" style={{ width: `${share * 100}%` }} />
          </span>
        );
      })}
    </div>
  );
}
