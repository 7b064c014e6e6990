export { bodyOf, MEASURES, type Body, type BodySource, type Mobility } from './body.ts';
