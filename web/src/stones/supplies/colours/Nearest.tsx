import { Explained } from '../../../ui/explained.tsx';
import { useMemo, useRef, useState } from 'react';
import { colourOf, webColour } from '@heronstone/core/colour';
import { colourIn } from '@heronstone/core/lines';
import { formatLength } from '@heronstone/core/lengths';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { nearestInStock } from '@heronstone/core/stock';
import { placeWords } from './SwatchChart.tsx';

/** How different two colours look, in words (CIEDE2000; common practice for the steps). */
const apartWords = (d: number): string =>
  d < 2 ? 'the same to the eye' : d < 5 ? 'very near' : d < 12 ? 'near' : d < 25 ? 'a relative' : 'another colour';

/** A colour as it was written: as makers name it, else as the web does. */
const said = (text: string): string | null => colourIn(text) ?? webColour(text);

/** What there is, in stock and in scraps, that comes nearest to a colour that is picked, typed, or taken from a photo. */
export function Nearest({ plan, onChoose }: { plan: Plan; onChoose: (id: string) => void }) {
  const [colour, setColour] = useState('#8a9a5b');
  const [typed, setTyped] = useState('');
  const [photo, setPhoto] = useState<ImageBitmap | null>(null);
  const found = useMemo(() => nearestInStock(plan, colour, 5), [plan, colour]);
  const bad = typed.trim() !== '' && said(typed) === null;
  return (
    <section aria-label="Nearest to a colour">
      <h2 className="font-display text-lg font-semibold">Nearest to …</h2>
      <div className="flex items-center gap-2">
        <input
          type="color"
          aria-label="Pick a colour"
          value={colour}
          onChange={(e) => setColour(e.target.value)}
          className="size-10 shrink-0 rounded-lg border border-edge bg-paper"
        />
        <input
          aria-label="Name or number of a colour"
          placeholder="sage, teal, #88aa44 …"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            const hex = said(e.target.value);
            if (hex) setColour(hex);
          }}
          className="min-w-0 grow rounded-md border border-edge bg-paper px-2 py-1"
        />
        <label className="shrink-0 cursor-pointer rounded-full border border-edge bg-paper px-3 py-1 hover:border-heron">
          Photo
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              if (file)
                void createImageBitmap(file).then(setPhoto, () => {
                  setPhoto(null);
                  toast('That is no picture this browser can open.');
                });
            }}
          />
        </label>
      </div>
      {bad && <p className="text-[13px] text-soft">No colour is known by that name.</p>}
      {photo && <PhotoPoint photo={photo} onColour={setColour} />}
      <ol className="mt-2 space-y-1" aria-label="Nearest in stock">
        {found.supplies.map(({ thing, difference }) => (
          <li key={thing.id}>
            <button
              type="button"
              onClick={() => onChoose(thing.id)}
              className="flex w-full items-center gap-2 rounded-lg border border-line bg-paper p-1 text-left hover:border-heron"
            >
              <Pair a={colour} b={thing.colour!} />
              <span className="min-w-0">
                <span className="block truncate">{thing.name}</span>
                <span className="block truncate text-[13px] text-soft">
                  {apartWords(difference)} (ΔE {difference.toFixed(1)}) · {placeWords(plan, thing)}
                </span>
              </span>
            </button>
          </li>
        ))}
        {found.scraps.map(({ thing, difference }) => (
          <li key={thing.id} className="flex items-center gap-2 p-1">
            <Pair a={colour} b={thing.colour!} />
            <span className="text-[14px]">
              scrap {formatLength(thing.width, plan.head.measure)} × {formatLength(thing.depth, plan.head.measure)}
              <span className="block text-[13px] text-soft">
                {apartWords(difference)} (ΔE {difference.toFixed(1)})
              </span>
            </span>
          </li>
        ))}
      </ol>
      <p className="text-[13px] text-soft">
        <Explained term="deltaE">what ΔE means</Explained>
      </p>
    </section>
  );
}

const Pair = ({ a, b }: { a: string; b: string }) => (
  <span className="flex h-8 w-12 shrink-0 overflow-hidden rounded-md border border-line" aria-hidden>
    <span className="grow" style={{ background: a }} />
    <span className="grow" style={{ background: b }} />
  </span>
);

/** A photo in which a point is pressed: its colour, out of a small square around it. It never leaves the machine. */
function PhotoPoint({ photo, onColour }: { photo: ImageBitmap; onColour: (colour: string) => void }) {
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const width = 300;
  const height = Math.max(1, Math.round((photo.height / photo.width) * width));
  const draw = (element: HTMLCanvasElement | null) => {
    canvas.current = element;
    element?.getContext('2d', { willReadFrequently: true })?.drawImage(photo, 0, 0, width, height);
  };
  return (
    <figure className="mt-2">
      <canvas
        ref={draw}
        width={width}
        height={height}
        role="img"
        aria-label="Your photo: press a point of it"
        className="w-full cursor-crosshair rounded-lg border border-line"
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const x = Math.round(((e.clientX - box.left) / box.width) * width);
          const y = Math.round(((e.clientY - box.top) / box.height) * height);
          const data = canvas.current
            ?.getContext('2d', { willReadFrequently: true })
            ?.getImageData(Math.max(0, x - 2), Math.max(0, y - 2), 5, 5).data;
          if (!data) return;
          const mean = [0, 1, 2].map((k) => {
            let sum = 0;
            for (let i = k; i < data.length; i += 4) sum += data[i]!;
            return sum / (data.length / 4) / 255;
          });
          onColour(colourOf(mean[0]!, mean[1]!, mean[2]!));
        }}
      />
      <figcaption className="text-[13px] text-soft">Press a point of it. The photo stays on this machine.</figcaption>
    </figure>
  );
}
