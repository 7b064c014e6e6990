import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { CATALOGUE, type KindFacts, UNIT_KINDS, type UnitKind } from '@heronstone/core/catalogue';
import { formatLength } from '@heronstone/core/lengths';
import { blankUnit, middleOfRoom, newId, type OwnKind, SIDES, type Unit, unitShape } from '@heronstone/core/plan';
import { freeSpotFor } from '@heronstone/core/room';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';

const GROUPS: [KindFacts['group'], string][] = [
  ['work', 'To work at'],
  ['drawers', 'Drawers'],
  ['shelves', 'Open shelves and cubbies'],
  ['shut', 'Behind doors or under lids'],
  ['wheels', 'On wheels'],
  ['wall', 'On walls and doors'],
  ['small', 'On a table'],
  ['other', 'Other'],
  ['away', 'Outside'],
];

/** The generic kinds, each in a few words; a new unit comes to where there is room for it. */
export function BringIn() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const bring = (kind: UnitKind, own?: OwnKind) => {
    const alike = Object.values(plan.units).filter((u) => u.name.startsWith(own?.name ?? CATALOGUE[kind].name)).length;
    const id = newId('unit');
    const called = own?.name ?? CATALOGUE[kind].name;
    const name = alike === 0 ? called : `${called} ${alike + 1}`;
    const shape = own ? unitShape(own) : {};
    const unit = {
      ...blankUnit(id, kind, plan.head.measure),
      // of one’s own kind it is as large as that one is
      ...(own ? (shape as Partial<Unit>) : { usual: [...SIDES] }),
      name,
      ...middleOfRoom(plan),
    };
    if (unit.mount === 'door') unit.doorId = Object.values(plan.openings).find((o) => o.kind === 'door')?.id ?? null;
    const { x, y, facing, bottom, hostId } = freeSpotFor(plan, unit);
    if (dispatch({ type: 'placeUnit', unit: { ...unit, x, y, facing, bottom, hostId } })) select({ unit: id });
  };
  const own = Object.values(plan.ownKinds);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <Button look="main" data-next="bring-in">
          <Plus size={16} aria-hidden /> Bring in a unit
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={6}
          className="z-50 max-h-[70vh] overflow-auto rounded-2xl border border-edge bg-paper p-2 shadow-xl"
        >
          {own.length > 0 && (
            <DropdownMenu.Group>
              <DropdownMenu.Label className="px-2 text-[13px] text-soft">Your own kinds</DropdownMenu.Label>
              {own.map((kind) => (
                <DropdownMenu.Item
                  key={kind.id}
                  onSelect={() => bring(kind.kind, kind)}
                  className="flex cursor-pointer justify-between gap-6 rounded-lg px-2 py-1 outline-none data-[highlighted]:bg-heron data-[highlighted]:text-on-heron"
                >
                  <span className="font-medium">{kind.name}</span>
                  <span className="text-soft">
                    {formatLength(kind.width, plan.head.measure)} × {formatLength(kind.height, plan.head.measure)}
                  </span>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          )}
          {GROUPS.map(([group, title]) => (
            <DropdownMenu.Group key={group}>
              <DropdownMenu.Label className="px-2 pt-2 text-[13px] text-soft">{title}</DropdownMenu.Label>
              {UNIT_KINDS.filter((k) => CATALOGUE[k].group === group).map((kind) => (
                <DropdownMenu.Item
                  key={kind}
                  onSelect={() => bring(kind)}
                  className="flex cursor-pointer justify-between gap-6 rounded-lg px-2 py-1 outline-none data-[highlighted]:bg-heron data-[highlighted]:text-on-heron"
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
