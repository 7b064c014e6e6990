import { proxy } from 'comlink';
import { Shuffle } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type Arranged, type Arrangement, type NearMiss } from '@heronstone/core/arrange';
import { FIRST } from '@heronstone/core/findings';
import { formatLength } from '@heronstone/core/lengths';
import { toast } from 'sonner';
import { forkPlan, sendCommand } from '../../state/api.ts';
import { useLongWork } from '../../state/long-work.ts';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { FIGURE_WORDS } from '../../ui/figures.ts';
import { countWords, longWords, today, yearWords } from '../../ui/words.ts';
import { Working } from '../../ui/working.tsx';
import { Floor } from '../../views/floor/Floor.tsx';
import { newId } from '@heronstone/core/plan';

/** What of an arrangement stands otherwise than now: how far it is carried, and what is only shifted. */
function Moved({ offer }: { offer: Arrangement }) {
  const { measure } = offer.plan.head;
  const carried = offer.moved.filter((m) => m.turned || m.by > SHIFTED);
  const shifted = offer.moved.filter((m) => !m.turned && m.by <= SHIFTED);
  return (
    <details>
      <summary className="min-h-6 cursor-pointer text-soft">
        moves {countWords(carried.length, 'thing', 'things')}
        {shifted.length > 0 && `, shifts ${shifted.length} a little`}
      </summary>
      <ul className="list-disc pl-4">
        {[...carried, ...shifted].map((m) => (
          <li key={m.unitId ?? m.stationId}>
            {m.name}: {formatLength(m.by, measure)}
            {m.turned && ', turned'}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What goes no farther is shifted where it stands, mm (own assumption). */
const SHIFTED = 250;

type Now = { total: number; spent: number; broken: { words: string }[] };

/** “8 % less”, of so much. */
const shareWords = (saved: number, of: number): string =>
  `${Math.round((100 * Math.abs(saved)) / of)} % ${saved >= 0 ? 'less' : 'more'}`;

/** Arrange for me: three different ways the room could stand, beside the way it stands, each with what it gains and costs. */
export function Arrange({ onClose }: { onClose: () => void }) {
  const plan = usePlan((s) => s.plan);
  const work = useLongWork((api) => api.warmUp(plan, today()));
  const navigate = useNavigate();
  const [offers, setOffers] = useState<readonly Arrangement[]>([]);
  const [now, setNow] = useState<Now | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [miss, setMiss] = useState<NearMiss | null>(null);
  const [seed, setSeed] = useState(1);
  const [taking, setTaking] = useState(false);
  const run = async () => {
    setOffers([]);
    setNow(null);
    setSaid(null);
    setMiss(null);
    const answer = await work.run<Arranged>((api, tell) =>
      api.arrange(
        plan,
        seed,
        today(),
        proxy((share: number, best: readonly Arrangement[]) => {
          tell(share);
          setOffers(best);
        }),
      ),
    );
    setSeed(seed + 1);
    if (!answer) return;
    if (!answer.ok) return setSaid(answer.reason);
    setOffers(answer.offers);
    if (answer.stopped && answer.offers.length === 0) return setSaid('Stopped before any was found.');
    setNow({ total: answer.now.total, spent: answer.now.spent, broken: answer.now.standing.broken });
    setMiss(answer.miss);
    if (answer.offers.length === 0)
      setSaid(
        'No arrangement was found that breaks no rule and is better than this one with its homes found. Unpin something, take a unit out, or try again: every try looks elsewhere.',
      );
  };
  const accept = async (offer: Arrangement, i: number) => {
    setTaking(true);
    try {
      const { id } = await forkPlan(plan.id, `${plan.head.name}, arrangement ${i + 1}`.slice(0, 120));
      await sendCommand(id, newId('change'), offer.command);
      toast.success('A new plan stands like this; the one you came from is untouched beside it.');
      await navigate(`/p/${id}/furniture?beside=${plan.id}`);
    } catch (e) {
      toast.error(`It could not be taken over: ${(e as Error).message}`);
    } finally {
      setTaking(false);
    }
  };
  return (
    <main className="flex grow flex-col px-4 pb-4">
      <div className="flex flex-wrap items-center gap-3 py-1">
        <h1 className="font-display text-2xl font-semibold">Arrange for me</h1>
        {work.share === null ? (
          <Button look="main" onClick={() => void run()}>
            <Shuffle size={16} aria-hidden /> {offers.length > 0 || said ? 'Look elsewhere' : 'Look for ways'}
          </Button>
        ) : (
          <Working
            work={work}
            words={offers.length > 0 ? `${countWords(offers.length, 'way', 'ways')} so far` : 'moving furniture about'}
          />
        )}
        <Button look="quiet" onClick={onClose}>
          Back to Furniture
        </Button>
        <p className="text-[14px] text-soft">
          What is pinned stays; seats go with their tables, or slide along them. Homes are found before and after: the
          room is arranged for where things will live. It takes less than a minute.
        </p>
      </div>
      {/* the end is heard: how many there are, or why there is none */}
      <p role="status" className={said ? 'py-2 text-clash' : 'sr-only'}>
        {said ?? (work.share === null && offers.length > 0 ? `${countWords(offers.length, 'way', 'ways')} found.` : '')}
      </p>
      <div className="grid grow grid-cols-2 gap-4 xl:grid-cols-4">
        <section aria-label="As it is" className="flex flex-col">
          <h2 className="font-display text-lg font-semibold">As it is</h2>
          <div className="h-64">
            <Floor plan={plan} />
          </div>
          {now && (
            <>
              <p>
                {FIGURE_WORDS.withRoom} {longWords(now.total)}
                <span className="block text-[14px] text-soft">
                  {FIGURE_WORDS.year} {longWords(now.spent)}
                </span>
              </p>
              {now.broken.length > 0 && (
                <details className="text-[14px]">
                  <summary className="min-h-6 cursor-pointer text-clash">
                    {countWords(now.broken.length, 'rule', 'rules')} broken
                  </summary>
                  <ul className="list-disc pl-4">
                    {now.broken.map((f) => (
                      <li key={f.words}>{f.words}</li>
                    ))}
                  </ul>
                </details>
              )}
            </>
          )}
        </section>
        {miss && (
          <section aria-label="The nearest miss" className="flex flex-col">
            <h2 className="font-display text-lg font-semibold">The nearest miss</h2>
            <div className="h-64">
              <Floor plan={miss.plan} />
            </div>
            <p>{miss.saves >= 0 ? `It would save ${yearWords(miss.saves)}, but:` : 'It saves nothing, and:'}</p>
            <ul className="list-disc pl-4 text-[14px] text-clash">
              {miss.why.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </section>
        )}
        {offers.map((offer, i) => (
          <section key={i} aria-label={`Arrangement ${i + 1}`} className="flex flex-col">
            <h2 className="font-display text-lg font-semibold">Arrangement {i + 1}</h2>
            <div className="h-64">
              <Floor plan={offer.plan} clash={new Set()} />
            </div>
            <p>
              {FIGURE_WORDS.withRoom} {longWords(offer.score.total)},{' '}
              <strong className={offer.saves >= 0 ? 'text-heron' : 'text-clash'}>
                {offer.saves >= 0 ? `${yearWords(offer.saves)} less` : `${yearWords(-offer.saves)} more`}
              </strong>
              {now && (
                <span className="block text-[14px] text-soft">
                  {FIGURE_WORDS.year} {longWords(offer.score.spent)}, {shareWords(offer.saved, now.spent)}
                </span>
              )}
            </p>
            <div className="grow text-[14px]">
              <Moved offer={offer} />
              {offer.gone.length > 0 && (
                <details>
                  <summary className="min-h-6 cursor-pointer">
                    mends {countWords(offer.gone.length, 'finding', 'findings')}
                  </summary>
                  <ul className="list-disc pl-4">
                    {offer.gone.map((w) => (
                      <li key={w}>{w}</li>
                    ))}
                  </ul>
                </details>
              )}
              {offer.come.length > 0 && (
                <details>
                  <summary className="min-h-6 cursor-pointer text-clash">
                    brings {countWords(offer.come.length, 'finding', 'findings')}
                  </summary>
                  <ul className="list-disc pl-4">
                    {offer.come.map((w) => (
                      <li key={w}>{w}</li>
                    ))}
                  </ul>
                </details>
              )}
            </div>
            <Button className="mt-2" disabled={taking || work.share !== null} onClick={() => void accept(offer, i)}>
              Take it as a new plan
            </Button>
          </section>
        ))}
      </div>
      <p className="text-[13px] text-soft">
        No arrangement shown breaks a rule of room, doors, drawers, sockets, heater, kiln or fuse board by anything that
        can be moved; what only pinned things do stays as it is. {FIRST}
      </p>
    </main>
  );
}
