import { type StorageForm } from '../../record/plan/index.ts';
import { type Motion } from './covers.ts';
import { moveB, reachB, TMU } from './mtm.ts';

/** Hands work on what they hold within so much, mm (own assumption). */
const IN_HAND = 150;
/** Freeing a thing that sticks a little: MTM-1 disengage, easy, close fit (from memory). */
const DISENGAGE = 4.0;

const round = (tmu: number) => Math.round(tmu * 10) / 10;
const turn = reachB(IN_HAND) + TMU.graspClear + moveB(IN_HAND) + TMU.release;

/** What a way of keeping things asks of the hands beside reaching the place, there and back; built of the elements above. */
const STORED: Partial<Record<StorageForm, { get: Motion; back: Motion }>> = {
  magnet: {
    get: {
      code: 'M G1B D1 M P1',
      tmu: round(2 * moveB(IN_HAND) + TMU.graspFlat + DISENGAGE + TMU.positionLoose + TMU.release),
      text: 'draw the sheet, peel it off, the sheet back',
    },
    back: {
      code: 'M P1 M P1',
      tmu: round(2 * moveB(IN_HAND) + 2 * TMU.positionLoose + TMU.graspFlat + TMU.release),
      text: 'draw the sheet, lay it on, the sheet back',
    },
  },
  pockets: {
    get: { code: 'R G1B D1', tmu: round(turn + TMU.graspFlat + DISENGAGE), text: 'leaf to the pocket, draw it out' },
    back: { code: 'R G1A P2', tmu: round(turn + TMU.positionClose), text: 'leaf to the pocket, slide it in' },
  },
  jar: {
    get: { code: '2×(R G1A M)', tmu: round(2 * turn), text: 'turn the lid off' },
    back: { code: '2×(R G1A M) P1', tmu: round(2 * turn + TMU.positionLoose), text: 'turn the lid on' },
  },
  cards: {
    get: { code: '4×M', tmu: round(4 * moveB(IN_HAND)), text: 'wind some off' },
    back: {
      code: '4×M',
      tmu: round(4 * moveB(IN_HAND) + TMU.positionClose),
      text: 'wind the rest on, tuck the end in',
    },
  },
  ring: {
    get: { code: 'R G1A D1 M', tmu: round(turn + DISENGAGE + TMU.graspFlat), text: 'open the ring, slide it off' },
    back: { code: 'R G1A P2', tmu: round(turn + TMU.positionClose), text: 'thread it on, shut the ring' },
  },
};

/** Motions that a way of keeping things adds, taking out and putting back; none for what simply lies, stands or hangs there. */
export function storedMotions(storage: StorageForm): { get: Motion[]; back: Motion[] } {
  const added = STORED[storage];
  return added ? { get: [added.get], back: [added.back] } : { get: [], back: [] };
}

/** What a way of keeping things adds to a fetch, TMU. */
export function storedTmu(storage: StorageForm, consumed: boolean): number {
  const added = STORED[storage];
  return added ? added.get.tmu + (consumed ? 0 : added.back.tmu) : 0;
}
