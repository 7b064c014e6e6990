import {
  aheadSaves,
  type CutList,
  cutTogether,
  drawnOf,
  type OffRoll,
  offRoll,
  outOfScraps,
  restsOf,
  type Run,
  worthFiling,
} from '../../things/cutting/index.ts';
import { pieceOf } from '../../things/fit/index.ts';
import { costOfHome, handsPerYear, yearlyUses } from '../../living/homes/index.ts';
import {
  asOne,
  type Command,
  type CutPiece,
  homesOf,
  newId,
  type Plan,
  type Scrap,
  type Supply,
} from '../../record/plan/index.ts';

/** So many of a piece that are to be cut; it need not be one that is kept. */
export type WantedPiece = { piece: CutPiece; count: number };

/** What is cut off a roll or a bolt: its face and the length that is left are known. */
export const isOffRoll = (s: Supply): boolean => s.openWidth !== null && s.openLength !== null;

/** Of flat things in packets these are material; dies, stamps, stencils, envelopes are what one works with (common practice, no source). */
const MATERIAL: readonly string[] = [
  'acetate-sheet',
  'adhesive-sheet',
  'foil-sheet',
  'magnetic-sheet',
  'sandpaper',
  'vinyl-sheet',
];

/** What can be cut: sheets and flat material with a size, and what is folded or rolled when it is said how large it is opened out. */
export const isCut = (s: Supply): boolean =>
  isOffRoll(s) ||
  (s.width !== null &&
    s.depth !== null &&
    (s.form === 'sheet' || (s.form === 'pocket' && (s.kind === '' || MATERIAL.includes(s.kind)))));

/** So many of a piece are missing of what is kept, where there are too few. */
export const missingOf = ({ have, below, keep }: CutPiece): number => (have < below ? Math.max(0, keep - have) : 0);

/** What keeping a piece cut saves a year, s: as often as the paper is used up, in batches of as many as are kept. */
export function cutSaves(plan: Plan, piece: CutPiece): number {
  const supply = plan.supplies[piece.supplyId];
  if (!supply) return 0;
  const used = handsPerYear(yearlyUses(plan, supply, 'working').filter((u) => u.consumed));
  const [home] = homesOf(plan, supply.id, 'working');
  const each = home ? (costOfHome(plan, supply, 'working', home.placeId)?.each ?? 0) : 0;
  return aheadSaves(used, piece.keep, Number.isFinite(each) ? each : 0);
}

/** Paper of which nothing is known is taken to be so thick, mm (own assumption). */
const USUAL = 0.3;
/** Paper has its grain along the longer side unless it is square (common practice). */
const grainOf = (s: Supply) => (s.width === s.depth ? null : s.width! > s.depth! ? 'width' : 'depth');
const sizeOf = (p: CutPiece) => `${p.width} ${p.depth} ${p.grain}`;

/** How what is wanted is cut. */
export type CutWork = {
  /** what comes out of scraps */
  scraps: { piece: CutPiece; scrap: Scrap; count: number }[];
  /** pieces of one size are one kind, whatever they are called */
  kinds: CutPiece[];
  /** sheets: per supply, and the patterns cut together */
  papers: Supply[];
  lists: ReadonlyMap<string, CutList>;
  runs: Run[];
  rolls: { supply: Supply; wanted: number[]; off: OffRoll }[];
  /** of each piece that was asked for, by its id, how many do not come out */
  missing: ReadonlyMap<string, number>;
  /** and how many more come out than were asked for: the last sheet of a pattern gives them */
  extra: ReadonlyMap<string, number>;
  /** what is left over and worth filing */
  rests: Rest[];
};

/** Pieces left over: of which supply, so large, so many, and where the scrap lay out of which they come (null: they are of a sheet). */
export type Rest = Pick<Scrap, 'supplyId' | 'colour' | 'width' | 'depth' | 'count' | 'placeId'>;

