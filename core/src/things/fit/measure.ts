import { formatArea, formatLength, formatVolume, type Said } from '../../measures/lengths/index.ts';
import { type Nature } from '../../record/catalogue/index.ts';

/** An amount in the measure of a nature, in words: “240 mm”, “12.1 m”, “0.12 m²”, “3.4 l”, “4 pockets”; or “9 1/2"”, “1.3 sq ft”, “3.6 qt”. */
export function measureOf(nature: Nature, amount: number, said: Said): string {
  switch (nature) {
    case 'row':
    case 'pile':
      if (said.measure === 'imperial') return formatLength(amount, said.measure);
      return amount < 2000 ? `${Math.round(amount)} mm` : `${(amount / 1000).toFixed(1)} m`;
    case 'area':
      return formatArea(amount, said.measure);
    case 'bulk':
      return formatVolume(amount, said, 1);
    case 'pockets':
      return `${Math.ceil(amount)} ${Math.ceil(amount) === 1 ? 'pocket' : 'pockets'}`;
  }
}
