import latin400 from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url';
import latinExt400 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-400-normal.woff?url';
import vietnamese400 from '@fontsource/source-sans-3/files/source-sans-3-vietnamese-400-normal.woff?url';
import greek400 from '@fontsource/source-sans-3/files/source-sans-3-greek-400-normal.woff?url';
import greekExt400 from '@fontsource/source-sans-3/files/source-sans-3-greek-ext-400-normal.woff?url';
import cyrillic400 from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-400-normal.woff?url';
import cyrillicExt400 from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-ext-400-normal.woff?url';
import latin600 from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff?url';
import latinExt600 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-600-normal.woff?url';
import vietnamese600 from '@fontsource/source-sans-3/files/source-sans-3-vietnamese-600-normal.woff?url';
import greek600 from '@fontsource/source-sans-3/files/source-sans-3-greek-600-normal.woff?url';
import greekExt600 from '@fontsource/source-sans-3/files/source-sans-3-greek-ext-600-normal.woff?url';
import cyrillic600 from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-600-normal.woff?url';
import cyrillicExt600 from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-ext-600-normal.woff?url';
import { type Faces } from '@heronstone/core/type';
import { PartMissing } from './fetched.ts';

// in the order of the core’s FACE_PARTS
const REGULAR = [latin400, latinExt400, vietnamese400, greek400, greekExt400, cyrillic400, cyrillicExt400];
const BOLD = [latin600, latinExt600, vietnamese600, greek600, greekExt600, cyrillic600, cyrillicExt600];

async function file(url: string): Promise<Uint8Array> {
  const answer = await fetch(url).catch(() => null);
  if (!answer?.ok) throw new PartMissing('The letters to print with could not be fetched: the server does not answer.');
  return new Uint8Array(await answer.arrayBuffer());
}

/**
 * The faces the screen shows, as they are printed with.
 * @throws PartMissing when they cannot be fetched
 */
export async function shippedFaces(): Promise<Faces> {
  const [regular, bold] = await Promise.all([REGULAR, BOLD].map((urls) => Promise.all(urls.map(file))));
  return { regular: regular!, bold: bold! };
}
