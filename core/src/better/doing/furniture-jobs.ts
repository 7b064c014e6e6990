import { factsOf } from '../../record/catalogue/index.ts';
import { countIn, massOf, type Plan, type Unit } from '../../record/plan/index.ts';
import { massInUnit } from '../../things/fit/index.ts';
import { HANDFUL, litresOf } from '../../living/moves/index.ts';
import { LOAD_CONSTANT } from '../../space/loads/index.ts';
import { type Add, footprint, idOf, type Made, some } from './adding.ts';
import { priceOf } from './buying.ts';
import { type Difference } from './difference.ts';
import { DELIVERY_DAYS, LAID_OUT, LIFTED, TAKES } from './minutes.ts';

/** Buying, bringing in, moving, setting in: what must stand before anything is carried to it. */
export function furniture(now: Plan, then: Plan, d: Difference, add: Add, first: readonly string[]): Made {
  const made: Made = new Map();
  const guests = (plan: Plan, unit: Unit): Unit[] =>
    Object.values(plan.units)
      .filter((u) => u.hostId === unit.id && u.id !== unit.id)
      .flatMap((u) => [u, ...guests(plan, u)]);
  const kinds = new Map<string, Unit[]>();
  for (const u of d.come) kinds.set(u.kind, [...(kinds.get(u.kind) ?? []), u]);
  const bought = new Map<string, string>();
  for (const [kind, units] of kinds) {
    const each = priceOf(now, then, units[0]!.id);
    const named = (ids: readonly string[]): string =>
      `Buy ${ids.length === 1 ? then.units[ids[0]!]!.name : `${ids.length} × ${units[0]!.name}`}`;
    const job = add(
      {
        ...{ id: idOf('buy', kind), kind: 'buy', about: units.map((u) => u.id), after: [...first] },
        ...{ money: each === null ? null : each * units.length, delivery: DELIVERY_DAYS },
        name: named(units.map((u) => u.id)),
        why: 'It stands in the plan that is wanted and not in the room.',
      },
      TAKES.order,
      named,
    );
    for (const u of units) bought.set(u.id, job.id);
  }
  for (const unit of d.come.filter((u) => u.hostId === null || !d.come.some((o) => o.id === u.hostId))) {
    const all = [unit, ...guests(then, unit).filter((u) => d.come.includes(u))];
    const places = Object.values(then.places).filter((p) => all.some((u) => u.id === p.unitId)).length;
    const mass = all.reduce((sum, u) => sum + massOf(u), 0);
    const heavy = mass / 1000 > LOAD_CONSTANT;
    const job = add(
      {
        ...{ id: idOf('bring', unit.id), kind: 'bring', about: all.map((u) => u.id), splits: false },
        ...{ after: all.flatMap((u) => bought.get(u.id) ?? []), people: heavy ? 2 : 1, floor: footprint(unit) },
        lifts: mass > LIFTED,
        name: `Bring in ${unit.name}`,
        why: heavy ? 'Too heavy for one: two lift it.' : 'What is to live in it waits for it.',
      },
      TAKES.bring + places * TAKES.eachPlace + (unit.fixed ? TAKES.fasten : 0),
    );
    for (const u of all) made.set(u.id, job.id);
  }
  for (const { now: was, then: unit } of d.move) {
    const along = guests(now, was);
    const inside = [was, ...along].reduce((sum, u) => sum + massInUnit(now, u.id), 0);
    const mass = [was, ...along].reduce((sum, u) => sum + massOf(u), 0);
    const heavy = mass / 1000 > LOAD_CONSTANT;
    const rolls = factsOf(was.kind).mobile;
    const out = rolls ? { seconds: 0, floor: 0 } : laidOut(now, [was, ...along]);
    const reshaped = was.width !== unit.width || was.rows !== unit.rows || was.columns !== unit.columns;
    const job = add(
      {
        ...{ id: idOf('move', unit.id), kind: 'move', about: [unit.id, ...along.map((u) => u.id)], splits: false },
        lifts: mass > LIFTED && !rolls,
        ...{ people: heavy && !rolls ? 2 : 1, floor: out.floor + (inside > 0 && !rolls ? footprint(was) : 0) },
        name: reshaped ? `Change ${unit.name}` : `Move ${unit.name}`,
        why:
          inside > 0 && !rolls
            ? 'Emptied, moved and filled again in one go, so that nothing lies about in the evening.'
            : 'It stands elsewhere in the plan that is wanted.',
      },
      2 * out.seconds + TAKES.shift * (1 + along.length) + (unit.fixed && !rolls ? TAKES.fasten : 0),
    );
    made.set(unit.id, job.id);
  }
  const byKind = new Map<string, string[]>();
  for (const box of d.boxesCome) byKind.set(box.organiserId!, [...(byKind.get(box.organiserId!) ?? []), box.id]);
  for (const [organiserId, boxes] of byKind) {
    const organiser = then.organisers[organiserId]!;
    const packs = Math.ceil(Math.max(0, boxes.length - (now.organisers[organiserId]?.have ?? 0)) / organiser.packOf);
    if (packs === 0) continue;
    const job = add(
      {
        ...{ id: idOf('buy', organiserId), kind: 'buy', about: boxes, after: [...first] },
        ...{ money: organiser.price === null ? null : organiser.price * packs, delivery: DELIVERY_DAYS },
        name: `Buy ${boxes.length} × ${organiser.name}${organiser.packOf > 1 ? ` (${some(packs, 'pack', 'packs')} of ${organiser.packOf})` : ''}`,
        why: 'Boxes last: once what goes into them is sorted and measured.',
      },
      TAKES.order,
      (some) => `Buy ${some.length} × ${organiser.name}`,
    );
    for (const id of boxes) bought.set(id, job.id);
  }
  const inUnits = new Map<string, { boxes: string[]; divided: string[] }>();
  for (const p of [...d.boxesCome, ...d.boxesMove]) {
    const row = inUnits.get(p.unitId) ?? { boxes: [], divided: [] };
    row.boxes.push(p.id);
    inUnits.set(p.unitId, row);
  }
  for (const p of d.divided) {
    const row = inUnits.get(p.unitId) ?? { boxes: [], divided: [] };
    row.divided.push(p.id);
    inUnits.set(p.unitId, row);
  }
  for (const [unitId, { boxes, divided }] of inUnits) {
    const named = (ids: readonly string[]): string => {
      const n = ids.filter((id) => divided.includes(id)).length;
      const what = [
        ...(ids.length > n ? [some(ids.length - n, 'container', 'containers')] : []),
        ...(n > 0 ? [some(n, 'divider', 'dividers')] : []),
      ];
      return `Set ${what.join(' and ')} into ${then.units[unitId]?.name ?? 'a unit'}`;
    };
    const job = add(
      {
        ...{ id: idOf('setIn', unitId), kind: 'setIn', about: [...boxes, ...divided] },
        after: [
          ...new Set([...boxes.flatMap((b) => bought.get(b) ?? []), ...(made.get(unitId) ? [made.get(unitId)!] : [])]),
        ],
        name: named([...boxes, ...divided]),
        why: 'What is to lie in them waits for them.',
      },
      boxes.length * TAKES.setIn + divided.length * TAKES.divide,
      named,
    );
    for (const id of [...boxes, ...divided]) made.set(id, job.id);
  }
  return made;
}

/** What lives in units taken out and laid aside: s, and m² it covers. */
function laidOut(plan: Plan, units: readonly Unit[]): { seconds: number; floor: number } {
  const own = new Set(units.map((u) => u.id));
  let [seconds, litres] = [0, 0];
  for (const home of Object.values(plan.homes)) {
    const place = plan.places[home.placeId];
    const supply = plan.supplies[home.supplyId];
    if (!place || !supply || !own.has(place.unitId)) continue;
    const some = litresOf(supply, countIn(plan, home, supply));
    litres += some;
    // out of the place and down beside it
    seconds += TAKES.layOut + TAKES.handful * Math.ceil(some / HANDFUL);
  }
  return { seconds, floor: Math.round((litres / 1000 / (LAID_OUT / 1000)) * 100) / 100 };
}
