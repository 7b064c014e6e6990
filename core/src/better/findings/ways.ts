import { freeFloor, type Neck, neckOnTheWay, widestWays } from '../../space/room/index.ts';
import { type Found, found, type Look } from './finding.ts';
import { targetsOf, startsOf, namesOf, spotArea } from './way-targets.ts';
import { passageWanted, NEAR, BODY } from './passage.ts';
import { doorways } from './doorways.ts';

/** Passages from the doors to every seat and every unit; places nobody can stand before; ways out. */
export function ways(look: Look): Found[] {
  const { plan, len } = look;
  const out: Found[] = [];
  const { targets, nobody } = targetsOf(look);
  out.push(...nobody);
  const floor = freeFloor(plan);
  if (!floor) return out;
  const starts = startsOf(plan);
  if (starts.length === 0) return out;
  const reached = widestWays(floor, starts);
  const wanted = passageWanted(plan);
  const narrow = new Map<string, { neck: Neck; names: string[] }>();
  for (const target of targets) {
    const neck = neckOnTheWay(reached, target.at, target.seat ? NEAR - 300 : NEAR);
    if (neck !== 'here' && (!neck || neck.width < BODY)) {
      const words = neck
        ? `The way from the door to ${target.name} is only ${len(neck.width)} wide, between ${namesOf(neck)}; a body needs ${len(BODY)}.`
        : `Nobody gets from the door to ${target.name}.`;
      const check = target.seat ? 'exit' : 'stand';
      out.push(
        found(check, [target.id, 'way'], words, { unitIds: target.seat ? [] : [target.id], area: spotArea(neck) }),
      );
    } else if (target.cutOff) {
      // near the place one goes to the widest way says nothing; walking there does
      const words = `Nobody gets from the door to ${target.name}: what stands before it leaves no way.`;
      out.push(found('stand', [target.id, 'way'], words, { unitIds: [target.id] }));
    } else if (neck !== 'here' && neck.width < wanted) {
      const key = neck.between
        .map((side) => side.id)
        .sort()
        .join(' / ');
      const known = narrow.get(key);
      if (known) known.names.push(target.name);
      else narrow.set(key, { neck, names: [target.name] });
    }
  }
  for (const [key, { neck, names }] of narrow) {
    const ids = neck.between.map((side) => side.id).filter((id) => plan.units[id]);
    const others = names.length > 1 ? ` and ${names.length - 1} more` : '';
    out.push(
      found(
        'passage',
        [key],
        `Between ${namesOf(neck)} there are ${len(neck.width)} on the way to ${names[0]}${others}; a passage wants ${len(wanted)}.`,
        { unitIds: ids, area: spotArea(neck) },
      ),
    );
  }
  return [...out, ...doorways(look)];
}
