import { type PointerEvent } from 'react';
import { type Point } from '@heronstone/core/geometry';

/** Plan to screen: turned so that `up` is up, y downwards (or the turn alone, for the way back). */
export function turner(up: number): (p: Point, plain?: boolean) => Point {
  const c = Math.cos((up * Math.PI) / 180);
  const s = Math.sin((up * Math.PI) / 180);
  return (p, plain) => {
    const q = { x: p.x * c - p.y * s, y: p.x * s + p.y * c };
    return plain ? q : { x: q.x, y: -q.y };
  };
}

export type Turn = ReturnType<typeof turner>;
/** SVG path through some points. */
export const path = (points: Point[]) => `M${points.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}`;

/** Takes hold of something on Floor at a point of the plan. */
export type Grab = (kind: 'unit' | 'station', id: string, at: Point, e: PointerEvent) => void;
