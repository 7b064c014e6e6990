import { z } from 'zod';

const amount = z.number({ error: 'must be a number' }).min(0, 'cannot be negative');
const name = z.string().min(1).max(200);

/** One figure, or one for each of at most four groups of months. */
const amounts = z.union([amount, z.array(amount).min(1).max(4)], { error: 'must be a number, or one for each period' });

const family = z.object({ id: name, lots: z.array(name).max(20_000), spread: amount });
const lotOf = <S extends z.ZodType>(use: S) =>
  z.object({
    id: name,
    weight: amount,
    /** cost of staying without a home */
    leave: amount,
    options: z.array(z.object({ place: name, cost: amount, use })).max(5000),
  });

const under = { lots: z.array(name).min(1).max(20_000), cost: amount };
const charges = z.array(z.object({ place: name, ...under })).max(20_000);
const place = z.object({ id: name, capacity: amounts, load: amount });

/** Concepts that things can be called by: every name beyond the first that a place needs costs something there. */
const mixing = z.object({
  concepts: z.array(z.object({ id: name, lots: z.array(name).max(20_000) })).max(20_000),
  cost: amount,
  /** where it is another than elsewhere, by place */
  at: z.record(name, amount).optional(),
});
/** Lots that may never share a place with others; in some places only, where they are named. */
const apart = z.object({
  lots: z.array(name).max(20_000),
  from: z.array(name).max(20_000),
  places: z.array(name).max(5000).optional(),
});
/** So many pairs of lists that must be apart at most. */
export const MOST_APART = 15;

/**
 * Which lot goes to which place: the open exchange format `heronstone-slotting/3` (docs/formats). A charge is paid once if any of its lots lives in
 * any of its places: a container that is carried to the seat, a unit that is walked to. A sag is paid once if a place carries more than that: a board
 * that is seen to bend. Where things have concepts, a place costs so much for every name beyond the first that it takes to say what is in it; what must be apart
 * never shares a place. Places of one row are one place to a family.
 */
export const SlottingFile = z.object({
  format: z.literal('heronstone-slotting/3', { error: 'must be "heronstone-slotting/3"' }),
  places: z.array(place.extend({ sag: z.object({ from: amount, cost: amount }).optional() })).max(5000),
  lots: z.array(lotOf(amounts)).max(20_000),
  families: z.array(family).max(20_000),
  charges: z
    .array(
      z.union([z.object({ places: z.array(name).min(1).max(5000), ...under }), z.object({ place: name, ...under })]),
    )
    .max(20_000),
  mixing: mixing.optional(),
  apart: z.array(apart).max(MOST_APART).optional(),
  /** places that are one place to a family: the slots of one row */
  rows: z.array(z.array(name).min(1).max(5000)).max(5000).optional(),
});
/** A problem as it was read: every charge says its places as a list. */
export type SlottingProblem = Omit<z.infer<typeof SlottingFile>, 'charges'> & {
  charges: { places: string[]; lots: string[]; cost: number }[];
};

/** The second version, in which boards do not sag; read for ever. */
export const SlottingProblem2 = z.object({
  format: z.literal('heronstone-slotting/2'),
  places: z.array(place).max(5000),
  lots: z.array(lotOf(amounts)).max(20_000),
  families: z.array(family).max(20_000),
  charges,
});

/** The first version, without charges and periods; read for ever. */
export const SlottingProblem1 = z.object({
  format: z.literal('heronstone-slotting/1'),
  places: z.array(z.object({ id: name, capacity: amount, load: amount })).max(5000),
  lots: z.array(lotOf(amount)).max(20_000),
  families: z.array(family).max(20_000),
});

const VERSIONS = [SlottingFile, SlottingProblem2, SlottingProblem1];

/** How many periods a problem has: the most figures given for anything. */
export function periodsOf(problem: Pick<SlottingProblem, 'places' | 'lots'>): number {
  const many = (x: number | readonly number[]) => (typeof x === 'number' ? 1 : x.length);
  let most = 1;
  for (const place of problem.places) most = Math.max(most, many(place.capacity));
  for (const lot of problem.lots) for (const option of lot.options) most = Math.max(most, many(option.use));
  return most;
}

