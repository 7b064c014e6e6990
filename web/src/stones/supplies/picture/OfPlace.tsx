import { useState } from 'react';
import { toast } from 'sonner';
import { formatLength, type Measure } from '@heronstone/core/lengths';
import { readSeen, takeSeen } from '@heronstone/core/lines';
import { lengthBetween, shrinkAt } from '@heronstone/core/picture';
import { asOne, type Command, type Plan } from '@heronstone/core/plan';
import { tourOf } from '@heronstone/core/stock';
import { placeSaid } from '@heronstone/core/concepts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, today } from '../../../ui/words.ts';
import { FlatPane } from './FlatPane.tsx';
import { keptPicture } from './keep.ts';
import { type Marking, type Of } from './marked.ts';
import { SeenList, seenOf } from './SeenList.tsx';
import { type Tool } from './shapes.ts';
import { Tools } from './Tools.tsx';
import { type Held, type Laid, type usePicture } from './use-picture.ts';
import { useShapes } from './use-shapes.ts';
import { useUpright } from './use-upright.ts';
import { FootMark } from './FootMark.tsx';

export type OfProps = {
  plan: Plan;
  of: Of;
  picture: ReturnType<typeof usePicture>;
  laid: Laid | null;
  held: Held | null;
  marking: Marking | null;
};

/** A place from above, laid flat: what lies there is drawn, named, and lives there from then on. */
export function OfPlace({ plan, of, picture, laid, held, marking }: OfProps) {
  const dispatch = usePlan((s) => s.dispatch);
  const { select } = useSelection();
  const [tool, setTool] = useState<Tool>('box');
  const [taking, setTaking] = useState(false);
  const drawn = useShapes(picture, laid);
  const { shapes, chosen } = drawn;
  const upright = useUpright(laid, shapes, drawn.change);
  const place = plan.places[of.id ?? ''] ?? null;
  if (!laid || !held || !marking)
    return <p className="text-soft">Pull the corners to where they belong: the picture is then laid flat here.</p>;
  const seen = shapes.flatMap((s) => seenOf(plan, s, laid) ?? []);
  const take = async () => {
    const done = takeSeen(plan, place, seen, today());
    if (!done.ok) return void toast.error(`${done.at + 1}: ${done.reason}`);
    setTaking(true);
    const kept = place ? await keptPicture(of, held, marking, laid, shapes) : null;
    setTaking(false);
    const words = `take in ${countWords(done.things, 'thing', 'things')} by picture`;
    const commands: Command[] = [done.command, ...(kept ? [kept] : [])];
    if (place) commands.push({ type: 'setPlace', id: place.id, set: { touredOn: today() } });
    if (!dispatch(asOne(words, commands))) return;
    toast(
      place
        ? `${countWords(done.things, 'thing lives', 'things live')} in ${placeSaid(plan, place)} now.`
        : `${countWords(done.things, 'thing', 'things')} taken in.`,
    );
    drawn.setShapes([]);
    picture.close();
    const next = place && nextFrom(plan, place.id);
    if (next) select({ place: next });
  };
  return (
    <section aria-label="Laid flat" className="min-w-0 space-y-2">
      <Tools tool={tool} frame={laid.frame} onTool={setTool} onAdd={(s) => void drawn.draw(s)} />
      <FlatPane
        image={laid.image}
        frame={laid.frame}
        measure={plan.head.measure}
        tool={upright.of === null ? tool : null}
        shapes={shapes}
        chosen={chosen}
        words={(s) => s.line}
        label="Laid flat, from above, front below"
        onDraw={(s) => void drawn.draw(s)}
        onChoose={drawn.setChosen}
        onKey={drawn.onKey}
        onChange={drawn.change}
        onPress={upright.press}
      >
        {(px) => <FootMark at={upright.foot} px={px} />}
      </FlatPane>
      {upright.words && <p role="status">{upright.words}</p>}
      <HowMuch laid={laid} measure={plan.head.measure} />
      <PlaceSize plan={plan} of={of} laid={laid} marking={marking} />
      <SeenList
        {...{ plan, place, laid, shapes, chosen, upright }}
        onChange={drawn.change}
        onRemove={drawn.remove}
        onChoose={drawn.setChosen}
        onDone={() => document.getElementById('take-in-seen')?.focus()}
      />
      <div className="flex flex-wrap items-center gap-3">
        <Button id="take-in-seen" look="main" disabled={seen.length === 0 || taking} onClick={() => void take()}>
          {taking ? 'Keeping the picture …' : `Take in ${countWords(seen.length, 'thing', 'things')}`}
        </Button>
        {shapes.length > seen.length && (
          <span className="text-[14px] text-soft">
            {countWords(shapes.length - seen.length, 'has', 'have')} no name yet.
          </span>
        )}
        {!place && seen.length > 0 && (
          <span className="text-[14px] text-soft">No place is chosen: they come onto the list without a home.</span>
        )}
        {seen.some((s) => readSeen(plan, place, s).what === 'nothing') && (
          <span className="text-[14px] text-clash">One of the lines is not understood.</span>
        )}
      </div>
    </section>
  );
}

