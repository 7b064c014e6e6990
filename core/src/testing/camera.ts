/**
 * A camera of the tests’ own, by turning and projecting points in space: it shares nothing with what it is held against. The plane is z = 0, x to the
 * right and y down the page as the picture has it, what stands on it has z above nought.
 */
export type TestCamera = {
  width: number;
  height: number;
  focal35: number;
  /** how far it looks from straight down, degrees, and towards where */
  tilt: number;
  towards: number;
  /** turned round its own axis, degrees */
  roll: number;
  /** over the plane, mm */
  over: number;
  /** what it looks at, mm */
  at: { x: number; y: number };
  /** the lens: straight r is seen at the r' with r = r' / (1 + lens r'²), r in half diagonals */
  lens: number;
};

const RAD = Math.PI / 180;

/** Where a point in space is seen, px; null when it is behind the camera. */
export function seenBy(camera: TestCamera, p: { x: number; y: number; z?: number }): { x: number; y: number } | null {
  const { width, height, tilt, towards, roll, over, at, lens } = camera;
  const [t, a] = [tilt * RAD, towards * RAD];
  // the way it looks; the camera stands behind what it looks at, so high over the plane
  const forward = [Math.sin(t) * Math.cos(a), Math.sin(t) * Math.sin(a), -Math.cos(t)] as const;
  const away = over / Math.cos(t);
  const stands = [at.x - forward[0] * away, at.y - forward[1] * away, over] as const;
  // its right and its down: with no tilt they are x and y of the plane
  const right0 = [
    Math.cos(t) * Math.cos(a) ** 2 + Math.sin(a) ** 2,
    (Math.cos(t) - 1) * Math.cos(a) * Math.sin(a),
    Math.sin(t) * Math.cos(a),
  ] as const;
  const down0 = [
    (Math.cos(t) - 1) * Math.cos(a) * Math.sin(a),
    Math.cos(t) * Math.sin(a) ** 2 + Math.cos(a) ** 2,
    Math.sin(t) * Math.sin(a),
  ] as const;
  const [c, s] = [Math.cos(roll * RAD), Math.sin(roll * RAD)];
  const d = [p.x - stands[0], p.y - stands[1], (p.z ?? 0) - stands[2]] as const;
  const along = (v: readonly [number, number, number]) => d[0] * v[0] + d[1] * v[1] + d[2] * v[2];
  const deep = along(forward);
  if (deep <= 1) return null;
  const focal = (camera.focal35 * Math.hypot(width, height)) / Math.hypot(36, 24);
  const [u0, v0] = [along(right0), along(down0)];
  const u = (focal * (c * u0 + s * v0)) / deep;
  const v = (focal * (-s * u0 + c * v0)) / deep;
  const half = Math.hypot(width, height) / 2;
  // the bent radius by Newton’s steps
  const straight = Math.hypot(u, v) / half;
  let bent = straight;
  for (let i = 0; i < 30; i++) {
    const f = bent - straight * (1 + lens * bent * bent);
    const slope = 1 - 2 * straight * lens * bent;
    bent -= f / slope;
  }
  const by = straight === 0 ? 1 : bent / straight;
  return { x: width / 2 + u * by, y: height / 2 + v * by };
}
