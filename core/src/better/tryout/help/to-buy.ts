import { standsIn, type SunGrid } from '../../arrange/index.ts';
import { factsOf, UNIT_KINDS, type UnitKind } from '../../../record/catalogue/index.ts';
import { seatsFor, setInCommand } from '../../../things/fit/index.ts';
import { placeFilling, proposeContainers } from '../../../living/homes/index.ts';
import { sessionsAt } from '../../../living/sessions/index.ts';
import { apply, blankUnit, type Command, homesIn, newId, type Place, type Plan } from '../../../record/plan/index.ts';
import { freeSpotFor } from '../../../space/room/index.ts';
import { type Random } from '../../../living/slotting/index.ts';
import { oneEachCommand, sharedTools } from '../../stations/index.ts';
import { type Change, MINUTES } from './change.ts';

/** Where another unit is looked for, so many draws. */
const DRAWS = 40;

/** One more unit of each kind that holds things, where it stands free and nearest to the busiest seat. */
export function* moreUnits(plan: Plan, sun: SunGrid, random: Random): Generator<Change | null> {
  const busiest = Object.values(plan.stations).sort(
    (a, b) => sessionsAt(plan, b) - sessionsAt(plan, a) || (a.id < b.id ? -1 : 1),
  )[0];
  if (!busiest) return;
  for (const kind of UNIT_KINDS) {
    const { places, mount, name } = factsOf(kind);
    if (places === null || !['floor', 'wall', 'on'].includes(mount)) continue;
    yield oneMoreUnit(plan, sun, random, kind, name, busiest);
  }
}

function oneMoreUnit(
  plan: Plan,
  sun: SunGrid,
  random: Random,
  kind: UnitKind,
  name: string,
  near: { x: number; y: number },
): Change | null {
  const fresh = blankUnit(newId('unit'), kind, plan.head.measure);
  const { x, y, facing, bottom, hostId } = freeSpotFor(plan, fresh);
  const first = { ...fresh, x, y, facing, bottom, hostId };
  const done = apply(plan, { type: 'placeUnit', unit: first });
  if (!done.ok) return null;
  const far = (p: { x: number; y: number }) => Math.hypot(p.x - near.x, p.y - near.y);
  const best = standsIn(done.plan, sun, random)
    .of(first.id, DRAWS)
    .map((s) => s.pose)
    .sort((a, b) => far(a) - far(b))[0];
  const unit = best && far(best) < far(first) ? { ...first, ...best } : first;
  return {
    ...{
      id: `unit ${kind}`,
      subject: unit.id,
      kind: 'unit',
      effort: 'buy',
      minutes: MINUTES.unit,
      besides: 0,
      unitIds: [unit.id],
    },
    words: `One more: ${name}`,
    price: plan.prices[kind]?.price ?? null,
    priceId: kind,
    command: { type: 'placeUnit', unit },
  };
}

/** Containers set in: where they would give a home to what has none, and into the fullest, most rummaged places. */
export function containers(plan: Plan): Change[] {
  const offers = proposeContainers(plan, 6).map((o) => ({ ...o, wanted: o.homes.length }));
  const others = Object.values(plan.organisers)
    .filter((o) => o.divided === '')
    .flatMap((organiser) =>
      looseIn(plan).flatMap((place) => {
        const count = Math.min(6, seatsFor(plan, place, organiser, 6).length);
        const standing = Object.values(plan.places).filter((p) => p.organiserId === organiser.id).length;
        return count === 0 ? [] : [{ organiser, place, count, buy: Math.max(0, count - organiser.have + standing) }];
      }),
    );
  const seen = new Set<string>();
  return [...offers, ...others].flatMap(({ organiser, place, count, buy }): Change[] => {
    const id = `container ${organiser.id} ${place.id}`;
    const command = seen.has(id) ? null : setInCommand(plan, place, organiser, count);
    seen.add(id);
    if (!command) return [];
    const unit = plan.units[place.unitId]?.name ?? '';
    return [
      {
        ...{
          id,
          kind: 'container',
          subject: place.id,
          effort: buy > 0 ? 'buy' : 'free',
          minutes: MINUTES.container * count,
          besides: 0,
        },
        words: `${count} × ${organiser.name} in ${unit}, ${place.name}`,
        price:
          buy === 0
            ? 0
            : organiser.price === null
              ? null
              : Math.ceil(buy / organiser.packOf) * organiser.packOf * organiser.price,
        command,
        unitIds: [place.unitId],
      },
    ];
  });
}

/** Places in which many kinds lie loose or behind each other: a few of them. */
function looseIn(plan: Plan): Place[] {
  return Object.values(plan.places)
    .filter((p) => p.organiserId === null && p.keptOut === '' && homesIn(plan, p.id).length >= 4 && p.kind !== 'top')
    .map((place) => ({ place, behind: placeFilling(plan, place).faults.length + homesIn(plan, place.id).length }))
    .sort((a, b) => b.behind - a.behind || (a.place.id < b.place.id ? -1 : 1))
    .slice(0, 3)
    .map(({ place }) => place);
}

/** A second one of each tool that is worth it. */
export function secondTools(plan: Plan, since: string): Change[] {
  return sharedTools(plan)
    .filter((t) => t.saves > 0)
    .slice(0, 8)
    .flatMap((tool): Change[] => {
      const ids = tool.stations.slice(1).map(() => newId('supply'));
      const command: Command | null = oneEachCommand(plan, tool, ids, since);
      if (!command) return [];
      return [
        {
          ...{
            id: `tool ${tool.supply.id}`,
            subject: tool.supply.id,
            kind: 'tool',
            minutes: MINUTES.tool,
            besides: 0,
            unitIds: [],
          },
          effort: tool.buy > 0 ? 'buy' : 'free',
          words: `${tool.supply.name}: one for each of ${tool.stations.map((s) => s.name).join(', ')}`,
          price: tool.buy > 0 ? (plan.prices[tool.supply.id]?.price ?? null) : 0,
          ...(tool.buy > 0 ? { priceId: tool.supply.id } : {}),
          command,
        },
      ];
    });
}
