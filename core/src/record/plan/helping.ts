import { type Sent } from './commands.ts';

/** What somebody does who helps in a room without deciding about it: ticking, counting, logging, taking out and putting back, looking. */
const HELPS: ReadonlySet<string> = new Set([
  'jot',
  'makeMove',
  'countSupply',
  'putOff',
  'addOut',
  'setOut',
  'removeOut',
  'setProject',
  'addLook',
  'setJob',
  'addSitting',
  'setSitting',
]);
/** What a tick does besides: a thing was carried to its home. */
const CARRIES: ReadonlySet<string> = new Set(['assignHome', 'leaveHome']);

/** Whether a change is one that a helper makes. Carrying counts where it ticks a job. */
export function isHelping(command: Sent): boolean {
  if (command.type !== 'several') return HELPS.has(command.type);
  const ticks = command.commands.some((c) => c.type === 'setJob');
  return command.commands.every((c) => HELPS.has(c.type) || (ticks && CARRIES.has(c.type)));
}
