import { type PointerEvent, type RefObject, useState } from 'react';

/** What is on a wall may be chosen and moved: to the right and up, mm. */
export type ThingsOnWall = {
  chosen: string | null;
  onChoose: (id: string) => void;
  onMove: (id: string, right: number, up: number) => void;
};

/** A pointer that goes no farther than this while it is down has pressed, not dragged, px. */
const DRAGS = 4;

type Dragged = { id: string; from: { x: number; y: number }; right: number; up: number; began: boolean };

/** Things of a drawing in mm taken hold of by the pointer: what is dragged so far, and what the drawing and its things listen to. */
export function useDragged(drawing: RefObject<SVGSVGElement | null>, things: ThingsOnWall | undefined) {
  const [now, setNow] = useState<Dragged | null>(null);
  return {
    now: now?.began ? now : null,
    of: (id: string) => ({
      onPointerDown: (e: PointerEvent) => {
        e.stopPropagation();
        drawing.current?.setPointerCapture(e.pointerId);
        setNow({ id, from: { x: e.clientX, y: e.clientY }, right: 0, up: 0, began: false });
      },
    }),
    onPointerMove: (e: PointerEvent) => {
      if (!now) return;
      const perPixel = 1 / (drawing.current?.getScreenCTM()?.a ?? 1);
      const [dx, dy] = [e.clientX - now.from.x, e.clientY - now.from.y];
      const began = now.began || Math.hypot(dx, dy) > DRAGS;
      setNow({ ...now, right: dx * perPixel, up: -dy * perPixel, began });
    },
    onPointerUp: () => {
      if (now && things) {
        things.onChoose(now.id);
        if (now.began) things.onMove(now.id, now.right, now.up);
      }
      setNow(null);
    },
    onPointerCancel: () => setNow(null),
  };
}
