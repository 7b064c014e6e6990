import { type Share, shareWord } from '@heronstone/core/plan';

/** Which share of a supply is meant, behind its name: nothing for what is at hand. */
export function Which({ share }: { share: Share }) {
  const word = shareWord(share);
  return word === '' ? null : <span className="text-soft"> ({word})</span>;
}
