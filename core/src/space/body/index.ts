export { bodyOf, MEASURES, type Body, type BodySource, type Mobility } from './body.ts';
export { worktopWanted, heightOff, ELBOW_TO_TOP, type WorkHeight, type WorktopWanted } from './worktop.ts';
