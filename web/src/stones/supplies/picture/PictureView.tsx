import { X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { SelectField } from '../../../ui/fields/index.ts';
import { PlaceField } from '../../../ui/place-field.tsx';
import { middling, type Of, quarter, sizeOf } from './marked.ts';
import { OfFront } from './OfFront.tsx';
import { OfPlace } from './OfPlace.tsx';
import { OfThing } from './OfThing.tsx';
import { OfWall } from './OfWall.tsx';
import { PhotoPane } from './PhotoPane.tsx';
import { usePicture } from './use-picture.ts';
import { same, unitsWithFronts, walls, cornersFor } from './corners.ts';
import { FileButton } from './FileButton.tsx';
import { SheetToPrint } from './SheetToPrint.tsx';
import { HowTo } from './HowTo.tsx';
import { KnownRow } from './KnownRow.tsx';

const WHAT: readonly (readonly [Of['what'], string])[] = [
  ['place', 'a drawer, shelf or box, from above'],
  ['front', 'the front of a unit'],
  ['wall', 'a wall'],
  ['thing', 'one thing by itself'],
];

/** Measuring by picture: a photo with one known thing in it, laid flat to scale; what is drawn over it has its true size. */
export default function PictureView() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const { get, select } = useSelection();
  const asked: Of['what'] = get('wall') ? 'wall' : get('place') ? 'place' : get('unit') ? 'front' : 'place';
  const [what, setWhat] = useState<Of['what']>(asked);
  const id = what === 'place' ? get('place') : what === 'front' ? get('unit') : what === 'wall' ? get('wall') : null;
  const of = useMemo<Of>(() => ({ what, id }), [what, id]);
  const itself = useMemo(() => sizeOf(plan, of, plan.head.ceiling), [plan, of]);
  const wantsFrame = what === 'place' || what === 'front';
  const picture = usePicture(itself, wantsFrame);
  const { held, marking, setMarking, laid, trouble, busy, hints, open } = picture;
  // what was marked for a front says nothing of a wall
  const another = (next: Of['what']) => {
    picture.close();
    setWhat(next);
  };
  const [edge, setEdge] = useState<{ x: number; y: number }[] | null>(null);
  useEffect(() => {
    const pasted = (e: ClipboardEvent) => {
      const file = [...(e.clipboardData?.files ?? [])][0];
      if (file) void open(file);
    };
    window.addEventListener('paste', pasted);
    return () => window.removeEventListener('paste', pasted);
  }, [open]);
  const kept = Object.values(plan.pictures)
    .filter((p) => (what === 'place' ? p.placeId : what === 'front' ? p.unitId : p.wallId) === (id ?? ''))
    .sort((a, b) => (a.takenOn < b.takenOn ? 1 : -1));
  // corners nobody has pulled yet say nothing wrong of what they are to be the corners of
  const untouched = marking !== null && marking.known !== 'sheet' && same(marking.corners, middling(marking.image));
  const shared = { plan, of, picture, laid, held, marking };
  return (
    <div className="flex grow flex-col gap-3">
      <div className="flex flex-wrap items-end gap-2">
        <SelectField label="a picture of" value={what} options={WHAT} onCommit={another} />
        {what === 'place' && (
          <div className="max-w-80">
            <PlaceField
              plan={plan}
              label="which one"
              placeId={id}
              none="choose it"
              onCommit={(place) => select({ place, unit: null, wall: null })}
            />
          </div>
        )}
        {what === 'front' && (
          <SelectField
            label="which one"
            value={id ?? ''}
            options={[['', 'one that is not in the plan yet'], ...unitsWithFronts(plan)]}
            onCommit={(unit) => select({ unit: unit || null, place: null, wall: null })}
          />
        )}
        {what === 'wall' && (
          <SelectField
            label="which one"
            value={id ?? ''}
            options={[['', 'choose it'], ...walls(plan)]}
            onCommit={(wall) => select({ wall: wall || null, place: null, unit: null })}
          />
        )}
        <FileButton label="Take or choose a picture" camera onFile={open} />
        <FileButton label="From a file" onFile={open} />
        <SheetToPrint />
      </div>
      {kept.length > 0 && (
        <div className="flex flex-wrap items-center gap-2 text-[14px]">
          <span className="text-soft">Kept from before, to measure more in:</span>
          {kept.map((p) => (
            <span key={p.id} className="flex items-center">
              <Button onClick={() => void picture.again(p)}>{p.takenOn}</Button>
              <Button
                look="quiet"
                className="!px-1"
                aria-label={`Forget the picture of ${p.takenOn}`}
                onClick={() => dispatch({ type: 'removePicture', id: p.id })}
              >
                <X size={15} aria-hidden />
              </Button>
            </span>
          ))}
        </div>
      )}
      <p role="status" className="sr-only">
        {busy ?? ''}
      </p>
      {busy && (
        <p aria-hidden className="text-soft">
          {busy}
        </p>
      )}
      {!held && trouble && <Trouble words={trouble} />}
      {!held && !busy && <HowTo />}
      {held && marking && (
        <div className="grid min-w-0 grid-cols-1 items-start gap-5 lg:grid-cols-2">
          <section aria-label="The picture" className="min-w-0 space-y-2">
            <PhotoPane
              url={held.url}
              image={marking.image}
              straight={edge ? [...marking.straight, edge] : marking.straight}
              onPress={edge ? (p) => setEdge([...edge, p]) : null}
              corners={cornersFor(marking, of, picture)}
            />
            {trouble && !untouched && <Trouble words={trouble} />}
            {hints.map((h) => (
              <p key={h} className="text-[14px] text-soft">
                {h}
              </p>
            ))}
            <KnownRow {...{ marking, setMarking, itself, wantsFrame }} />
            <div className="flex flex-wrap items-center gap-2">
              {edge ? (
                <>
                  <span className="text-[14px]">
                    Press along an edge that is straight, three times or more ({edge.length}).
                  </span>
                  <Button
                    disabled={edge.length < 3}
                    onClick={() => {
                      setMarking({ ...marking, straight: [...marking.straight, edge] });
                      setEdge(null);
                    }}
                  >
                    That is the edge
                  </Button>
                  <Button look="quiet" onClick={() => setEdge(null)}>
                    Not now
                  </Button>
                </>
              ) : (
                <Button look="quiet" onClick={() => setEdge([])}>
                  Mark a straight edge
                </Button>
              )}
              {marking.straight.length > 0 && !edge && (
                <Button look="quiet" onClick={() => setMarking({ ...marking, straight: [] })}>
                  No straight edges
                </Button>
              )}
              {marking.known !== 'sheet' && (
                <Button look="quiet" onClick={() => setMarking({ ...marking, corners: quarter(marking.corners) })}>
                  It lies a quarter turned
                </Button>
              )}
            </div>
          </section>
          {what === 'place' && <OfPlace {...shared} />}
          {what === 'front' && <OfFront {...shared} />}
          {what === 'wall' && <OfWall {...shared} />}
          {what === 'thing' && <OfThing {...shared} />}
        </div>
      )}
    </div>
  );
}

function Trouble({ words }: { words: string }) {
  return (
    <p role="alert" className="rounded-lg bg-clash/10 px-3 py-1.5 font-medium text-clash">
      {words}
    </p>
  );
}
