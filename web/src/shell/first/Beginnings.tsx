import { Upload } from 'lucide-react';
import { type FormEvent, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type PlanHead } from '@heronstone/core/plan';
import { type CupboardKind } from '@heronstone/core/beginning';
import { addPlan } from '../../state/api.ts';
import { fetched } from '../../parts/fetched.ts';
import { Button } from '../../ui/button.tsx';
import { useMeasure } from '../../state/measure.ts';
import { readWalls } from './walls.ts';
import { FurnishedDrawn, KindFront, RoomDrawn, StripDrawn } from './drawn.tsx';
import furnished from '../../../../demo/plans/the-pump-house.heron.json?url';

/** Kinds a cupboard may be, all that the core has, in words short enough to stand under their drawing. */
const CUPBOARDS: Readonly<Record<CupboardKind, string>> = {
  cupboard: 'cupboard',
  lowChest: 'chest',
  boxTower: 'box tower',
  cubeUnit: 'cubes',
  bookcase: 'shelves',
  rollingCart: 'cart',
};

const later = () => fetched(() => import('./make.ts'));

/** The three ways to begin, drawn, each with how long it takes; and a plan that is in a file. */
export function Beginnings({ onTrouble }: { onTrouble: (words: string | null) => void }) {
  const { measure, set } = useMeasure();
  const [name, setName] = useState('');
  const [walls, setWalls] = useState(['', '', '', '']);
  const [working, setWorking] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  /** makes a plan and goes to where one begins with it */
  const go = async (make: () => Promise<Parameters<typeof addPlan>[0]>, to: string) => {
    onTrouble(null);
    setWorking(true);
    try {
      const { id } = await addPlan(await make());
      await navigate(`/p/${id}/${to}`);
    } catch (e) {
      onTrouble((e as Error).message);
      setWorking(false);
    }
  };
  const head: Pick<PlanHead, 'name' | 'measure'> = { name: name.trim(), measure };
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    if (head.name === '') return onTrouble('Give the plan a name first, for example “Attic room”.');
    const read = readWalls(walls, measure);
    if (!read.ok) return onTrouble(read.reason);
    void (read.lengths.length === 0
      ? go(() => Promise.resolve({ head }), 'room')
      : go(async () => ({ file: (await later()).roomFile(read.lengths, head) }), 'furniture'));
  };
  const card = 'flex min-w-0 flex-col rounded-2xl border border-line bg-paper p-4';
  return (
    <section aria-labelledby="begin" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h2 id="begin" className="font-display text-xl">
          A new plan
        </h2>
        <fieldset className="flex gap-3">
          <legend className="sr-only">Lengths in</legend>
          {(['metric', 'imperial'] as const).map((m) => (
            <label key={m} className="flex min-h-6 items-center gap-1.5">
              <input
                type="radio"
                name="measure"
                className="accent-heron"
                checked={measure === m}
                onChange={() => set(m)}
              />
              {m === 'metric' ? 'centimetres' : 'inches'}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-4 lg:grid-cols-3">
        <section aria-labelledby="tonight" className={card}>
          <StripDrawn />
          <h3 id="tonight" className="mt-2 font-display text-lg font-semibold">
            One cupboard, tonight
          </h3>
          <p className="text-[14px] text-soft">
            About twenty minutes. What it is, what is in it, where each thing goes, and a map for the inside of its
            door. No walls are needed.
          </p>
          <div role="group" aria-label="What it is" className="grid grid-cols-3 gap-1 pt-3">
            {(Object.entries(CUPBOARDS) as [CupboardKind, string][]).map(([kind, words]) => (
              <button
                key={kind}
                type="button"
                disabled={working}
                className="flex flex-col items-center gap-1 rounded-xl border border-line px-1 pb-1 pt-2 text-[14px] hover:border-heron disabled:opacity-50"
                onClick={() =>
                  void go(
                    async () => ({ file: (await later()).cupboardFile(kind, { name: `One ${words}`, measure }) }),
                    'furniture?unit=unit',
                  )
                }
              >
                <KindFront kind={kind} />
                {words}
              </button>
            ))}
          </div>
        </section>
        <form aria-labelledby="my-room" className={card} onSubmit={onSubmit}>
          <RoomDrawn />
          <h3 id="my-room" className="mt-2 font-display text-lg font-semibold">
            My room
          </h3>
          <p className="text-[14px] text-soft">
            An evening. Four walls in four numbers, or walk round it wall by wall; then what stands in it.
          </p>
          <div className="pt-3">
            <label className="sr-only" htmlFor="new-name">
              Name of the room
            </label>
            <input
              id="new-name"
              className="w-full rounded-full border border-edge bg-ground px-4 py-1.5"
              placeholder="Name of the room"
              value={name}
              onChange={(e) => setName(e.target.value)}
            />
            <div role="group" aria-label="Its four walls, if they are four" className="mt-2 grid grid-cols-4 gap-1">
              {walls.map((wall, i) => (
                <input
                  key={i}
                  aria-label={`Wall ${i + 1}`}
                  autoComplete="off"
                  className="min-w-0 rounded-lg border border-edge bg-ground px-2 py-1"
                  placeholder={
                    measure === 'metric' ? ['410', '320', '410', '320'][i] : ["13'", "10' 6", "13'", "10' 6"][i]
                  }
                  value={wall}
                  onChange={(e) => setWalls(walls.map((w, k) => (k === i ? e.target.value : w)))}
                />
              ))}
            </div>
            <Button type="submit" look="main" className="mt-2" disabled={working}>
              Begin
            </Button>
          </div>
        </form>
        <section aria-labelledby="look" className={card}>
          <FurnishedDrawn />
          <h3 id="look" className="mt-2 font-display text-lg font-semibold">
            Look at a room that is furnished
          </h3>
          <p className="text-[14px] text-soft">
            Two minutes, or as long as you like. A room under an eave with six seats and 148 things, as a plan of your
            own: whatever you do to it can be undone.
          </p>
          <div className="flex flex-wrap gap-2 pt-3">
            <Button
              look="plain"
              disabled={working}
              onClick={() =>
                void go(async () => {
                  const answer = await fetch(furnished);
                  if (!answer.ok) throw new Error('The room could not be fetched.');
                  return { file: (await later()).inMeasure(await answer.text(), measure) };
                }, 'homes')
              }
            >
              Open it
            </Button>
          </div>
        </section>
      </div>
      <p className="mt-3">
        <Button look="quiet" onClick={() => file.current?.click()}>
          <Upload size={16} aria-hidden /> From a plan file
        </Button>
        <input
          ref={file}
          type="file"
          accept=".json"
          className="hidden"
          aria-label="Plan file"
          onChange={async (e) => {
            const [chosen] = e.target.files ?? [];
            e.target.value = '';
            if (chosen) await go(async () => ({ file: await chosen.text() }), 'room');
          }}
        />
      </p>
    </section>
  );
}
