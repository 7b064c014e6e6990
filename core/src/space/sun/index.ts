export {
  sunAt,
  sunYear,
  solarClock,
  solarInstant,
  MIDDLE_DAY,
  HOUR_STEP,
  type SunAt,
  type SunPlace,
} from './position.ts';
export { apertures, inSun, sunHours, type Aperture, type SunHours } from './hours.ts';
export { sunPatches, type SunPatch } from './patch.ts';
export { luxAt, LUX_GENERAL, type Lamp } from './light.ts';
