import { type Point } from '@heronstone/core/geometry';

/** A drawing as it is seen: where a point of it is in its box, px; how many mm a pixel is; how large the box is, px. */
export type Seen = { at: (p: Point) => Point; scale: number; frame: { width: number; height: number } };

/** What part of a drawing is shown, in its own units. */
export type ViewBox = { x: number; y: number; w: number; h: number };

/** A part of a drawing fitted whole into the middle of a frame, as SVG does unless it is told otherwise. */
export function fitted(box: ViewBox, frame: { width: number; height: number }): Seen {
  const scale = Math.max(box.w / Math.max(1, frame.width), box.h / Math.max(1, frame.height));
  const at = (p: Point): Point => ({
    x: (p.x - box.x) / scale + (frame.width - box.w / scale) / 2,
    y: (p.y - box.y) / scale + (frame.height - box.h / scale) / 2,
  });
  return { at, scale, frame };
}
