export { mixed } from './mixed.ts';
export { SetKey } from './set-key.ts';
