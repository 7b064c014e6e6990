import { type Nature } from '../../record/catalogue/index.ts';

/** An amount in the measure of a nature in words: “240 mm”, “12.1 m”, “0.12 m²”, “3.4 l”, “4 pockets”. */
export function measureOf(nature: Nature, amount: number): string {
  switch (nature) {
    case 'row':
    case 'pile':
      return amount < 2000 ? `${Math.round(amount)} mm` : `${(amount / 1000).toFixed(1)} m`;
    case 'area':
      return amount < 1e4 ? `${Math.round(amount / 100)} cm²` : `${(amount / 1e6).toFixed(2)} m²`;
    case 'bulk':
      return `${amount.toFixed(1)} l`;
    case 'pockets':
      return `${Math.ceil(amount)} ${Math.ceil(amount) === 1 ? 'pocket' : 'pockets'}`;
  }
}
