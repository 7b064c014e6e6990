export { surveyWalls, rightAngled, type MeasuredWall, type Survey } from './survey.ts';
export { turnFromDiagonal, outOfSquare, diagonalError } from './diagonals.ts';
