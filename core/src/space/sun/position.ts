import { getPosition } from 'suncalc';
import { type Plan } from '../../record/plan/index.ts';

const RAD = Math.PI / 180;

/** Where the sun is: altitude above the horizon and azimuth from north, degrees; `to` points to it in the plan's own axes. */
export type SunAt = { altitude: number; azimuth: number; to: { x: number; y: number; z: number } };
export type SunPlace = Pick<Plan['head'], 'latitude' | 'longitude' | 'bearing'>;

/** The instant of an hour of local solar clock time (12 is when the sun stands highest, to within the equation of time). */
export function solarInstant(place: Pick<SunPlace, 'longitude'>, month: number, day: number, hour: number): Date {
  return new Date(Date.UTC(2026, month - 1, day, 0, 0, 0) + (hour - place.longitude / 15) * 3_600_000);
}

/** The sun over a plan at an instant (SunCalc library). */
export function sunAt(place: SunPlace, instant: Date): SunAt {
  const { altitude, azimuth } = getPosition(instant, place.latitude, place.longitude);
  const heading = (azimuth - place.bearing) * RAD;
  const flat = Math.cos(altitude * RAD);
  return {
    altitude,
    azimuth,
    to: { x: Math.sin(heading) * flat, y: Math.cos(heading) * flat, z: Math.sin(altitude * RAD) },
  };
}

/** The day that stands for its month, as is usual for solar tables (common practice). */
export const MIDDLE_DAY = 21;
/** Steps of the sun through a day, hours. */
export const HOUR_STEP = 0.25;

export type SunSample = SunAt & { month: number; hour: number };
const year = new Map<string, SunSample[]>();

/** The sun above the horizon every quarter of an hour on the 21st of every month; kept for the last few places asked for. */
export function sunYear(place: SunPlace): readonly SunSample[] {
  const key = `${place.latitude}/${place.longitude}/${place.bearing}`;
  let samples = year.get(key);
  if (samples) return samples;
  samples = [];
  for (let month = 1; month <= 12; month++)
    for (let hour = HOUR_STEP / 2; hour < 24; hour += HOUR_STEP) {
      const sun = sunAt(place, solarInstant(place, month, MIDDLE_DAY, hour));
      if (sun.altitude > 0) samples.push({ ...sun, month, hour });
    }
  if (year.size > 8) year.clear();
  year.set(key, samples);
  return samples;
}

/** “9:30”: an hour of the sun’s own time in words. */
export const solarClock = (hour: number): string =>
  `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;
