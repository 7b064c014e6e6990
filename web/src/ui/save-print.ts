import { toast } from 'sonner';
import { lackingWords } from './lacking-words.ts';
import { saveFile } from './save-file.ts';

/** Hands a print to the browser, and says which letters its faces lack. */
export function savePrint(name: string, { bytes, lacking }: { bytes: Uint8Array; lacking: readonly string[] }): void {
  saveFile(name, 'application/pdf', bytes as BlobPart);
  const words = lackingWords(lacking);
  if (words !== null) toast(words);
}
