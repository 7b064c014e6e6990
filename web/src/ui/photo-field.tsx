import { Camera, X } from 'lucide-react';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { keepPhoto, photoUrl } from '../state/photos.ts';
import { Button } from './button.tsx';

/** A picture of something, taken or chosen, shown small; empty: none. */
export function PhotoField({
  of,
  photo,
  onCommit,
}: {
  /** of what it is, for those who do not see it */
  of: string;
  photo: string | null;
  onCommit: (hash: string | null) => void;
}) {
  const id = useId();
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    try {
      onCommit(await keepPhoto(file));
    } catch (e) {
      toast.error((e as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="flex items-center gap-2">
      {photo && <img src={photoUrl(photo)} alt={`Picture of ${of}`} className="h-16 rounded-md border border-line" />}
      <label
        htmlFor={id}
        className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-full border border-edge bg-paper px-3 py-1 font-medium focus-within:outline-2 hover:border-heron"
      >
        <Camera size={15} aria-hidden /> {busy ? 'Keeping it …' : photo ? 'Another picture' : 'Picture'}
        <input
          id={id}
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          aria-label={`Picture of ${of}`}
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
      {photo && (
        <Button look="quiet" aria-label={`No picture of ${of}`} onClick={() => onCommit(null)}>
          <X size={15} aria-hidden />
        </Button>
      )}
    </div>
  );
}
