import { findingsOf } from '@heronstone/core/findings';
import { apply } from '@heronstone/core/plan';
import { balanceOf, zonesForMe, zonesFromActivities } from '@heronstone/core/zones';
import { json, now, number, planOf, type Result, round, today, Trouble, type Values } from '../input.ts';
import { type Verb } from './verb.ts';

export const zonesVerb: Verb = {
  usage: ['zones PLAN.heron.json [--find] [--seconds S]'],
  flags: ['find', 'seconds'],
  run: zones,
};

/** Balance and findings of zones; with `find` also which unit each should be kept for, and what keeping zones costs against free placement. */
async function zones(file: string, values: Values): Promise<Result> {
  const plan = planOf(file);
  const findings = findingsOf(plan).filter((f) => f.check.startsWith('zone'));
  const balance = [...balanceOf(plan)].map(([id, natures]) => ({
    zone: plan.zones[id]!.name,
    rule: plan.zones[id]!.rule,
    natures,
  }));
  const out: Record<string, unknown> = {
    balance,
    findings: findings.map(({ check, words }) => ({ check, words })),
  };
  if (values.find) {
    const named = zonesFromActivities(plan, ids());
    const done = named ? apply(plan, named) : null;
    const zoned = done?.ok ? done.plan : plan;
    const since = today();
    const found = await zonesForMe(zoned, { seconds: number(values.seconds, 'seconds', 2, 3600), now, since });
    if (!found) throw new Trouble('stopped before there was an answer');
    out.proposal = {
      units: [...found.territory].map(([unit, zone]) => ({
        unit: zoned.units[unit]!.name,
        zone: zoned.zones[zone]!.name,
      })),
      // with homes found for both
      secondsFree: round(found.free.total),
      secondsZoned: round(found.zoned.total),
    };
  }
  return { code: 0, out: json(out) };
}

const ids = () => {
  let n = 0;
  return () => `zone-${++n}`;
};
