export { ScheduleProblem, type ScheduleJob, type ScheduleSession, readSchedule, ringOf } from './problem.ts';
export { solveSchedule, type ScheduleAnswer, type ScheduleOptions, type Scheduled } from './solve.ts';
export { checkSchedule } from './check.ts';
