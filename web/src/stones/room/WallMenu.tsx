import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import {
  blankFixture,
  blankHeater,
  blankOpening,
  type Command,
  type Fixture,
  type FixtureKind,
  type Heat,
  newId,
  type Opening,
  type Wall,
} from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';

const item =
  'cursor-pointer rounded-lg px-3 py-1 outline-none data-[highlighted]:bg-heron data-[highlighted]:text-on-heron';
const ON_WALL: [FixtureKind, string][] = [
  ['socket', 'Socket'],
  ['fuseBoard', 'Fuse board'],
  ['sink', 'Sink'],
  ['lamp', 'Lamp'],
  ['pipe', 'Pipe'],
];
const HEATING: [Heat, string][] = [
  ['water', 'Radiator'],
  ['electric', 'Electric heater'],
  ['fire', 'Fireplace or stove'],
];
export type Shaping = 'alcove' | 'breast' | 'corner' | 'diagonal';

/** What can be on a wall, and how a wall can be shaped. */
export function WallMenu({
  wall,
  index,
  onAdded,
  onShape,
}: {
  wall: Wall;
  index: number;
  /** with the id of what may be chosen on the wall */
  onAdded: (thing?: string) => void;
  onShape: (s: Shaping) => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const measure = usePlan((s) => s.plan.head.measure);
  const planId = usePlan((s) => s.plan.id);
  const navigate = useNavigate();
  const run = (command: Command, thing?: string) => {
    if (dispatch(command)) onAdded(thing);
  };
  const opening = (kind: Opening['kind']) => {
    const id = newId(kind);
    run({ type: 'addOpening', opening: { ...blankOpening(id, kind, wall, measure), sizeBy: 'usual' } }, id);
  };
  const fixture = (blank: Fixture) => {
    const left = Math.max(0, Math.round((wall.length - blank.width) / 2));
    run({ type: 'addFixture', fixture: { ...blank, left, sizeBy: 'usual' } }, blank.id);
  };
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <Button look="quiet" className="!px-1.5" title="What is on this wall" aria-label={`Add to wall ${index + 1}`}>
          <Plus size={16} aria-hidden />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-50 max-h-[80vh] overflow-auto rounded-2xl border border-edge bg-paper p-2 shadow-xl"
        >
          <DropdownMenu.Label className="px-3 text-[13px] text-soft">On it</DropdownMenu.Label>
          <DropdownMenu.Item className={item} onSelect={() => opening('door')}>
            Door
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => opening('window')}>
            Window
          </DropdownMenu.Item>
          {ON_WALL.map(([kind, name]) => (
            <DropdownMenu.Item
              key={kind}
              className={item}
              onSelect={() => fixture(blankFixture(newId('fixture'), kind, wall.id, 0, measure))}
            >
              {name}
            </DropdownMenu.Item>
          ))}
          {HEATING.map(([heat, name]) => (
            <DropdownMenu.Item
              key={heat}
              className={item}
              onSelect={() => fixture(blankHeater(newId('fixture'), heat, wall.id, 0, measure))}
            >
              {name}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item
            className={item}
            onSelect={() =>
              run({ type: 'addSlope', slope: { id: newId('slope'), wallId: wall.id, knee: 1000, run: 1500 } })
            }
          >
            Slope of the roof
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            onSelect={() => void navigate(`/p/${planId}/supplies?view=picture&wall=${wall.id}`)}
          >
            By picture …
          </DropdownMenu.Item>
          <DropdownMenu.Label className="px-3 pt-2 text-[13px] text-soft">Its shape</DropdownMenu.Label>
          <DropdownMenu.Item className={item} onSelect={() => onShape('alcove')}>
            Alcove
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onShape('breast')}>
            Chimney breast
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onShape('corner')}>
            Cut the corner after it
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onShape('diagonal')}>
            Turn from a diagonal
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
