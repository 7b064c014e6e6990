export { sunAt, sunYear, solarInstant, MIDDLE_DAY, HOUR_STEP, type SunAt, type SunPlace } from './position.ts';
export { apertures, inSun, sunHours, type Aperture, type SunHours } from './hours.ts';
export { sunPatches, type SunPatch } from './patch.ts';
export { luxAt, LUX_FINE, LUX_GENERAL, type Lamp } from './light.ts';
