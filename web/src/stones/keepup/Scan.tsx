import { Camera, CameraOff, FileImage } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { placeSaid } from '@heronstone/core/concepts';
import { homesIn, placeWithAllIn, type Place, type Plan, type Supply } from '@heronstone/core/plan';
import { codeOf, qrOf, QUIET, readCode } from '@heronstone/core/labels';
import { jot } from '../../state/jot.ts';
import { fetched } from '../../parts/fetched.ts';
import { usePlan } from '../../state/plan-store.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/button.tsx';
import { PlaceField } from '../../ui/place-field.tsx';
import { today } from '../../ui/words.ts';
import { SupplySearch } from './SupplySearch.tsx';
import { emptied, openSpare, usedUp } from './taps.ts';

/** A picture is looked through for a code at most so large, points along its longer side. */
const SIDE = 1200;

/** Reads a code with the camera, off a picture, or typed by hand: what lives here, and what was done with it. */
export default function Scan() {
  const plan = usePlan((s) => s.plan);
  const { get, select } = useSelection();
  const place = plan.places[get('place') ?? ''];
  const supply = plan.supplies[get('supply') ?? ''];
  const found = (text: string): boolean => {
    const code = readCode(text);
    if (!code) {
      toast(`This code says “${text.slice(0, 60)}”: it is none of Heronstone’s.`);
      return false;
    }
    const known = code.kind === 'place' ? plan.places[code.id] : plan.supplies[code.id];
    if (!known) {
      toast(
        `A code of Heronstone, but nothing in ${plan.head.name} has it: it may be of another plan, or what it was on is gone.`,
      );
      return false;
    }
    select(code.kind === 'place' ? { place: code.id, supply: null } : { supply: code.id, place: null });
    return true;
  };
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <Reader onText={found} />
      {place ? (
        <PlaceScanned key={place.id} place={place} />
      ) : supply ? (
        <SupplyScanned supply={supply} />
      ) : (
        <p className="text-soft">What a code belongs to appears here.</p>
      )}
    </div>
  );
}

function Reader({ onText }: { onText: (text: string) => boolean }) {
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState<MediaStream | null>(null);
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const start = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      setCamera(stream);
      setSaid(null);
    } catch {
      setSaid(
        'There is no camera, or it may not be used here (a phone asks for a secure address). Take a picture of the code instead, or type what stands under it.',
      );
    }
  };
  useEffect(() => {
    const el = video.current;
    if (!camera || !el) return;
    el.srcObject = camera;
    void el.play().catch(() => undefined);
    const timer = setInterval(() => {
      if (el.videoWidth === 0) return;
      void decoded(el, el.videoWidth, el.videoHeight).then((text) => {
        if (text !== null && onText(text)) camera.getTracks().forEach((t) => t.stop());
        if (text !== null) setCamera((now) => (now === camera && !camera.active ? null : now));
      });
    }, 300);
    return () => clearInterval(timer);
  }, [camera, onText]);
  useEffect(() => () => camera?.getTracks().forEach((t) => t.stop()), [camera]);
  const fromFile = async (file: File | undefined) => {
    if (!file) return;
    try {
      const image = await createImageBitmap(file);
      const text = await decoded(image, image.width, image.height);
      if (text === null) setSaid('No code was found in this picture. Go nearer, hold it straight, and mind the shine.');
      else if (onText(text)) setSaid(null);
    } catch {
      setSaid('This picture does not open: a JPEG, PNG or WebP is wanted.');
    }
  };
  return (
    <section aria-label="Read a code" className="space-y-2">
      {camera ? (
        <>
          <video
            ref={video}
            muted
            playsInline
            className="w-full rounded-2xl bg-ink"
            aria-label="What the camera sees"
          />
          <Button onClick={() => setCamera(null)}>
            <CameraOff size={15} aria-hidden /> Camera off
          </Button>
        </>
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button look="main" onClick={() => void start()}>
            <Camera size={16} aria-hidden /> Camera
          </Button>
          <label className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-full border border-edge bg-paper px-3 py-1 font-medium focus-within:outline-2 hover:border-heron">
            <FileImage size={16} aria-hidden /> A picture of the code
            <input
              type="file"
              accept="image/*"
              className="sr-only"
              aria-label="A picture of the code"
              onChange={(e) => {
                void fromFile(e.target.files?.[0]);
                e.target.value = '';
              }}
            />
          </label>
        </div>
      )}
      <PretendCamera onText={onText} onSaid={setSaid} />
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (typed.trim() !== '' && onText(typed)) setTyped('');
        }}
      >
        <div className="grow">
          <label htmlFor="typed-code" className="block text-[13px] text-soft">
            or what the code says
          </label>
          <input
            id="typed-code"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            autoComplete="off"
            placeholder="HERON:P:…"
            className="min-h-[34px] w-full rounded-md border border-edge bg-paper px-2"
          />
        </div>
        <Button type="submit">Look</Button>
      </form>
      {said && (
        <p role="status" className="text-[14px]">
          {said}
        </p>
      )}
    </section>
  );
}

