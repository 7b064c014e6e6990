import { converter, formatHex, type Rgb, type Xyz65 } from 'culori';

/** How light the paper of the measuring sheet is, as a share of a perfect white (office paper, own assumption from memory). */
const PAPER = 0.88;
/** Cone responses after Bradford (CIE 159:2004 names the transform; numbers from memory). */
const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const BACK = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;

type Three = readonly [number, number, number];
const times = (m: readonly Three[], v: Three): Three =>
  m.map((row) => row[0] * v[0] + row[1] * v[1] + row[2] * v[2]) as unknown as Three;
const xyzOf = converter('xyz65');
const rgbOf = converter('rgb');

/**
 * What colour a thing is by daylight, from how it looks in a picture and how white paper looks beside it.
 * @param patch,white red, green, blue as the picture has them, 0 to 255
 * @returns like `#aabbcc`; null when the white is too dark, or burnt out, to go by
 */
export function colourBeside(patch: Three, white: Three): string | null {
  if (Math.min(...white) < 40 || Math.max(...white) > 254) return null;
  const xyz = (c: Three): Three => {
    const { x, y, z } = xyzOf({ mode: 'rgb', r: c[0] / 255, g: c[1] / 255, b: c[2] / 255 });
    return [x, y, z];
  };
  const day = xyzOf({ mode: 'rgb', r: 1, g: 1, b: 1 });
  const [seen, light] = [times(BRADFORD, xyz(patch)), times(BRADFORD, xyz(white))];
  const wanted = times(BRADFORD, [day.x * PAPER, day.y * PAPER, day.z * PAPER]);
  const [x, y, z] = times(BACK, seen.map((v, i) => (v * wanted[i]!) / light[i]!) as unknown as Three);
  const colour: Xyz65 = { mode: 'xyz65', x, y, z };
  const { r, g, b } = rgbOf(colour) as Rgb;
  const cut = (v: number) => Math.min(1, Math.max(0, v));
  return formatHex({ mode: 'rgb', r: cut(r), g: cut(g), b: cut(b) });
}
