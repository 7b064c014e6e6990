import { useState } from 'react';
import { toast } from 'sonner';
import { inFrame, inPicture, uprightHeight } from '@heronstone/core/picture';
import { type Point, type Shape } from './shapes.ts';
import { type Laid } from './use-picture.ts';

export type Upright = {
  /** the shape that is asked about; null: none is */
  of: string | null;
  /** begins to ask about a shape, or leaves it; null where the picture says no heights */
  ask: ((shapeId: string) => void) | null;
  /** where its foot was pressed, mm of the frame */
  foot: Point | null;
  /** what is pressed next */
  words: string | null;
  press: (p: Point) => void;
};

/** How high a thing stands, by where an upright edge of it stands on the ground and where it ends: two presses on what is laid flat. */
export function useUpright(laid: Laid | null, shapes: readonly Shape[], change: (shape: Shape) => void): Upright {
  const [asked, setAsked] = useState<{ of: string; foot: Point | null } | null>(null);
  const shape = shapes.find((s) => s.id === asked?.of);
  const foot = shape ? (asked?.foot ?? null) : null;
  return {
    of: shape?.id ?? null,
    ask: laid?.plane.camera ? (id) => setAsked((now) => (now?.of === id ? null : { of: id, foot: null })) : null,
    foot,
    words: !shape
      ? null
      : foot
        ? 'Now press the top of that edge.'
        : 'Press the foot of an upright edge of it, where it stands on the ground.',
    press: (p) => {
      if (!shape || !laid) return;
      if (!foot) return setAsked({ of: shape.id, foot: p });
      setAsked(null);
      const [a, b] = [foot, p].map((q) => inPicture(laid.plane, inFrame(laid.frame, q)));
      const found = a && b && uprightHeight(laid.plane, a, b);
      if (!found)
        return void toast.error(
          'This picture does not say how high that stands: one looks too straight down on it, or foot and top are not of one upright edge.',
        );
      const tidy = (mm: number) => Math.round(mm * 10) / 10;
      change({ ...shape, height: tidy(found.length), heightBy: tidy(found.plusMinus) });
    },
  };
}
