export { surveyWalls, rightAngled, type MeasuredWall, type Survey } from './survey.ts';
