import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { useWidth } from '../../ui/width.ts';
import { Arrows } from '../../views/arrows/Arrows.tsx';
import { WallFront } from '../../views/wall/WallFront.tsx';
import { boxOf, movedOnWall, settingOf, thingArrows } from './wall-things.ts';

/** The chosen wall from the front: what is on it is pressed and moved, and its lengths are typed on their own arrows. */
export function ChosenWall({ wallId }: { wallId: string }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const small = useWidth() === 'phone';
  const thingOf = (id: string | null) => (id ? (plan.openings[id] ?? plan.fixtures[id]) : undefined);
  const chosen = thingOf(get('thing'));
  const thing = chosen?.wallId === wallId ? chosen : undefined;
  return (
    <WallFront
      plan={plan}
      wallId={wallId}
      things={{
        chosen: thing?.id ?? null,
        onChoose: (id) => select({ thing: id }),
        onMove: (id, right, up) => {
          const of = thingOf(id);
          if (of) dispatch(settingOf(of, movedOnWall(of, right, up, plan.walls[wallId]!.length)));
        },
      }}
      over={({ at, scale, frame }) => {
        if (!thing || small) return null;
        const { left, width, bottom, height } = boxOf(thing);
        const [a, b] = [at({ x: left, y: bottom + height }), at({ x: left + width, y: bottom })];
        const own = { left: a.x, top: a.y, width: b.x - a.x, height: b.y - a.y };
        return <Arrows arrows={thingArrows(thing, scale, dispatch)} at={at} frame={frame} free={[own]} />;
      }}
      className="absolute inset-0 h-full w-full"
    />
  );
}
