import { CATALOGUE, UNIT_KINDS, type UnitKind } from '@heronstone/core/catalogue';
import {
  blankFixture,
  blankHeater,
  blankOpening,
  blankUnit,
  type Command,
  type Fixture,
  newId,
  type Plan,
} from '@heronstone/core/plan';
import { frameOf, onWall } from '@heronstone/core/room';

/** What a wall may have on it without hanging there as furniture. */
export const KINDS = [
  ['socket', 'socket'],
  ['window', 'window'],
  ['door', 'door'],
  ['water', 'radiator'],
  ['electric', 'electric heater'],
  ['fire', 'fireplace'],
  ['fuseBoard', 'fuse board'],
  ['sink', 'sink'],
  ['lamp', 'lamp'],
  ['pipe', 'pipe'],
  ['obstacle', 'something in the way'],
] as const;
/** Boards, shelves and rails that hang on a wall. */
const HUNG = UNIT_KINDS.filter((k) => CATALOGUE[k].mount === 'wall');
type Fixed = (typeof KINDS)[number][0];
export type Kind = Fixed | UnitKind;
const isHung = (kind: Kind): kind is UnitKind => (HUNG as readonly string[]).includes(kind);
export const CHOICES: readonly (readonly [Kind, string])[] = [
  ...KINDS,
  ...HUNG.map((k) => [k, CATALOGUE[k].name.toLowerCase()] as const),
];

/** What was drawn on a wall, from its left end and the floor, mm. */
export type OnWall = { kind: Kind; left: number; bottom: number; width: number; height: number; plusMinus: number };

/** Brings what was drawn onto the wall. */
export function wallCommands(plan: Plan, wallId: string, things: readonly OnWall[]): Command[] {
  const { measure } = plan.head;
  const tidy = (mm: number) => Math.max(0, Math.round(mm));
  // what hangs on it stands in the room: where the wall is, is known once the walls close
  const frame = frameOf(plan, wallId);
  return things.map(({ kind, left, bottom, width, height, plusMinus }): Command => {
    const doubt = Math.round(10 * plusMinus) / 10;
    if (isHung(kind)) {
      const blank = blankUnit(newId('unit'), kind, measure);
      const size = { width: Math.max(1, tidy(width)), height: Math.max(1, tidy(height)) };
      const { facing } = frame!;
      const at = onWall(frame!, left + width / 2, blank.depth / 2);
      return {
        type: 'placeUnit',
        unit: {
          ...blank,
          ...size,
          ...{ x: at.x, y: at.y, facing, bottom: tidy(bottom) },
          ...{ usual: ['depth'], pictured: ['width', 'height'], plusMinus: doubt },
        },
      };
    }
    const known = { sizeBy: 'picture', plusMinus: doubt } as const;
    if (kind === 'window' || kind === 'door') {
      const blank = blankOpening(newId('opening'), kind, plan.walls[wallId]!, measure);
      const sill = kind === 'door' ? 0 : tidy(bottom);
      return {
        type: 'addOpening',
        opening: {
          ...blank,
          left: tidy(left),
          width: Math.max(1, tidy(width)),
          sill,
          head: Math.max(sill + 1, tidy(bottom + height)),
          ...known,
        },
      };
    }
    const blank: Fixture =
      kind === 'water' || kind === 'electric' || kind === 'fire'
        ? blankHeater(newId('fixture'), kind, wallId, tidy(left), measure)
        : blankFixture(newId('fixture'), kind, wallId, tidy(left), measure);
    return {
      type: 'addFixture',
      fixture: {
        ...blank,
        ...{ bottom: tidy(bottom), width: Math.max(1, tidy(width)), height: Math.max(1, tidy(height)) },
        ...known,
      },
    };
  });
}
