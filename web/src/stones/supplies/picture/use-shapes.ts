import { type KeyboardEvent, useCallback, useState } from 'react';
import { cornersOf, type Frame, inFrame, ofFrame } from '@heronstone/core/picture';
import { byKey, reframed, type Shape, snappedTo } from './shapes.ts';
import { type Laid, type usePicture } from './use-picture.ts';

/** The sheet’s own white, where its paper is white and no code lies, mm from its upper left. */
const WHITE = [
  { x: 100, y: 60 },
  { x: 30, y: 100 },
  { x: 180, y: 100 },
  { x: 100, y: 230 },
];
/** An edge is looked for so far from where a side was drawn, as a share of the longer side of what is shown; at least and at most, mm. */
const REACH = { share: 0.018, least: 4, most: 14 };

/** What is drawn over the flat picture: drawn, snapped to the edges, moved by keys, left out. */
export function useShapes({ ask, marking }: Pick<ReturnType<typeof usePicture>, 'ask' | 'marking'>, laid: Laid | null) {
  const [shapes, setShapes] = useState<Shape[]>([]);
  const [chosen, setChosen] = useState<string | null>(null);
  // what was drawn stays where it lies, however the corners of what is shown are pulled afterwards
  const [shown, setShown] = useState<Frame | null>(null);
  if (laid && laid.frame !== shown) {
    setShown(laid.frame);
    if (shown) setShapes((all) => all.map((s) => reframed(s, shown, laid.frame)));
  }
  const change = useCallback((shape: Shape) => setShapes((all) => all.map((s) => (s.id === shape.id ? shape : s))), []);
  const draw = async (shape: Shape) => {
    setShapes((all) => [...all, shape]);
    setChosen(shape.id);
    if (!laid) return;
    const { frame } = laid;
    const longest = Math.max(frame.width, frame.height);
    const reach = Math.min(REACH.most, Math.max(REACH.least, REACH.share * longest));
    const corners = cornersOf(shape).map((p) => inFrame(frame, p));
    const found = await ask((api) => api.snapFlat(corners, reach));
    const snapped = snappedTo(
      shape,
      found.corners.map((p) => ofFrame(frame, p)),
      found.sides,
    );
    const colour = await colourOf(snapped);
    setShapes((all) => all.map((s) => (s.id === shape.id ? { ...s, ...pick(snapped), colour } : s)));
    document.getElementById(`line-${shape.id}`)?.focus();
  };
  const colourOf = (shape: Shape): Promise<string | null> => {
    if (!laid || marking?.known !== 'sheet') return Promise.resolve(null);
    const reach = Math.min(shape.width, shape.depth) / 4;
    const middle = inFrame(laid.frame, shape);
    return ask((api) => api.colour(middle, reach, laid.plane, WHITE));
  };
  const remove = (id: string) => {
    setShapes((all) => all.filter((s) => s.id !== id));
    setChosen(null);
  };
  const onKey = (e: KeyboardEvent, shape: Shape) => {
    if (e.key === 'Delete' || e.key === 'Backspace') {
      e.preventDefault();
      return remove(shape.id);
    }
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      setChosen(shape.id);
      return document.getElementById(`line-${shape.id}`)?.focus();
    }
    const next = byKey(shape, e.key, e.shiftKey, e.altKey);
    if (!next) return;
    e.preventDefault();
    e.stopPropagation();
    change(next);
  };
  return { shapes, setShapes, chosen, setChosen, change, draw, remove, onKey };
}

const pick = ({ x, y, width, depth, turn }: Shape) => ({ x, y, width, depth, turn });
