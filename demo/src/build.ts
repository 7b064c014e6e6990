import { liesOf, likelyKinds } from '@heronstone/core/kinds';
import { type UnitKind } from '@heronstone/core/catalogue';
import { seatsFor } from '@heronstone/core/fit';
import { lineContextOf, readLine } from '@heronstone/core/lines';
import {
  type Activity,
  apply,
  blankActivity,
  blankFixture,
  blankOrganiser,
  blankPerson,
  blankStation,
  blankSupply,
  blankUnit,
  emptyPlan,
  type Fixture,
  type FixtureKind,
  type Organiser,
  type Plan,
  type PlanHead,
  type Sent,
  type Station,
  type Supply,
  type Unit,
  type Zone,
} from '@heronstone/core/plan';

/** Builds a demo plan through the same commands that the app uses; a refused command is a mistake in the demo and throws. */
export class Builder {
  plan: Plan;
  constructor(head: Partial<PlanHead>) {
    this.plan = emptyPlan('demo', head);
  }

  run(command: Sent): this {
    const done = apply(this.plan, command);
    if (!done.ok) throw new Error(`${command.type}: ${done.reason}`);
    this.plan = done.plan;
    return this;
  }

  walls(...walls: [name: string, length: number, turn: number][]): this {
    for (const [name, length, turn] of walls)
      this.run({ type: 'addWall', wall: { id: `wall-${name.replace(/\W+/g, '-')}`, name, length, turn } });
    return this;
  }

  unit(id: string, kind: UnitKind, name: string, x: number, y: number, facing: number, over: Partial<Unit> = {}): this {
    return this.run({ type: 'placeUnit', unit: { ...blankUnit(id, kind), name, x, y, facing, ...over } });
  }

  onWall(id: string, kind: FixtureKind, name: string, wallId: string, left: number, over: Partial<Fixture>): this {
    return this.run({ type: 'addFixture', fixture: { ...blankFixture(id, kind, wallId, left), name, ...over } });
  }

  lamp(id: string, name: string, x: number, y: number, bottom: number, lumens: number, beam: number): this {
    return this.run({ type: 'addFixture', fixture: { ...blankFixture(id, 'lamp'), name, x, y, bottom, lumens, beam } });
  }

  /** A kind of container of some outer size (walls of 2 mm), and how many of it stand in which places. */
  organiser(
    id: string,
    name: string,
    [width, depth, height]: [number, number, number],
    over: Partial<Organiser>,
    places: [string, number][],
  ): this {
    const organiser = { ...blankOrganiser(id, name, width, depth, height), ...over };
    this.run({ type: 'addOrganiser', organiser });
    for (const [placeId, count] of places) {
      const seats = seatsFor(this.plan, this.plan.places[placeId]!, organiser, count);
      if (seats.length < count) throw new Error(`${name}: ${seats.length} of ${count} go into ${placeId}`);
      for (const [i, seat] of seats.entries())
        this.run({
          type: 'standIn',
          id: `${id}.${placeId}.${i + 1}`,
          organiserId: id,
          name: count === 1 ? name : `${name} ${i + 1}`,
          inId: placeId,
          ...seat,
        });
    }
    return this;
  }

  /** A zone with its activities and the units kept for it. */
  zone(id: string, name: string, rule: Zone['rule'], mark: number, activities: string[], units: string[]): this {
    this.run({ type: 'addZone', zone: { id, name, rule, mark } });
    for (const activity of activities) this.run({ type: 'setActivity', id: activity, set: { zoneId: id } });
    for (const unit of units) this.run({ type: 'setUnit', id: unit, set: { zoneId: id } });
    return this;
  }

  activity(
    id: string,
    name: string,
    sessionsPerMonth: number,
    minutes: number,
    months: number[],
    over: Partial<Activity> = {},
  ): this {
    const often = { sessionsPerMonth, minutes, months };
    return this.run({ type: 'addActivity', activity: { ...blankActivity(id, name), ...often, ...over } });
  }

  station(id: string, name: string, activityId: string, personId: string, over: Partial<Station>): this {
    return this.run({ type: 'addStation', station: { ...blankStation(id, name, activityId, personId), ...over } });
  }

  /** Hands work on so many times a session. */
  flow(fromId: string, toId: string, times: number): this {
    return this.run({ type: 'addFlow', flow: { id: `${fromId}-${toId}`, fromId, toId, times } });
  }

  machine(activityId: string, unitId: string): this {
    return this.run({ type: 'addMachineUse', machineUse: { id: `${activityId}-${unitId}`, activityId, unitId } });
  }

  person(id: string, name: string, stature: number, over: Partial<Plan['people'][string]> = {}): this {
    return this.run({ type: 'addPerson', person: { ...blankPerson(id, name, stature), ...over } });
  }

  /** A supply entered as a line, as a maker would; a line in doubt is a mistake in the demo and throws. */
  line([line, uses, home, over = {}]: LineRow): this {
    const read = readLine(line, lineContextOf(this.plan, null));
    if (read.what !== 'supply' || read.doubts.length > 0) throw new Error(`“${line}” is not understood for sure`);
    const { supply } = read;
    const id = idOf(supply.name);
    const { usedUp = 0, ...rest } = over;
    this.run({ type: 'addSupplies', supplies: [{ ...supply, id, ...rest }] });
    for (const [activityId, fetches] of Object.entries(uses))
      this.run({ type: 'addUse', use: { id: `${activityId}-${id}`, activityId, supplyId: id, fetches, usedUp } });
    if (home) this.run({ type: 'assignHome', supplyId: id, share: 'working', placeId: home, since: '2026-03-01' });
    return this;
  }

  /** One supply with its uses (activity → fetches a session) and today's home. */
  supply(row: SupplyRow): this {
    const [name, family, form, [width, depth, height], mass, [working, backstock], uses, home, over = {}] = row;
    const id = idOf(name);
    const { usedUp = 0, ...rest } = over;
    const [kind] = likelyKinds(name, 1);
    const lies = liesOf(kind?.whole ? kind.kind : null, form);
    const supply = {
      ...blankSupply(id, name),
      family,
      form,
      width,
      depth,
      height,
      mass,
      working,
      backstock,
      lies,
      ...rest,
    };
    this.run({ type: 'addSupplies', supplies: [supply] });
    for (const [activityId, fetches] of Object.entries(uses))
      this.run({ type: 'addUse', use: { id: `${activityId}-${id}`, activityId, supplyId: id, fetches, usedUp } });
    if (home) this.run({ type: 'assignHome', supplyId: id, share: 'working', placeId: home, since: '2026-03-01' });
    return this;
  }
}

const idOf = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

export type LineRow = [
  line: string,
  uses: Record<string, number>,
  home: string | null,
  over?: Partial<Supply> & { usedUp?: number },
];

export type SupplyRow = [
  name: string,
  family: string,
  form: Supply['form'],
  size: [number | null, number | null, number | null],
  mass: number,
  count: [working: number, backstock: number],
  uses: Record<string, number>,
  home: string | null,
  over?: Partial<Supply> & { usedUp?: number },
];
