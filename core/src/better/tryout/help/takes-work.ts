import { usualPieces } from '../../../things/cutting/index.ts';
import { STORAGE, storageFormsOf } from '../../../things/fit/index.ts';
import { foundAgainIn, lanesFor, shareStates, weightOf } from '../../../living/homes/index.ts';
import {
  alikePlaces,
  asOne,
  homesIn,
  newId,
  placesIn,
  placeTitle,
  type Plan,
  type StorageForm,
} from '../../../record/plan/index.ts';
import { cutSaves, isCut } from '../../../keeping/stock/index.ts';
import { type Change, MINUTES } from './change.ts';

/** Each family kept in another way that its things can be kept in: what is fetched most first. */
export function otherStorage(plan: Plan): Change[] {
  const families = new Map<string, { ids: string[]; seconds: number; pieces: number }>();
  for (const s of Object.values(plan.supplies)) {
    const key = s.family || s.name;
    const known = families.get(key) ?? { ids: [], seconds: 0, pieces: 0 };
    const seconds = shareStates(plan, s, 'working').reduce((sum, h) => sum + (h.cost?.fetching ?? 0), 0);
    known.ids.push(s.id);
    known.pieces += s.working;
    if (Number.isFinite(seconds)) known.seconds += seconds;
    families.set(key, known);
  }
  return [...families]
    .sort((a, b) => b[1].seconds - a[1].seconds || (a[0] < b[0] ? -1 : 1))
    .flatMap(([family, { ids }]) => {
      const forms = new Set<StorageForm>(ids.flatMap((id) => storageFormsOf(plan.supplies[id]!)));
      return [...forms].flatMap((form): Change[] => {
        const some = ids.filter((id) => {
          const s = plan.supplies[id]!;
          // sheets thrown into a box are no better kept
          if (form === 'loose' && (s.form === 'sheet' || s.form === 'pocket')) return false;
          return s.storage !== form && !s.mayKeep.includes(form) && storageFormsOf(s).includes(form);
        });
        if (some.length === 0) return [];
        const commands = some.map((id) => ({ type: 'setSupply' as const, id, set: { storage: form } }));
        return [
          {
            ...{
              id: `storage ${form} ${family}`,
              subject: family,
              kind: 'storage',
              effort: 'work',
              price: null,
              besides: 0,
              unitIds: [],
            },
            words: `Keep ${family} ${STORAGE[form].name}`,
            minutes: MINUTES.storage * some.reduce((sum, id) => sum + plan.supplies[id]!.working, 0),
            command: asOne(`keep ${family} otherwise`, commands),
          },
        ];
      });
    });
}

/** The doors taken off a unit: what is behind them is then seen, and dusty; a drawer behind a door stays a drawer. */
export function doors(plan: Plan): Change[] {
  return Object.values(plan.units).flatMap((unit): Change[] => {
    const behind = Object.values(plan.places).filter((p) => p.unitId === unit.id && p.covers.includes('door'));
    if (unit.mount === 'away' || unit.doorsOff || !behind.some((p) => homesIn(plan, p.id).length > 0)) return [];
    return [
      {
        ...{ id: `doors ${unit.id}`, kind: 'door', subject: unit.id, effort: 'work', price: null, besides: 0 },
        words: `Take the doors off ${unit.name}`,
        minutes: MINUTES.door,
        command: { type: 'setUnit', id: unit.id, set: { doorsOff: true } },
        unitIds: [unit.id],
      },
    ];
  });
}

/** Shut places of a unit that say nothing get a note, most looked among first. */
export function labelling(plan: Plan): Change[] {
  const alike = alikePlaces(plan);
  const units = new Map<string, { ids: string[]; most: number }>();
  for (const [id, among] of alike) {
    const place = plan.places[id]!;
    if (
      among < 2 ||
      !placesIn(plan, id)
        .concat(place)
        .some((p) => homesIn(plan, p.id).length > 0)
    )
      continue;
    const known = units.get(place.unitId) ?? { ids: [], most: 0 };
    units.set(place.unitId, { ids: [...known.ids, id], most: Math.max(known.most, among) });
  }
  // what looks alike stands in one unit: labelled there, nothing of it is looked for blindly any more
  const blind = new Map<string, number>();
  for (const { home, unlabelled } of foundAgainIn(plan).of.values()) {
    const { unitId } = plan.places[home.placeId]!;
    blind.set(unitId, (blind.get(unitId) ?? 0) + unlabelled * weightOf(plan, 'weighAgain'));
  }
  return [...units]
    .sort((a, b) => b[1].most - a[1].most || (a[0] < b[0] ? -1 : 1))
    .map(([unitId, { ids }]) => ({
      ...{ id: `label ${unitId}`, kind: 'label', subject: unitId, effort: 'free', price: null },
      // homes are found as if it were labelled
      ...{ besides: blind.get(unitId) ?? 0, homesStay: true },
      words: `Label ${ids.length} ${ids.length === 1 ? 'place' : 'places'} of ${plan.units[unitId]?.name ?? 'a unit'}`,
      minutes: MINUTES.label * ids.length,
      command: asOne(
        'label what is shut',
        ids.map((id) => ({ type: 'setPlace' as const, id, set: { label: 'trial' as const } })),
      ),
      unitIds: [unitId],
    }));
}

/** Drawers and boxes that nobody can name in a word, parted into lanes with a name each. */
export function parted(plan: Plan, since: string): Change[] {
  return Object.values(plan.places).flatMap((place): Change[] => {
    const lanes = lanesFor(plan, place, since);
    if (!lanes) return [];
    return [
      {
        ...{ id: `lane ${place.id}`, kind: 'lane', subject: place.id, effort: 'work', price: null, besides: 0 },
        words: `Part ${placeTitle(plan, place)} into ${lanes.along}: ${lanes.lanes.map((l) => l.name).join(', ')}`,
        minutes: MINUTES.lane,
        command: lanes.command,
        unitIds: [place.unitId],
      },
    ];
  });
}

/** What bases are cut of: card. */
const CARD = /\bcard(stock)?\b/i;

/** Card that is used up a sheet at a time, cut ahead by eights: the cutter’s set-up and the fetches once for all of them. */
export function cutAheads(plan: Plan): Change[] {
  const kept = new Set(Object.values(plan.cutPieces).map((p) => p.supplyId));
  return Object.values(plan.supplies)
    .flatMap((s): Change[] => {
      const card = s.form === 'sheet' && (CARD.test(s.kind) || CARD.test(s.name));
      const piece = card && isCut(s) ? usualPieces({ width: s.width!, depth: s.depth! })[0] : undefined;
      if (!piece || kept.has(s.id)) return [];
      const cutPiece = {
        ...{ id: newId('piece'), supplyId: s.id, ...piece, grain: 'any' as const },
        ...{ have: 0, keep: 8, below: 3, placeId: null },
      };
      const saves = cutSaves({ ...plan, cutPieces: { ...plan.cutPieces, [cutPiece.id]: cutPiece } }, cutPiece);
      if (!(saves > 0)) return [];
      return [
        {
          ...{ id: `cutAhead ${s.id}`, subject: s.id, kind: 'cutAhead', effort: 'work', price: null, unitIds: [] },
          ...{ minutes: MINUTES.cutAhead, besides: saves, homesStay: true },
          words: `Cut ${s.name} ahead, eight at a time`,
          command: { type: 'addCutPiece', cutPiece },
        },
      ];
    })
    .sort((a, b) => b.besides - a.besides || (a.id < b.id ? -1 : 1));
}
