export { applied, block, sheet, person, smallShelf, unit, withUnits, tinyRoom, use, home } from './samples.ts';
export { solveWithHighs, toLp } from './highs.ts';
export { randomSlotting, type SlottingShape } from './random-slotting.ts';
export { mutated } from './mutate.ts';
export { oneCupboard, paperStudio, sewingCorner, type TestRoom } from './rooms.ts';
export { halfAYear, randomSchedule, type ScheduleKind } from './random-schedule.ts';
