import { useState } from 'react';
import { roomOf, wallsInOrder } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { LengthField, NumberField, SelectField, TextField } from '../../ui/fields/index.ts';
import { EmptyStone } from '../../views/empty/EmptyStone.tsx';
import { Floor } from '../../views/floor/Floor.tsx';
import { Diagonals } from './Diagonals.tsx';
import { Laser } from './Laser.tsx';
import { RoomThingsList } from './RoomThingsList.tsx';
import { ChosenWall } from './ChosenWall.tsx';
import { NextWall, type Ghost } from './NextWall.tsx';
import { SurveyWords } from './SurveyWords.tsx';
import { WallRow } from './WallRow.tsx';

/** Walk-round: wall after wall as one stands before it, Floor growing as one types. */
export default function RoomStone() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const walls = wallsInOrder(plan);
  const chosen = get('wall');
  // what is being typed is drawn as a wall of its own before it is taken
  const drawn = ghost
    ? { ...plan, walls: { ...plan.walls, ghost: { id: 'ghost', seq: walls.length, name: '', ...ghost } } }
    : plan;
  const setHead = (set: Partial<typeof plan.head>) =>
    dispatch({
      type: 'setPlan',
      set,
    });

  return (
    <main className="grid grow grid-cols-1 gap-6 px-4 pb-4 lg:grid-cols-[30rem_1fr]">
      <section aria-label="Walk-round" className="min-w-0">
        <h1 className="font-display text-2xl font-semibold">Walk round with a tape</h1>
        <p className="mb-2 text-soft">
          Begin in a corner, face the wall on your left hand, and go on to the right. Each wall: its length, then the
          turn to the next.
        </p>
        <ol className="space-y-1.5">
          {walls.map((wall, i) => (
            <WallRow
              key={wall.id}
              wall={wall}
              index={i}
              suspect={roomOf(plan).suspects.some((s) => s.wall === i)}
              chosen={chosen === wall.id}
              onChoose={() => select({ wall: chosen === wall.id ? null : wall.id })}
            />
          ))}
        </ol>
        <NextWall first={walls.length === 0} onGhost={setGhost} />
        <SurveyWords />
        {walls.length > 0 && (
          <div className="mt-3 space-y-3 border-t border-line pt-3">
            <Laser />
            <Diagonals />
            <RoomThingsList />
          </div>
        )}
        <div className="mt-4 grid grid-cols-2 gap-3 border-t border-line pt-3">
          <TextField label="Name of the plan" value={plan.head.name} onCommit={(name) => setHead({ name })} />
          <LengthField
            label="Ceiling height"
            mm={plan.head.ceiling}
            positive
            onCommit={(mm) => mm !== null && setHead({ ceiling: mm })}
          />
          <SelectField
            label="Lengths in"
            value={plan.head.measure}
            options={[
              ['metric', 'centimetres'],
              ['imperial', 'inches'],
            ]}
            onCommit={(measure) => setHead({ measure })}
          />
          <SelectField
            label="Keep together, when homes are found"
            value={plan.head.grouping}
            options={[
              ['activity', 'what is used together'],
              ['kind', 'what is of one kind'],
              ['nature', 'each by its nature'],
            ]}
            onCommit={(grouping) => setHead({ grouping })}
          />
          <SelectField
            label="Sockets, codes and pints of"
            value={plan.head.region}
            options={[
              ['eu', 'the European mainland'],
              ['uk', 'Britain and Ireland'],
              ['us', 'North America'],
              ['au', 'Australia'],
            ]}
            onCommit={(region) => setHead({ region })}
          />
          <NumberField
            label="Latitude, north positive"
            unit="°"
            min={-66}
            max={66}
            value={plan.head.latitude}
            onCommit={(latitude) => setHead({ latitude })}
          />
          <NumberField
            label="Wall 1 runs towards (0 north, 90 east)"
            unit="°"
            min={-360}
            max={360}
            value={plan.head.bearing}
            onCommit={(bearing) => setHead({ bearing })}
          />
          <NumberField
            label="Keep free to grow, of every place"
            unit="%"
            max={60}
            value={Math.round(plan.head.growth * 100)}
            onCommit={(n) => setHead({ growth: n / 100 })}
          />
        </div>
      </section>
      <section aria-label="Floor" className="min-h-96">
        {walls.length === 0 && !ghost ? (
          <EmptyStone of="room">
            <p>The room appears here while you type. Four walls at right angles are enough to begin.</p>
          </EmptyStone>
        ) : (
          <div className="sticky top-2 flex h-[calc(100vh-7rem)] min-h-96 flex-col">
            <div className="min-h-0 grow">
              <Floor plan={drawn} measures chosenWall={chosen} />
            </div>
            {chosen && plan.walls[chosen] && (
              <div className="relative h-[45%] min-h-0 border-t border-line">
                <ChosenWall wallId={chosen} />
              </div>
            )}
          </div>
        )}
      </section>
    </main>
  );
}
