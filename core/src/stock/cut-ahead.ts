import {
  aheadSaves,
  type CutList,
  cutTogether,
  type OffRoll,
  offRoll,
  outOfScraps,
  type Run,
} from '../cutting/index.ts';
import { pieceOf } from '../fit/index.ts';
import { costOfHome, yearlyUses } from '../homes/index.ts';
import { type Command, type CutPiece, homesOf, type Plan, type Scrap, type Supply } from '../plan/index.ts';

/** So many of a piece that are to be cut. */
export type WantedPiece = { piece: CutPiece; count: number };

/** What is cut off a roll or a bolt: its face and the length that is left are known. */
export const isOffRoll = (s: Supply): boolean => s.openWidth !== null && s.openLength !== null;

/** What can be cut: sheets and flat packets with a size, and what is folded or rolled when it is said how large it is opened out. */
export const isCut = (s: Supply): boolean =>
  isOffRoll(s) || (['sheet', 'pocket'].includes(s.form) && s.width !== null && s.depth !== null);

/** So many of a piece are missing of what is kept, where there are too few. */
export const missingOf = ({ have, below, keep }: CutPiece): number => (have < below ? Math.max(0, keep - have) : 0);

/** What keeping a piece cut saves a year, s: as often as the paper is used up, in batches of as many as are kept. */
export function cutSaves(plan: Plan, piece: CutPiece): number {
  const supply = plan.supplies[piece.supplyId];
  if (!supply) return 0;
  const used = yearlyUses(plan, supply, 'working').reduce((sum, u) => sum + (u.consumed ? u.fetches : 0), 0);
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
};

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
  const together = cutTogether(jobs, kinds, 0, stack);
  const missing = new Map<string, number>();
  for (const { piece, count } of list) {
    const kind = kinds.findIndex((k) => sizeOf(k) === sizeOf(piece));
    const roll = rolls.find((r) => r.supply.id === piece.supplyId);
    const none = together.lists.get(piece.supplyId)?.tooLarge.includes(kind) ?? false;
    const short = roll ? Math.min(count, roll.wanted[kind]! - roll.off.counts[kind]!) : none ? count : 0;
    if (short > 0) missing.set(piece.id, short);
  }
  return { scraps, kinds, papers, rolls, ...together, missing };
}

/** The command that says it is cut: pieces counted, sheets, lengths and scraps taken off. */
export function cutCommand(asked: readonly WantedPiece[], { scraps, papers, lists, rolls, missing }: CutWork): Command {
  const commands = [
    ...asked.map(({ piece, count }) => ({
      type: 'setCutPiece' as const,
      id: piece.id,
      set: { have: piece.have + count - (missing.get(piece.id) ?? 0) },
    })),
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
  ];
  return { type: 'several', words: 'cut ahead', commands: commands as never };
}
