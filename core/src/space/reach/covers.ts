import { type Cover } from '../../record/catalogue/index.ts';
import { inches, moveB, reachB, TMU } from './mtm.ts';

export type Motion = { code: string; tmu: number; text: string };

/** How far a lid is lifted at its handle, mm (own assumption: 12 in). */
const LID_LIFT = 304.8;

/**
 * The motions that open and shut one cover, built from the elements: at 12 in of reach, a 16 in drawer costs 48.5,
 * a door whose handle travels 20 in 66.2 and a lid 76.8 TMU.
 * @param reach from the ready hand to the handle, mm
 * @param travel how far the handle goes: the drawer's pull or the door handle's arc, mm
 */
export function coverMotions(cover: Cover, reach: number, travel: number): { open: Motion; shut: Motion } {
  const r = `R${inches(reach)}B`;
  const m = `M${inches(travel)}B`;
  if (cover === 'drawer') {
    return {
      open: { code: `${r} G1A ${m}`, tmu: reachB(reach) + TMU.graspClear + moveB(travel), text: 'pull the drawer' },
      shut: { code: `${m} RL1`, tmu: moveB(travel) + TMU.release, text: 'push the drawer shut' },
    };
  }
  if (cover === 'door') {
    return {
      open: {
        code: `${r} G1A ${m} RL1`,
        tmu: reachB(reach) + TMU.graspClear + moveB(travel) + TMU.release,
        text: 'open the door',
      },
      shut: { code: `${r} ${m}`, tmu: reachB(reach) + moveB(travel), text: 'push the door shut' },
    };
  }
  const lift = `M${inches(LID_LIFT)}B`;
  return {
    open: {
      code: `${r} G1A ${lift} RL1`,
      tmu: reachB(reach) + TMU.graspClear + moveB(LID_LIFT) + TMU.release,
      text: 'lift the lid',
    },
    shut: {
      code: `${r} G1A ${lift} P2 RL1`,
      tmu: reachB(reach) + TMU.graspClear + moveB(LID_LIFT) + TMU.positionClose + TMU.release,
      text: 'put the lid on',
    },
  };
}
