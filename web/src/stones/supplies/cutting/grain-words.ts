import { type CutPiece } from '@heronstone/core/plan';

export const GRAIN_WORDS: Record<CutPiece['grain'], string> = {
  any: 'either way',
  width: 'grain along its width',
  depth: 'grain along its depth',
};
