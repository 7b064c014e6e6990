import { useCallback, useEffect, useRef, useState } from 'react';
import { type Frame, KNOWN, type KnownSize, MOST_BOWED, MOST_LIFTED, type Plane } from '@heronstone/core/picture';
import { type Picture } from '@heronstone/core/plan';
import { photoUrl } from '../../../state/photos.ts';
import type { LaidFlat, Opened } from '../../../workers/picture.worker.ts';
import { knownSize, markedFor, type Marking, markingOf, middling } from './marked.ts';
import { type Point } from './shapes.ts';
import { type AskPicture, usePictureWorker } from './use-worker.ts';

/** Points along the longer side of what is laid flat: at rest, and while a corner is pulled. */
const FINE = 1000;
const COARSE = 340;

export type Laid = { plane: Plane; frame: Frame; image: ImageData };
export type Held = { blob: Blob; url: string; blurred: boolean };

/** A picture in hand: opened, marked, laid flat beside the screen’s thread. */
export function usePicture(itself: KnownSize | null, wantsFrame: boolean) {
  const ask = usePictureWorker();
  const [held, setHeld] = useState<Held | null>(null);
  const [marking, setMarking] = useState<Marking | null>(null);
  const [pulling, setPulling] = useState(false);
  const [laid, setLaid] = useState<Laid | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const shownUrl = held?.url;
  useEffect(() => () => void (shownUrl !== undefined && URL.revokeObjectURL(shownUrl)), [shownUrl]);

  const open = useCallback(
    async (blob: Blob, kept: Picture | null = null): Promise<void> => {
      setBusy('Opening the picture …');
      setTrouble(null);
      setLaid(null);
      setMarking(null);
      setHeld(null);
      try {
        const read = await ask((api) => api.open(blob) as Promise<Opened>);
        if (!read.ok) return setTrouble(read.reason);
        const { width, height, focal35 } = read;
        const image = { width, height, ...(focal35 === null ? {} : { focal35 }) };
        const url = URL.createObjectURL(blob);
        if (kept) {
          const said = kept.focal35 === null ? image : { ...image, focal35: kept.focal35 };
          setHeld({ blob, url, blurred: false });
          setBusy('Looking for the measuring sheet …');
          const sheet = await ask((api) => api.find());
          // where the sheet was what is known its codes say more than four corners
          const coded = sheet && KNOWN[sheet.paper].width === kept.knownWidth;
          return setMarking({
            ...markingOf(kept, said),
            ...(coded ? { sheet, known: 'sheet', corners: sheet.corners } : {}),
          });
        }
        setBusy('Looking for the measuring sheet …');
        setHeld({ blob, url, blurred: false });
        const sheet = await ask((api) => api.find());
        const known = sheet ? 'sheet' : itself ? 'itself' : 'a4';
        setMarking({
          ...{ image, known, own: { width: 300, height: 200 }, sheet, straight: [], lens: null },
          corners: sheet ? sheet.corners : middling(image),
          frame: wantsFrame && known !== 'itself' ? middling(image, 0.12) : null,
        });
        // said once it lies flat: nobody waits for it
        const blurred = await ask((api) => api.blurred());
        if (blurred) setHeld((now) => (now?.url === url ? { ...now, blurred } : now));
      } catch (error) {
        setTrouble(error instanceof Error ? error.message : 'The picture could not be looked at.');
      } finally {
        setBusy(null);
      }
    },
    [ask, itself, wantsFrame],
  );

  const again = useCallback(
    async (kept: Picture) => {
      const answer = await fetch(photoUrl(kept.photo)).catch(() => null);
      if (!answer?.ok) return setTrouble('This picture is not here: the server does not answer, or it was deleted.');
      await open(await answer.blob(), kept);
    },
    [open],
  );

  const close = useCallback(() => {
    setHeld(null);
    setMarking(null);
    setLaid(null);
    setTrouble(null);
  }, []);

  useFlat({ ask, marking, itself, pulling, onLaid: setLaid, onTrouble: setTrouble });

  return {
    ask,
    held,
    marking,
    setMarking,
    setPulling,
    laid,
    trouble,
    busy,
    open,
    again,
    close,
    hints: hintsFor(held, marking, itself),
  };
}

/** Lays the plane flat whenever what is marked is another; while one lay is under way the newest waits, those between are left out. */
function useFlat({
  ask,
  marking,
  itself,
  pulling,
  onLaid,
  onTrouble,
}: {
  ask: AskPicture;
  marking: Marking | null;
  itself: KnownSize | null;
  pulling: boolean;
  onLaid: (laid: Laid | null) => void;
  onTrouble: (trouble: string | null) => void;
}): void {
  const wanted = useRef<(() => Promise<void>) | null>(null);
  const running = useRef(false);
  const shown = useRef<Marking['image'] | null>(null);
  useEffect(() => {
    if (!marking) return;
    const marked = markedFor(marking, itself);
    if (!marked) return;
    let stale = false;
    wanted.current = async () => {
      // a picture that was just opened is seen coarsely first
      for (const points of pulling ? [COARSE] : shown.current === marking.image ? [FINE] : [COARSE, FINE]) {
        const got = await ask((api) => api.flat(marked, marking.frame, points) as Promise<LaidFlat>);
        if (stale) return;
        shown.current = marking.image;
        onTrouble(got.ok ? null : got.trouble);
        onLaid(got.ok ? got : null);
      }
    };
    const go = async () => {
      if (running.current) return;
      running.current = true;
      try {
        while (wanted.current) {
          const job = wanted.current;
          wanted.current = null;
          await job();
        }
      } catch (error) {
        onTrouble(error instanceof Error ? error.message : 'The picture could not be laid flat.');
      } finally {
        running.current = false;
      }
    };
    void go();
    return () => {
      stale = true;
    };
  }, [ask, marking, itself, pulling, onLaid, onTrouble]);
}

/** What makes lengths less exact than they could be, in words. */
function hintsFor(held: Held | null, marking: Marking | null, itself: KnownSize | null): string[] {
  if (!held || !marking) return [];
  const { sheet, known, image, straight } = marking;
  const out: string[] = [];
  if (held.blurred)
    out.push('This picture is blurred: edges cannot be pressed to the point. Hold the camera still and take it again.');
  if (known === 'sheet' && sheet) {
    if (sheet.bowed > MOST_BOWED)
      out.push('The sheet does not lie flat: its codes disagree. Smooth it, or lay something on its corners.');
    else if (sheet.lifted > MOST_LIFTED)
      out.push(
        'A corner of the sheet stands up or is folded: its code is not where the other three say. Press it down and take the picture again.',
      );
    if (sheet.codes < 4)
      out.push(`Only ${sheet.codes} of the sheet’s four codes are seen: it is covered, cut off, or in a shine.`);
  }
  const edge = marking.corners.some((p) => p.x < 3 || p.y < 3 || p.x > image.width - 3 || p.y > image.height - 3);
  if (edge && knownSize(marking, itself))
    out.push('A corner of what is known lies on the picture’s edge: it is cut off.');
  const far = (p: Point) =>
    Math.hypot(p.x - image.width / 2, p.y - image.height / 2) > 0.36 * Math.hypot(image.width, image.height);
  if (straight.length === 0 && (marking.frame ?? marking.corners).some(far))
    out.push('Towards the picture’s corners every lens bends: keep to the middle, or mark an edge that is straight.');
  return out;
}