/**
 * Pieces cut as they are wanted: out of scraps first, then out of as few sheets as can be found and as little of each roll.
 * @param stack height of paper the cutter takes, mm
 */
export function cutAhead(plan: Plan, asked: readonly WantedPiece[], stack: number): CutWork {
  const scraps = outOfScraps(
    Object.values(plan.scraps),
    asked.map(({ piece, count }) => ({ piece, count })),
  );
  const list = asked.flatMap(({ piece, count }) => {
    const left = scraps.reduce((n, s) => (s.piece.id === piece.id ? n - s.count : n), count);
    return left > 0 ? [{ piece, count: left }] : [];
  });
  const kinds = [...new Map(list.map(({ piece }) => [sizeOf(piece), piece])).values()];
  const all = [...new Set(list.map((l) => l.piece.supplyId))].flatMap((id) => plan.supplies[id] ?? []);
  const wantedOf = (s: Supply) =>
    kinds.map((k) =>
      list.reduce((sum, l) => sum + (l.piece.supplyId === s.id && sizeOf(l.piece) === sizeOf(k) ? l.count : 0), 0),
    );
  const papers = all.filter((s) => !isOffRoll(s));
  const rolls = all.filter(isOffRoll).map((supply) => {
    const wanted = wantedOf(supply);
    return { supply, wanted, off: offRoll(supply.openWidth!, supply.openLength!, kinds, wanted) };
  });
  const jobs = papers.map((s) => ({
    id: s.id,
    sheet: { width: s.width ?? 1, depth: s.depth ?? 1, grain: grainOf(s) } as const,
    caliper: pieceOf(s)?.height ?? USUAL,
    wanted: wantedOf(s),
  }));
  const joint = cutTogether(jobs, kinds, 0, stack);
  const missing = new Map<string, number>();
  for (const { piece, count } of list) {
    const kind = kinds.findIndex((k) => sizeOf(k) === sizeOf(piece));
    const roll = rolls.find((r) => r.supply.id === piece.supplyId);
    const none = joint.lists.get(piece.supplyId)?.tooLarge.includes(kind) ?? false;
    const short = roll ? Math.min(count, roll.wanted[kind]! - roll.off.counts[kind]!) : none ? count : 0;
    if (short > 0) missing.set(piece.id, short);
  }
  const work = { scraps, kinds, papers, rolls, ...joint, missing };
  return { ...work, extra: extraOf(list, work), rests: restsLeft(plan, work) };
}

/** What the patterns give beyond what was asked for: it goes to the first piece of that size and paper. */
function extraOf(list: readonly WantedPiece[], { kinds, lists }: Pick<CutWork, 'kinds' | 'lists'>) {
  const extra = new Map<string, number>();
  for (const [supplyId, { patterns }] of lists)
    for (const [i, kind] of kinds.entries()) {
      const of = list.filter((l) => l.piece.supplyId === supplyId && sizeOf(l.piece) === sizeOf(kind));
      const made = patterns.reduce((sum, p) => sum + p.counts[i]! * p.sheets, 0);
      const over = made - of.reduce((sum, l) => sum + l.count, 0);
      if (over > 0 && of.length > 0) extra.set(of[0]!.piece.id, over);
    }
  return extra;
}

/** Rests of sheets and of scraps out of which something that is kept cut here could still be cut, those alike together. */
function restsLeft(plan: Plan, { scraps, papers, lists }: Pick<CutWork, 'scraps' | 'papers' | 'lists'>): Rest[] {
  const ofScraps = scraps.flatMap(({ piece, scrap, count }) => restsOfScrap(scrap, piece, count));
  const ofSheets = papers.flatMap(({ id, colour }) =>
    lists.get(id)!.patterns.flatMap(({ cut, sheets }) =>
      drawnOf(cut).left.map(({ width, depth }) => ({
        ...{ width, depth, colour },
        ...{ supplyId: id, count: sheets, placeId: null },
      })),
    ),
  );
  return together(plan, [...ofScraps, ...ofSheets]);
}