/** The figure of a period; one alone holds in all of them. */
export const inPeriod = (x: number | readonly number[], period: number): number =>
  typeof x === 'number' ? x : x.length === 1 ? x[0]! : x[period]!;

export type SlottingRead = { ok: true; problem: SlottingProblem } | { ok: false; reason: string };

/** Checks an unknown value as a slotting problem: its shape, its ids and what they refer to. */
export function readSlotting(value: unknown): SlottingRead {
  const read = VERSIONS.find((v) => v.shape.format.safeParse((value as { format?: unknown } | null)?.format).success);
  const parsed = (read ?? SlottingFile).safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const where = issue.path.length
      ? `${issue.path.map((k) => (typeof k === 'number' ? `[${k}]` : `.${String(k)}`)).join('')}: `
      : '';
    return { ok: false, reason: `${where.replace(/^\./, '')}${issue.message}` };
  }
  const given = 'charges' in parsed.data ? parsed.data.charges : [];
  const problem: SlottingProblem = {
    ...parsed.data,
    format: 'heronstone-slotting/3',
    charges: given.map((c) => ('place' in c ? { places: [c.place], lots: c.lots, cost: c.cost } : c)),
  };
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
  for (const [i, charge] of problem.charges.entries()) {
    const unknown = charge.places.find((id) => !places.has(id));
    if (unknown !== undefined)
      return { ok: false, reason: `charge ${i + 1} names a place that is not there: ${unknown}` };
    if (new Set(charge.places).size < charge.places.length)
      return { ok: false, reason: `charge ${i + 1} names a place twice` };
    const missing = charge.lots.find((id) => !lots.has(id));
    if (missing !== undefined)
      return { ok: false, reason: `charge ${i + 1} names a lot that is not there: ${missing}` };
    if (new Set(charge.lots).size < charge.lots.length)
      return { ok: false, reason: `charge ${i + 1} names a lot twice` };
  }
  const { mixing, apart = [] } = problem;
  if (mixing) {
    const twice = duplicate(mixing.concepts, 'concept');
    if (twice) return { ok: false, reason: twice };
    for (const { id, lots: named } of mixing.concepts) {
      const missing = named.find((lot) => !lots.has(lot));
      if (missing !== undefined)
        return { ok: false, reason: `concept ${id} names a lot that is not there: ${missing}` };
    }
    const unknown = Object.keys(mixing.at ?? {}).find((id) => !places.has(id));
    if (unknown !== undefined) return { ok: false, reason: `mixing names a place that is not there: ${unknown}` };
  }
  for (const [i, { lots: some, from, places: at = [] }] of apart.entries()) {
    const missing = [...some, ...from].find((lot) => !lots.has(lot));
    if (missing !== undefined)
      return { ok: false, reason: `what is apart, ${i + 1}, names a lot that is not there: ${missing}` };
    if (some.some((lot) => from.includes(lot)))
      return { ok: false, reason: `what is apart, ${i + 1}, names a lot that is to be apart from itself` };
    const unknown = at.find((id) => !places.has(id));
    if (unknown !== undefined)
      return { ok: false, reason: `what is apart, ${i + 1}, names a place that is not there: ${unknown}` };
  }
  const inRows = (problem.rows ?? []).flat();
  const nowhere = inRows.find((id) => !places.has(id));
  if (nowhere !== undefined) return { ok: false, reason: `a row names a place that is not there: ${nowhere}` };
  if (new Set(inRows).size < inRows.length) return { ok: false, reason: 'a place is in two rows, or twice in one' };
  const periods = periodsOf(problem);
  const odd = (x: number | readonly number[]) => typeof x !== 'number' && x.length !== 1 && x.length !== periods;
  for (const place of problem.places)
    if (odd(place.capacity))
      return { ok: false, reason: `place ${place.id} has another number of periods than the rest` };
  for (const lot of problem.lots)
    if (lot.options.some((o) => odd(o.use)))
      return { ok: false, reason: `lot ${lot.id} has another number of periods than the rest` };
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
