import { Camera, ClipboardPaste, FileImage, Printer, X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { type Plan, wallsInOrder } from '@heronstone/core/plan';
import { shippedFaces } from '../../../parts/faces.ts';
import { doing, fetched } from '../../../parts/fetched.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { useSelection } from '../../../state/selection.ts';
import { Button } from '../../../ui/button.tsx';
import { LengthField, SelectField } from '../../../ui/fields.tsx';
import { savePrint } from '../../../ui/save-print.ts';
import { PlaceField } from '../../../ui/place-field.tsx';
import { KNOWN } from '@heronstone/core/picture';
import { type KnownChoice, knownSize, type Marking, middling, type Of, quarter, sizeOf } from './marked.ts';
import { OfFront } from './OfFront.tsx';
import { OfPlace } from './OfPlace.tsx';
import { OfThing } from './OfThing.tsx';
import { OfWall } from './OfWall.tsx';
import { type Corners, PhotoPane } from './PhotoPane.tsx';
import { usePicture } from './use-picture.ts';

const WHAT: readonly (readonly [Of['what'], string])[] = [
  ['place', 'a drawer, shelf or box, from above'],
  ['front', 'the front of a unit'],
  ['wall', 'a wall'],
  ['thing', 'one thing by itself'],
];

/** Names of the four corners as one looks at it. */
const NAMES: Record<Of['what'], readonly string[]> = {
  place: ['back left', 'back right', 'front right', 'front left'],
  front: ['top left', 'top right', 'bottom right', 'bottom left'],
  wall: ['top left', 'top right', 'bottom right', 'bottom left'],
  thing: ['top left', 'top right', 'bottom right', 'bottom left'],
};

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

const same = (a: readonly { x: number; y: number }[], b: readonly { x: number; y: number }[]) =>
  a.every((p, i) => p.x === b[i]!.x && p.y === b[i]!.y);

const unitsWithFronts = (plan: Plan): (readonly [string, string])[] =>
  Object.values(plan.units)
    .filter((u) => Object.values(plan.places).some((p) => p.unitId === u.id && p.inId === null))
    .map((u) => [u.id, u.name] as const);

const walls = (plan: Plan): (readonly [string, string])[] =>
  wallsInOrder(plan).map((w, i) => [w.id, w.name ? `${w.name} wall` : `Wall ${i + 1}`] as const);

function cornersFor(
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

/** What of known size lies in the picture. */
function KnownRow({
  marking,
  setMarking,
  itself,
  wantsFrame,
}: {
  marking: Marking;
  setMarking: (m: Marking) => void;
  itself: { width: number; height: number } | null;
  /** what is measured is marked beside what is known */
  wantsFrame: boolean;
}) {
  const options: (readonly [KnownChoice, string])[] = [
    ...(marking.sheet ? [['sheet', `the measuring sheet (${KNOWN[marking.sheet.paper].name}), found`] as const] : []),
    ...(itself ? [['itself', 'itself: its size in the plan'] as const] : []),
    ['a4', 'an A4 sheet'],
    ['letter', 'a Letter sheet'],
    ['card', 'a bank card'],
    ['own', 'something of a size I type'],
  ];
  const choose = (known: KnownChoice) => {
    const found = known === 'sheet' && marking.sheet;
    setMarking({
      ...marking,
      known,
      corners: found ? found.corners : marking.known === 'sheet' ? middling(marking.image) : marking.corners,
      frame: known === 'itself' || !wantsFrame ? null : (marking.frame ?? middling(marking.image, 0.12)),
    });
  };
  const set = (side: 'width' | 'height') => (mm: number | null) =>
    mm !== null && setMarking({ ...marking, own: { ...marking.own, [side]: mm } });
  const size = knownSize(marking, itself);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <SelectField label="of known size in it" value={marking.known} options={options} onCommit={choose} />
      {marking.known === 'own' && size && (
        <>
          <LengthField label="its width" positive mm={marking.own.width} onCommit={(mm) => void set('width')(mm)} />
          <LengthField label="its height" positive mm={marking.own.height} onCommit={(mm) => void set('height')(mm)} />
        </>
      )}
    </div>
  );
}

function FileButton({
  label,
  camera,
  onFile,
}: {
  label: string;
  camera?: boolean;
  onFile: (file: File) => Promise<void>;
}) {
  const Icon = camera ? Camera : FileImage;
  return (
    <label className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-full border border-edge bg-paper px-3 py-1 font-medium focus-within:outline-2 hover:border-heron">
      <Icon size={15} aria-hidden /> {label}
      <input
        type="file"
        accept="image/*"
        {...(camera ? { capture: 'environment' as const } : {})}
        className="sr-only"
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void onFile(file);
        }}
      />
    </label>
  );
}

/** The measuring sheet as PDF; its writer is fetched when it is asked for. */
function SheetToPrint() {
  const print = (paper: 'a4' | 'letter') =>
    doing(async () => {
      const { measuringSheet } = await fetched(() => import('@heronstone/core/drawings'));
      savePrint(`heronstone-measuring-sheet-${paper}.pdf`, await measuringSheet(paper, await shippedFaces()));
    });
  return (
    <span className="flex items-center gap-1">
      <Button onClick={() => print('a4')}>
        <Printer size={15} aria-hidden /> Measuring sheet, A4
      </Button>
      <Button look="quiet" onClick={() => print('letter')} aria-label="Measuring sheet, US Letter">
        Letter
      </Button>
    </span>
  );
}

function HowTo() {
  return (
    <div className="max-w-2xl rounded-2xl border-2 border-dashed border-line p-6 text-soft">
      <p className="text-ink">
        A photo with one thing of known size in it measures everything that lies in the same plane.
      </p>
      <ol className="mt-2 list-decimal space-y-1 pl-5">
        <li>
          Print the measuring sheet and lay it in; a sheet of paper, a bank card, or the drawer’s own size will do too.
        </li>
        <li>Take the picture from above, with all of it in view.</li>
        <li>Draw round what lies there and say what it is: size, place and count are in the plan.</li>
      </ol>
      <p className="mt-2 flex items-center gap-1.5 text-[14px]">
        <ClipboardPaste size={15} aria-hidden /> A picture can be pasted here too. It stays on this machine; what is
        kept of it is drawn anew without where and when it was taken.
      </p>
    </div>
  );
}