const restsOfScrap = (scrap: Scrap, piece: { width: number; depth: number }, count: number): Rest[] => {
  const { supplyId, colour, placeId } = scrap;
  return restsOf(scrap, piece).map((rest) => ({ ...rest, supplyId, colour, placeId, count }));
};

/** What is worth filing of some rests, those alike together. */
function together(plan: Plan, rests: readonly Rest[]): Rest[] {
  const pieces = Object.values(plan.cutPieces);
  const found: Rest[] = [];
  for (const rest of rests) {
    if (!worthFiling(rest, pieces)) continue;
    const like = found.find((r) => alike(r, rest));
    if (like) like.count += rest.count;
    else found.push({ ...rest });
  }
  return found;
}

const alike = (a: Rest, b: Rest): boolean =>
  a.supplyId === b.supplyId &&
  a.colour === b.colour &&
  a.placeId === b.placeId &&
  Math.abs(a.width - b.width) < 0.05 &&
  Math.abs(a.depth - b.depth) < 0.05;

/**
 * The command that says it is cut: pieces that are kept counted, sheets, lengths and scraps taken off, rests filed.
 * @param filed whether what is left over is filed among the scraps
 */
export function cutCommand(plan: Plan, asked: readonly WantedPiece[], work: CutWork, filed: boolean): Command {
  const { scraps, papers, lists, rolls, missing, extra, rests } = work;
  const commands = [
    ...asked.flatMap(({ piece, count }) =>
      plan.cutPieces[piece.id]
        ? {
            type: 'setCutPiece' as const,
            id: piece.id,
            set: { have: piece.have + count - (missing.get(piece.id) ?? 0) + (extra.get(piece.id) ?? 0) },
          }
        : [],
    ),
    ...[...new Set(scraps.map((s) => s.scrap))].map((scrap) => {
      const left = scraps.reduce((n, s) => (s.scrap === scrap ? n - s.count : n), scrap.count);
      return left > 0
        ? { type: 'setScrap' as const, id: scrap.id, set: { count: left } }
        : { type: 'removeScrap' as const, id: scrap.id };
    }),
    ...rolls.map(({ supply, off }) => {
      const left = supply.openLength! - off.used;
      return { type: 'setSupply' as const, id: supply.id, set: { openLength: left > 1 ? left : null } };
    }),
    ...papers.map((p) => {
      const used = lists.get(p.id)!.sheets;
      const backstock = Math.max(0, p.backstock - Math.max(0, used - p.working));
      return { type: 'setSupply' as const, id: p.id, set: { working: Math.max(0, p.working - used), backstock } };
    }),
    ...(filed ? filing(plan, rests, new Set(scraps.map((s) => s.scrap.id))) : []),
  ];
  return asOne('cut ahead', commands);
}

/** The commands that file rests: each to its like among the scraps, unless that is being used up, else as a new one. */
const filing = (plan: Plan, rests: readonly Rest[], used: ReadonlySet<string>) =>
  rests.map((rest) => {
    const like = Object.values(plan.scraps).find((s) => !used.has(s.id) && alike(s, rest));
    return like
      ? { type: 'setScrap' as const, id: like.id, set: { count: like.count + rest.count } }
      : { type: 'addScrap' as const, scrap: { id: newId('scrap'), ...rest } };
  });

/** The command by which a piece is cut out of a scrap: one less of it, and what is left filed where it lay if it is worth that. */
export function takeScrap(plan: Plan, scrap: Scrap, piece: { width: number; depth: number }): Command {
  const commands = [
    scrap.count > 1
      ? { type: 'setScrap' as const, id: scrap.id, set: { count: scrap.count - 1 } }
      : { type: 'removeScrap' as const, id: scrap.id },
    ...filing(plan, together(plan, restsOfScrap(scrap, piece, 1)), new Set([scrap.id])),
  ];
  return asOne('cut from a scrap', commands);
}