/** A stand-in for a camera: the label of a place is held before it, a little askew, and read as any picture is. */
function PretendCamera({
  onText,
  onSaid,
}: {
  onText: (text: string) => boolean;
  onSaid: (words: string | null) => void;
}) {
  const plan = usePlan((s) => s.plan);
  const [placeId, setPlace] = useState<string | null>(null);
  const look = async () => {
    if (placeId === null) return onSaid('Choose a label to hold before it.');
    const code = qrOf(codeOf({ kind: 'place', id: placeId }));
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 420;
    const c = canvas.getContext('2d')!;
    c.fillStyle = '#cdc6b6';
    c.fillRect(0, 0, 420, 420);
    c.translate(210, 210);
    c.rotate((Math.random() - 0.5) * 0.5);
    const square = 300 / (code.size + 2 * QUIET);
    c.fillStyle = '#fff';
    c.fillRect(-150, -150, 300, 300);
    c.fillStyle = '#111';
    for (let y = 0; y < code.size; y++)
      for (let x = 0; x < code.size; x++)
        if (code.dark[y * code.size + x])
          c.fillRect(-150 + (x + QUIET) * square, -150 + (y + QUIET) * square, square + 0.3, square + 0.3);
    const text = await decoded(canvas, 420, 420);
    if (text === null) onSaid('It was held too much askew. Once more.');
    else if (onText(text)) onSaid(null);
  };
  return (
    <div className="flex items-end gap-2 rounded-xl bg-stone/60 p-2">
      <div className="min-w-0 grow">
        <PlaceField
          plan={plan}
          label="Pretend camera: hold the label of"
          placeId={placeId}
          none="no label"
          onCommit={setPlace}
        />
      </div>
      <Button onClick={() => void look()}>Read it</Button>
    </div>
  );
}

/** What the code in a picture says; null: none is found. */
async function decoded(source: CanvasImageSource, width: number, height: number): Promise<string | null> {
  const { default: jsQR } = await fetched(() => import('jsqr'));
  const scale = Math.min(1, SIDE / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  const pixels = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(pixels.data, pixels.width, pixels.height)?.data ?? null;
}

const inside = (plan: Plan, place: Place): Supply[] => {
  const all = placeWithAllIn(plan, place).flatMap((p) => homesIn(plan, p.id));
  return [...new Set(all.map((h) => h.supplyId))].flatMap((id) => plan.supplies[id] ?? []);
};

function PlaceScanned({ place }: { place: Place }) {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const [adding, setAdding] = useState(false);
  const supplies = inside(plan, place);
  const put = (supply: Supply) => {
    setAdding(false);
    const before = Object.values(plan.homes).find((h) => h.supplyId === supply.id && h.share === 'working');
    const done = dispatch({
      ...{ type: 'assignHome', supplyId: supply.id, share: 'working', placeId: place.id, since: today() },
      ...(before ? { homeId: before.id } : {}),
    });
    if (!done) return;
    jot({ what: 'moved', supplyId: supply.id, placeId: before?.placeId ?? null });
    toast(`${supply.name} lives in ${placeSaid(plan, place)} now.`);
  };
  return (
    <section aria-label={placeSaid(plan, place)}>
      <h2 className="font-display text-xl font-semibold">{placeSaid(plan, place)}</h2>
      {supplies.length === 0 && <p className="text-soft">Nothing lives here.</p>}
      <ul className="divide-y divide-line">
        {supplies.map((s) => (
          <li key={s.id} className="py-2">
            <SupplyTaps supply={s} placeId={place.id} />
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => setAdding(!adding)}>Put something here</Button>
        {supplies.length > 0 && (
          <Button onClick={() => emptied(place) && toast('Noted: it is empty.')}>This is empty</Button>
        )}
        <Link
          className="inline-flex min-h-8 items-center px-2 underline"
          to={`/p/${plan.id}/keepup?view=labels&place=${place.id}`}
        >
          Its label
        </Link>
      </div>
      {adding && <SupplySearch label="What is put here?" onChoose={put} />}
    </section>
  );
}

function SupplyScanned({ supply }: { supply: Supply }) {
  return (
    <section aria-label={supply.name}>
      <SupplyTaps supply={supply} placeId={null} />
    </section>
  );
}

function SupplyTaps({ supply, placeId }: { supply: Supply; placeId: string | null }) {
  return (
    <>
      <p>
        <strong className="font-semibold">{supply.name}</strong>{' '}
        <span className="text-soft">
          {supply.working} at hand{supply.backstock > 0 && `, ${supply.backstock} in reserve`}
        </span>
      </p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        <Button
          aria-label={`Took one: ${supply.name}`}
          onClick={() =>
            jot({ what: 'fetched', supplyId: supply.id, placeId, count: 1 }) && toast(`Took ${supply.name}.`)
          }
        >
          Took one
        </Button>
        <Button
          aria-label={`Used one up: ${supply.name}`}
          onClick={() => usedUp(supply, { placeId }) && toast(`${supply.name}: one less.`)}
        >
          Used one up
        </Button>
        {supply.backstock > 0 && (
          <Button aria-label={`Opened the spare: ${supply.name}`} onClick={() => openSpare(supply, { placeId })}>
            Opened the spare
          </Button>
        )}
      </div>
    </>
  );
}
