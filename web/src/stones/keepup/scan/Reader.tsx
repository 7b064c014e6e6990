import { Camera, CameraOff, FileImage } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { decoded } from './decoded.ts';
import { PretendCamera } from './PretendCamera.tsx';

export function Reader({ onText }: { onText: (text: string) => boolean }) {
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
