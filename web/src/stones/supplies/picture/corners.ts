import { type Plan, wallsInOrder } from '@heronstone/core/plan';
import { type Marking, type Of } from './marked.ts';
import { type Corners } from './PhotoPane.tsx';
import { type usePicture } from './use-picture.ts';

/** Names of the four corners as one looks at it. */
export const NAMES: Record<Of['what'], readonly string[]> = {
  place: ['back left', 'back right', 'front right', 'front left'],
  front: ['top left', 'top right', 'bottom right', 'bottom left'],
  wall: ['top left', 'top right', 'bottom right', 'bottom left'],
  thing: ['top left', 'top right', 'bottom right', 'bottom left'],
};

export const same = (a: readonly { x: number; y: number }[], b: readonly { x: number; y: number }[]) =>
  a.every((p, i) => p.x === b[i]!.x && p.y === b[i]!.y);

export const unitsWithFronts = (plan: Plan): (readonly [string, string])[] =>
  Object.values(plan.units)
    .filter((u) => Object.values(plan.places).some((p) => p.unitId === u.id && p.inId === null))
    .map((u) => [u.id, u.name] as const);

export const walls = (plan: Plan): (readonly [string, string])[] =>
  wallsInOrder(plan).map((w, i) => [w.id, w.name ? `${w.name} wall` : `Wall ${i + 1}`] as const);

export function cornersFor(
  marking: Marking,
  of: Of,
  { setMarking, setPulling, ask }: ReturnType<typeof usePicture>,
): Corners[] {
  const pulled =
    (key: 'corners' | 'frame'): Corners['onMove'] =>
    (points, done, last) => {
      setPulling(!done);
      setMarking((now) => now && { ...now, [key]: points });
      if (!last) return;
      // let go near where two edges cross, it goes there; the arrows put it anywhere
      void ask((api) => api.snap(points, last.reach)).then(({ corners }) => {
        const to = corners[last.corner]!;
        const from = points[last.corner]!;
        if (Math.hypot(to.x - from.x, to.y - from.y) > 1.5 * last.reach) return;
        setMarking((now) =>
          now && now[key] === points ? { ...now, [key]: points.map((p, i) => (i === last.corner ? to : p)) } : now,
        );
      });
    };
  const out: Corners[] = [];
  out.push({
    id: 'known',
    of: marking.known === 'itself' ? 'its inside' : 'what is known',
    names: NAMES[of.what],
    points: marking.corners,
    colour: 'var(--heron)',
    fixed: marking.known === 'sheet',
    onMove: pulled('corners'),
  });
  if (marking.frame)
    out.push({
      id: 'frame',
      of: of.what === 'front' ? 'the front' : 'its inside',
      names: NAMES[of.what],
      points: marking.frame,
      colour: 'var(--climb)',
      onMove: pulled('frame'),
    });
  return out;
}
