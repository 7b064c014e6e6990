import { assessHomes, findHomes, isWorse } from '../../living/homes/index.ts';
import { apply, type Command, type Plan } from '../../record/plan/index.ts';
import { type Pace } from './seat-map.ts';
import { betweenCommand, oneEachCommand, sharedTool, sharedTools, WORTH } from './shared.ts';

/** Questions on which makers differ and which can be worked out on the plan as it is. */
export const SCHOOLS = ['posture', 'tools', 'grouping'] as const;
export type School = (typeof SCHOOLS)[number];

/** One way of working: what it costs a year, and how near things then are. */
export type WayOfWorking = {
  name: string;
  seconds: number;
  /** yearly fetches per band, index = band number */
  fetchesByBand: number[];
  /** kinds that somebody who uses them does not get at */
  outOfReach: number;
  homeless: number;
  /** what it asks for first, in words; null: nothing */
  asks: string | null;
  /** takes the plan there; null: as it is */
  command: Command | null;
};

export type Comparison = { school: School; title: string; ways: [WayOfWorking, WayOfWorking] };

const TITLES: Record<School, string> = {
  posture: 'Sitting or standing',
  tools: 'One tool or one each',
  grouping: 'By activity or by kind',
};

/** Commands as one, those that are several taken apart. */
const together = (words: string, commands: readonly Command[]) =>
  ({ type: 'several', words, commands: commands.flatMap((c) => (c.type === 'several' ? c.commands : [c])) }) as Command;

function assessed(plan: Plan, name: string, command: Command | null, asks: string | null = null): WayOfWorking {
  const done = command ? apply(plan, command) : null;
  const { seconds, fetchesByBand, unreachable, homeless } = assessHomes(done?.ok ? done.plan : plan);
  return { name, seconds, fetchesByBand, outOfReach: unreachable.length, homeless: homeless.length, asks, command };
}

/**
 * The same plan under two ways of working, in seconds a year and bands. Homes stay where they are, but for the question of grouping: there
 * both ways find their homes anew, in `seconds` or so much `work` each.
 * @param stationId for posture: the seat asked about; null: all of them
 * @param newId makes ids for second tools; `since` ISO date
 */
export async function compareSchools(
  plan: Plan,
  school: School,
  options: {
    stationId: string | null;
    newId: () => string;
    since: string;
    seconds?: number;
    work?: number;
    now: () => number;
  },
  pace: Pace = {},
): Promise<Comparison | null> {
  const title = TITLES[school];
  if (school === 'posture') {
    const seats = Object.values(plan.stations).filter(
      (s) =>
        (options.stationId === null || s.id === options.stationId) &&
        plan.people[s.personId]?.mobility !== 'wheelchair',
    );
    if (seats.length === 0) return null;
    const all = (standing: boolean): Command =>
      ({
        type: 'several',
        words: standing ? 'work standing' : 'work sitting',
        commands: seats.map((s) => ({ type: 'setStation', id: s.id, set: { standing } })),
      }) as Command;
    return { school, title, ways: [assessed(plan, 'sitting', all(false)), assessed(plan, 'standing', all(true))] };
  }
  if (school === 'tools') {
    // both ways side by side, tool after tool; places fill up as tools are given out, so each is looked at anew
    let [one, each] = [plan, plan];
    const between: Command[] = [];
    const apart: Command[] = [];
    let buy = 0;
    for (const { supply, saves } of sharedTools(plan)) {
      if (saves < WORTH) continue;
      const [there, here] = [sharedTool(one, one.supplies[supply.id]!), sharedTool(each, each.supplies[supply.id]!)];
      const ids = (here?.stations ?? []).slice(1).map(options.newId);
      const eachCommand = here && oneEachCommand(each, here, ids, options.since);
      const done = eachCommand ? apply(each, eachCommand) : null;
      if (!here || !eachCommand || !done?.ok) continue;
      each = done.plan;
      apart.push(eachCommand);
      buy += here.buy;
      const oneCommand = there && betweenCommand(there, one, options.since);
      const moved = oneCommand ? apply(one, oneCommand) : null;
      if (!oneCommand || !moved?.ok) continue;
      one = moved.plan;
      between.push(oneCommand);
    }
    if (apart.length === 0) return null;
    const asks = buy > 0 ? `${buy} more ${buy === 1 ? 'tool' : 'tools'} to buy` : 'nothing to buy: there are enough';
    return {
      school,
      title,
      ways: [
        assessed(plan, 'one between them', between.length > 0 ? together('one tool between them', between) : null),
        assessed(plan, 'one each', together('one tool each', apart), asks),
      ],
    };
  }
  const ways: WayOfWorking[] = [];
  for (const [i, grouping] of (['activity', 'kind'] as const).entries()) {
    const set: Command = { type: 'setPlan', set: { grouping } };
    const there = apply(plan, set);
    if (!there.ok) return null;
    const found = await findHomes(there.plan, {
      ...(options.work === undefined ? { seconds: options.seconds ?? 2 } : { work: options.work }),
      now: options.now,
      since: options.since,
      onProgress: () => pace.onProgress?.((i + 0.5) / 2),
      cancelled: () => pace.cancelled?.() ?? false,
      ...(pace.breathe ? { breathe: pace.breathe } : {}),
    });
    if (!found || pace.cancelled?.()) return null;
    const command = {
      type: 'several',
      words: `homes by ${grouping}`,
      commands: isWorse(found) ? [set] : [set, found.command, ...found.keeping],
    } as Command;
    ways.push(assessed(plan, grouping === 'activity' ? 'together by activity' : 'together by kind', command));
  }
  return { school, title, ways: [ways[0]!, ways[1]!] };
}
