import { readFileSync } from 'node:fs';
import { FACE_PARTS, faceFile, type Faces, type Weight } from '../paper/type/index.ts';

const FILES = new URL('../../../node_modules/@fontsource/source-sans-3/files/', import.meta.url);
const of = (weight: Weight) =>
  FACE_PARTS.map((part) => new Uint8Array(readFileSync(new URL(faceFile(part, weight), FILES))));

/** The faces the app prints with. */
export const faces = (): Faces => ({ regular: of('regular'), bold: of('bold') });
