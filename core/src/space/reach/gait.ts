import { type Person } from '../../record/plan/index.ts';
import { type Motion } from './covers.ts';
import { inches, NO_TURN, SECONDS_PER_TMU, sideStep } from './mtm.ts';
import { turned } from './way.ts';

/** How somebody turns and moves about with the seat under her. */
export type Gait = {
  /** turning by some degrees, one way, TMU */
  turnTmu: (degrees: number) => number;
  /** turning by some degrees and back; nothing for a small turn */
  turned: (degrees: number) => { tmu: number; there: Motion[]; back: Motion[] };
  /** moving the seat by some mm, one way, TMU; more for more, and something for starting at all */
  rollTmu: (mm: number) => number;
  rolled: (mm: number) => { there: Motion; back: Motion };
};

/** On a chair or stool: turned and pushed with the feet. */
const CHAIR: Gait = {
  turnTmu: (degrees) => turned(degrees).tmu,
  turned,
  rollTmu: sideStep,
  rolled: (mm) => {
    const code = `SS${inches(mm)}C1`;
    const text = `roll the chair ${Math.round(mm / 10)} cm`;
    return { there: { code, tmu: sideStep(mm), text }, back: { code, tmu: sideStep(mm), text: `${text} back` } };
  },
};

/**
 * How fast a wheelchair goes indoors, mm/s: people in manual wheelchairs were measured at 0.79 m/s from day to day (Tolerico and others 2007, Journal
 * of Rehabilitation Research and Development 44, from memory).
 */
export const WHEEL_SPEED = 790;
/** Hands to the rims, the first push and the stop, s; turning on the spot, s for 90° (own assumptions: no motion time of MTM-1 is for wheels). */
export const WHEEL_START = 0.8;
export const WHEEL_TURN = 1.6;

const wheelTmu = (mm: number): number => (WHEEL_START + mm / WHEEL_SPEED) / SECONDS_PER_TMU;
const metres = (mm: number) => `${(mm / 1000).toFixed(1)} m`;

/** On wheels: pushed by the rims, turned by them, the thing on the lap on the way back. Codes of our own: WH and cm, WT and degrees. */
export const WHEELS: Gait = {
  turnTmu: (degrees) => {
    const d = Math.abs(degrees);
    return d <= NO_TURN + 1e-6 ? 0 : ((d / 90) * WHEEL_TURN) / SECONDS_PER_TMU;
  },
  turned: (degrees) => {
    const tmu = WHEELS.turnTmu(degrees);
    if (tmu === 0) return { tmu, there: [], back: [] };
    const d = Math.round(Math.abs(degrees));
    const code = `WT${d}`;
    return {
      tmu,
      there: [{ code, tmu, text: `turn the wheels ${d}° to the ${degrees > 0 ? 'right' : 'left'}` }],
      back: [{ code, tmu, text: 'turn the wheels back' }],
    };
  },
  rollTmu: wheelTmu,
  rolled: (mm) => {
    const code = `WH${Math.round(mm / 10)}`;
    const tmu = wheelTmu(mm);
    return { there: { code, tmu, text: `wheel ${metres(mm)}` }, back: { code, tmu, text: `wheel back ${metres(mm)}` } };
  },
};

export const gaitOf = (person: Person): Gait => (person.mobility === 'wheelchair' ? WHEELS : CHAIR);
