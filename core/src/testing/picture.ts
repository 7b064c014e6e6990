import { create } from 'qrcode';
import { type Pixels } from '../measures/picture/index.ts';
import { type TestCamera } from './camera.ts';

export { seenBy, type TestCamera } from './camera.ts';

/** What a plane looks like at a point, mm: red, green and blue, 0 to 255. */
export type Painted = (x: number, y: number) => readonly [number, number, number];

const RAD = Math.PI / 180;
// taken once: within the test runner every look for a global takes longer than what is done with it
const { cos, floor, log, PI, sin, sqrt } = Math;

/**
 * A picture of a painted plane by the tests’ own camera: a ray through each point of the picture, met with the plane; a few rays a point, then noise.
 * @param noise standard deviation, of 255; @param random between 0 and 1
 */
export function photographed(camera: TestCamera, plane: Painted, noise: number, random: () => number, rays = 2) {
  const { width, height } = camera;
  const data = new Uint8ClampedArray(width * height * 4);
  const [t, a] = [camera.tilt * RAD, camera.towards * RAD];
  const forward = [sin(t) * cos(a), sin(t) * sin(a), -cos(t)] as const;
  const away = camera.over / cos(t);
  const stands = [camera.at.x - forward[0] * away, camera.at.y - forward[1] * away, camera.over] as const;
  const ca = cos(a);
  const sa = sin(a);
  const ct = cos(t);
  const right = [ct * ca * ca + sa * sa, (ct - 1) * ca * sa, sin(t) * ca] as const;
  const down = [(ct - 1) * ca * sa, ct * sa * sa + ca * ca, sin(t) * sa] as const;
  const [c, s] = [cos(camera.roll * RAD), sin(camera.roll * RAD)];
  const focal = (camera.focal35 * Math.hypot(width, height)) / Math.hypot(36, 24);
  const half = Math.hypot(width, height) / 2;
  const gauss = () => sqrt(-2 * log(1 - random())) * cos(2 * PI * random());
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [r, g, b] = [0, 0, 0];
      for (let j = 0; j < rays; j++)
        for (let i = 0; i < rays; i++) {
          let u = x + (i + 0.5) / rays - width / 2;
          let v = y + (j + 0.5) / rays - height / 2;
          const by = 1 + camera.lens * ((u * u + v * v) / half ** 2);
          u /= by * focal;
          v /= by * focal;
          const [p, q] = [c * u - s * v, s * u + c * v];
          const z = forward[2] + p * right[2] + q * down[2];
          let colour: readonly [number, number, number] = [190, 200, 210];
          if (z < -1e-6) {
            const k = -stands[2] / z;
            colour = plane(
              stands[0] + k * (forward[0] + p * right[0] + q * down[0]),
              stands[1] + k * (forward[1] + p * right[1] + q * down[1]),
            );
          }
          r += colour[0];
          g += colour[1];
          b += colour[2];
        }
      const k = (y * width + x) * 4;
      const n = rays * rays;
      data[k] = r / n + noise * gauss();
      data[k + 1] = g / n + noise * gauss();
      data[k + 2] = b / n + noise * gauss();
      data[k + 3] = 255;
    }
  return { data, width, height };
}

/** Every point the mean of those about it, to so many each way (along rows, then along columns): a hand that was not quite still. */
export function blurred(pixels: Pixels, by: number): Pixels {
  const along = ({ data, width, height }: Pixels, step: number, lines: number, next: number, count: number): Pixels => {
    const out = data.slice();
    for (let line = 0; line < lines; line++)
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        const at = (i: number) => data[4 * (line * next + Math.min(count - 1, Math.max(0, i)) * step) + c]!;
        for (let i = -by; i <= by; i++) sum += at(i);
        for (let i = 0; i < count; i++) {
          out[4 * (line * next + i * step) + c] = sum / (2 * by + 1);
          sum += at(i + by + 1) - at(i - by);
        }
      }
    return { data: out, width, height };
  };
  const { width, height } = pixels;
  return along(along(pixels, 1, height, width, width), width, width, 1, height);
}

/** A sheet with codes at places, on a table; every code by the public library, so that what is printed is not asked. */
export function sheetOnTable(
  size: { width: number; height: number },
  codes: readonly { x: number; y: number; side: number; words: string }[],
  table: Painted = (x, y) => {
    const grain = 12 * sin(y / 9 + 2 * sin(x / 60));
    return [150 + grain, 112 + grain, 78 + grain];
  },
): Painted {
  const drawn = codes.map((code) => ({ ...code, modules: create(code.words, { errorCorrectionLevel: 'Q' }).modules }));
  return (x, y) => {
    if (x < 0 || y < 0 || x > size.width || y > size.height) return table(x, y);
    for (const { x: left, y: top, side, modules } of drawn) {
      const [i, j] = [floor(((x - left) / side) * modules.size), floor(((y - top) / side) * modules.size)];
      if (i >= 0 && j >= 0 && i < modules.size && j < modules.size && modules.data[j * modules.size + i])
        return [28, 28, 30];
    }
    return [238, 236, 230];
  };
}
