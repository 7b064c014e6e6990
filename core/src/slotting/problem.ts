import { z } from 'zod';

const amount = z.number({ error: 'must be a number' }).min(0, 'cannot be negative');
const name = z.string().min(1).max(200);

/** Which lot goes to which place: the open exchange format `heronstone-slotting/1` (docs/formats). */
export const SlottingProblem = z.object({
  format: z.literal('heronstone-slotting/1', { error: 'must be "heronstone-slotting/1"' }),
  places: z.array(z.object({ id: name, capacity: amount, load: amount })).max(5000),
  lots: z
    .array(
      z.object({
        id: name,
        weight: amount,
        /** cost of staying without a home */
        leave: amount,
        options: z.array(z.object({ place: name, cost: amount, use: amount })).max(5000),
      }),
    )
    .max(20_000),
  families: z.array(z.object({ id: name, lots: z.array(name).max(20_000), spread: amount })).max(20_000),
});
export type SlottingProblem = z.infer<typeof SlottingProblem>;

export type SlottingRead = { ok: true; problem: SlottingProblem } | { ok: false; reason: string };

/** Checks an unknown value as a slotting problem: its shape, its ids and what they refer to. */
export function readSlotting(value: unknown): SlottingRead {
  const parsed = SlottingProblem.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const where = issue.path.length
      ? `${issue.path.map((k) => (typeof k === 'number' ? `[${k}]` : `.${String(k)}`)).join('')}: `
      : '';
    return { ok: false, reason: `${where.replace(/^\./, '')}${issue.message}` };
  }
  const problem = parsed.data;
  const twice =
    duplicate(problem.places, 'place') ?? duplicate(problem.lots, 'lot') ?? duplicate(problem.families, 'family');
  if (twice) return { ok: false, reason: twice };
  const places = new Set(problem.places.map((p) => p.id));
  const lots = new Set(problem.lots.map((l) => l.id));
  for (const lot of problem.lots) {
    for (const option of lot.options)
      if (!places.has(option.place))
        return { ok: false, reason: `lot ${lot.id} names a place that is not there: ${option.place}` };
    if (new Set(lot.options.map((o) => o.place)).size < lot.options.length)
      return { ok: false, reason: `lot ${lot.id} names a place twice` };
  }
  for (const family of problem.families) {
    for (const id of family.lots)
      if (!lots.has(id)) return { ok: false, reason: `family ${family.id} names a lot that is not there: ${id}` };
    if (new Set(family.lots).size < family.lots.length)
      return { ok: false, reason: `family ${family.id} names a lot twice` };
  }
  return { ok: true, problem };
}

function duplicate(list: readonly { id: string }[], word: string): string | null {
  const seen = new Set<string>();
  for (const { id } of list) {
    if (seen.has(id)) return `${word} ${id} is there twice`;
    seen.add(id);
  }
  return null;
}
