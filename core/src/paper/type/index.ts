export { type Faces, INK, type Standing, Type, type Weight } from './type.ts';
export { FACE_PARTS, FACE_WEIGHTS, faceFile } from './files.ts';
