import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { CATALOGUE, UNIT_KINDS, type UnitKind } from '@heronstone/core/catalogue';
import { blankUnit, newId, middleOfRoom } from '@heronstone/core/plan';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';

const GROUPS = [
  ['floor', 'Standing on the floor'],
  ['wall', 'On the wall'],
  ['on', 'On top of something'],
  ['under', 'Under a worktop'],
  ['door', 'On a door leaf'],
  ['away', 'Outside'],
] as const;

/** The generic kinds, each in a few words; a new unit comes to the middle of the room. */
export function BringIn() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const bring = (kind: UnitKind) => {
    const facts = CATALOGUE[kind];
    const alike = Object.values(plan.units).filter((u) => u.kind === kind).length;
    const id = newId('unit');
    const name = alike === 0 ? facts.name : `${facts.name} ${alike + 1}`;
    const unit = { ...blankUnit(id, kind, plan.head.measure), name, ...middleOfRoom(plan) };
    if (dispatch({ type: 'placeUnit', unit })) select({ unit: id });
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="main">
          <Plus size={16} aria-hidden /> Bring in a unit
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={6}
          className="z-50 max-h-[70vh] overflow-auto rounded-2xl border border-line bg-paper p-2 shadow-xl"
        >
          {GROUPS.map(([mount, title]) => (
            <DropdownMenu.Group key={mount}>
              <DropdownMenu.Label className="px-2 pt-2 text-[13px] text-soft">{title}</DropdownMenu.Label>
              {UNIT_KINDS.filter((k) => CATALOGUE[k].mount === mount).map((kind) => (
                <DropdownMenu.Item
                  key={kind}
                  onSelect={() => bring(kind)}
                  className="flex cursor-pointer justify-between gap-6 rounded-lg px-2 py-1 outline-none data-[highlighted]:bg-stone"
                >
                  <span className="font-medium">{CATALOGUE[kind].name}</span>
                  <span className="text-soft">{CATALOGUE[kind].about}</span>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
