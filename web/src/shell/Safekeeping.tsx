import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import {
  type Backup,
  backUpNow,
  deleteUnusedPictures,
  getPictures,
  getSafety,
  type Pictures,
  putBack,
  type Safety,
} from '../state/api.ts';
import { Button } from '../ui/button.tsx';
import { Sheet } from '../ui/sheet.tsx';
import { countWords, momentWords } from '../ui/words.ts';

const WHY: Record<Backup['why'], string> = {
  daily: 'of the day',
  'before-migration': 'before a new version',
  'by-hand': 'made by hand',
  restored: 'as it was put back',
};

/** The backups: when the newest was made, making one, putting one back; first of all where the plans cannot be opened. */
export function Safekeeping({
  safety,
  setSafety,
  onPutBack,
}: {
  safety: Safety;
  setSafety: (now: Safety) => void;
  onPutBack: () => void;
}) {
  const [choosing, setChoosing] = useState(false);
  const [working, setWorking] = useState<string | null>(null);
  const { broken, backups, canMend, notices } = safety;
  const [newest] = backups;
  const doing = async (words: string, work: () => Promise<void>) => {
    setWorking(words);
    try {
      await work();
    } catch (e) {
      toast.error((e as Error).message);
    } finally {
      setWorking(null);
    }
  };
  const make = () =>
    doing('Making a backup and opening it to see that it is whole …', async () => {
      await backUpNow();
      setSafety(await getSafety());
    });
  const back = (what: Parameters<typeof putBack>[0]) =>
    doing('Putting it back …', async () => {
      const now = await putBack(what);
      setSafety(now);
      setChoosing(false);
      toast(now.broken ? `It does not open either: ${now.broken}.` : 'Put back.', {
        description: `What was there before is kept in ${now.kept}.`,
      });
      onPutBack();
    });
  return (
    <section aria-label="Backups" className="mt-10">
      {notices.map((notice) => (
        <p key={notice.at + notice.words} role="status" className="mb-2 rounded-xl bg-stone px-4 py-2">
          {momentWords(notice.at)}: {notice.words}
        </p>
      ))}
      {broken && (
        <div role="alert" className="rounded-xl border border-clash p-4">
          <p className="text-lg font-semibold">The plans cannot be opened: {broken}.</p>
          <p className="text-soft">Nothing was changed. What is there now is kept whatever you choose.</p>
          <div className="mt-2 flex flex-wrap gap-2">
            {canMend && (
              <Button look="main" disabled={working !== null} onClick={() => void back({ mend: true })}>
                Put back the newest backup and every change since
              </Button>
            )}
            {newest && (
              <Button disabled={working !== null} onClick={() => setChoosing(true)}>
                Choose a backup …
              </Button>
            )}
          </div>
        </div>
      )}
      {!broken && (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-soft">
          {newest
            ? `Newest backup: ${momentWords(newest.at)}.`
            : 'No backup yet. One is made by itself every day there are changes.'}
          <Button disabled={working !== null} onClick={() => void make()}>
            Back up now
          </Button>
          {newest && <Button onClick={() => setChoosing(true)}>Put one back …</Button>}
        </p>
      )}
      {!broken && <PicturesKept />}
      {working && <p role="status">{working}</p>}
      {choosing && (
        <Sheet title="Put a backup back" onClose={() => setChoosing(false)}>
          <p className="text-soft">
            Every plan becomes what it was then. What is there now is kept in the data folder, in “kept”.
          </p>
          <ul className="mt-2 divide-y divide-line" aria-label="Backups">
            {backups.map((b) => (
              <li key={b.file} className="flex items-center justify-between gap-3 py-1.5">
                <span>
                  {momentWords(b.at)} <span className="text-soft">· {WHY[b.why]}</span>
                </span>
                <Button disabled={working !== null} onClick={() => void back({ file: b.file })}>
                  Put back
                </Button>
              </li>
            ))}
          </ul>
        </Sheet>
      )}
    </section>
  );
}

const sizeWords = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** What pictures take, and those that no plan shows any more, which can be deleted. */
function PicturesKept() {
  const [pictures, setPictures] = useState<Pictures | null>(null);
  const [sure, setSure] = useState(false);
  useEffect(() => void getPictures().then(setPictures, () => undefined), []);
  if (!pictures || pictures.count === 0) return null;
  const remove = async () => {
    try {
      const now = await deleteUnusedPictures();
      toast(`${countWords(pictures.unused, 'picture is', 'pictures are')} deleted.`);
      setPictures(now);
    } catch (e) {
      toast.error((e as Error).message);
    }
    setSure(false);
  };
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-soft">
      <span>
        {countWords(pictures.count, 'picture', 'pictures')}, {sizeWords(pictures.bytes)}.
      </span>
      {pictures.unused > 0 && (
        <>
          <span>
            {countWords(pictures.unused, 'is', 'are')} shown by no plan ({sizeWords(pictures.unusedBytes)}).
          </span>
          <Button onClick={() => (sure ? void remove() : setSure(true))}>
            {sure ? 'Yes, delete them; undo cannot bring them back' : 'Delete those'}
          </Button>
        </>
      )}
    </p>
  );
}
