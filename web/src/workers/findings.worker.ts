import { expose } from 'comlink';
import { findingsOf } from '@heronstone/core/findings';
import { type Plan } from '@heronstone/core/plan';

/** Findings, off the screen's thread, so that dragging stays smooth. */
const api = { find: (plan: Plan) => findingsOf(plan) };
export type FindingsWorker = typeof api;
expose(api);