/** The place that comes after one on the tour and was not looked into; what one does not look into from above is left out. */
export function nextFrom(plan: Plan, placeId: string): string | null {
  const stops = tourOf(plan);
  const here = stops.findIndex((s) => s.place.id === placeId);
  const open = [...stops.slice(here + 1), ...stops.slice(0, here)].find(
    ({ place }) => place.touredOn === null && !['board', 'hook', 'hanger', 'dowel', 'away'].includes(place.kind),
  );
  return open?.place.id ?? null;
}

/** What a thing that stands is larger by, in this picture. */
const STANDS = { metric: 50, imperial: 50.8 } as const;

/** How much it matters here that a thing stands above the plane. */
function HowMuch({ laid, measure }: { laid: Laid; measure: Measure }) {
  const by = shrinkAt(laid.plane, STANDS[measure]);
  return (
    <p className="text-[14px] text-soft">
      {by === null
        ? `How high the camera was this picture does not say: what stands above the plane looks larger than it is. Lay the sheet as high as what you measure, where you can.`
        : `The camera was ${formatLength(laid.plane.camera!.pose.height, measure)} above: what stands ${formatLength(STANDS[measure], measure)} high looks ${Math.round((1 / by - 1) * 100)} % larger, and that is taken off.`}
    </p>
  );
}

/** Sides that differ by more than this beyond what is doubted are those of another place, or not its corners (own limit): a board’s play is no reason to ask. */
const ANOTHER = 0.015;

/** What the picture says of the place itself, where something else in it is known. */
function PlaceSize({ plan, of, laid, marking }: { plan: Plan; of: Of; laid: Laid; marking: Marking }) {
  const place = plan.places[of.id ?? ''];
  if (!place || !marking.frame) return null;
  const [a, b, , d] = marking.frame;
  const [across, along] = [lengthBetween(laid.plane, a!, b!), lengthBetween(laid.plane, a!, d!)];
  if (!across || !along) return null;
  const { measure } = plan.head;
  const say = (m: { length: number; plusMinus: number }) =>
    `${formatLength(m.length, measure)} ± ${formatLength(m.plusMinus, measure)}`;
  const deep = place.kind === 'board' ? place.height : place.depth;
  const isOff = (m: { length: number; plusMinus: number }, mm: number) =>
    Math.abs(m.length - mm) > m.plusMinus + ANOTHER * mm;
  const off = isOff(across, place.width) || isOff(along, deep);
  return (
    <p className="text-[14px] text-soft">
      Its inside by this picture: {say(across)} wide, {say(along)} deep; in the plan{' '}
      {formatLength(place.width, measure)} by {formatLength(deep, measure)}.
      {off && <span className="text-clash"> They do not agree: is it this place, and are the corners its own?</span>}
    </p>
  );
}
