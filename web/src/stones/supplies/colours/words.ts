import { type Order } from '@heronstone/core/colour';

/** Orders as makers name them. */
export const ORDER_WORDS: Record<Order, string> = {
  rainbow: 'round the rainbow',
  lightness: 'light to dark',
  name: 'by name',
  line: 'by line',
  theme: 'by theme',
  size: 'by size',
};
