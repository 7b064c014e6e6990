export { NO_TOLL, plus, tollOf, TOLLS, type Toll } from './toll.ts';
export { settingOf, type Band, type Brought, type HandOn, type Need, type Setting, type Source } from './setting.ts';
export { runAt, runOf, type Leg, type Run, type RunRead, type Step } from './run.ts';
export { sessionOf, VARIES, type Drawn, type Moment } from './session.ts';
export { expectedOf, againAndAgain, type Expected } from './expected.ts';
export { simulate, difference, type Playing, type Simulated, type Spread } from './simulate.ts';
export { inTheWay, type InTheWay } from './in-the-way.ts';
export { helpMost, type Helped, type HelpMost, type HelpOptions } from './help/help-most.ts';
export { EFFORTS, type Change, type ChangeKind, type Effort } from './help/change.ts';
