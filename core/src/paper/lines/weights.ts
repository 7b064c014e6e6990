import { sheetMass } from '../../things/fit/index.ts';
import { type Supply } from '../../record/plan/index.ts';

/** What a line says of weight. */
export type SaidWeight = { grammage: number } | { mass: number };

/** g/m² of a pound of 500 basis sheets (docs/sources.md; basis sheets from memory). */
export const BASIS = { bond: 3.76, text: 1.48, cover: 2.704, index: 1.807 } as const;
const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 };

const PER_AREA = /(?<![\w./])(\d+(?:[.,]\d+)?)\s?(?:g\s?\/\s?(?:m²|m2|sqm)|gsm|g\s?m[²2])(?!\w)/i;
const BASIS_WEIGHT = /(?<![\w./])(\d+(?:\.\d+)?)\s?(?:lbs?|pounds?|#)\.?\s(cover|text|index|bond)(?!\w)/i;
const MASS =
  /(?<![\w./])(\d+ \d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)\s?(kgs?|kilos?|grams?|grammes?|g|ounces?|oz|pounds?|lbs?|#)(?:\s(?:each|a piece))?(?![\w/²])\.?/i;

const number = (text: string): number => {
  const m = /^(?:(\d+) )?(\d+)\/(\d+)$/.exec(text);
  return m ? Number(m[1] ?? 0) + Number(m[2]) / Number(m[3]) : Number(text.replace(',', '.'));
};

/**
 * Finds a weight in a line: `216 g/m²`, `80 lb cover`, `10 oz`, `1.2 kg`.
 * @param paper whether what is weighed is a sheet: its `216 g` or `80 lb` is then of its paper (a pound of cover, as card is sold)
 */
export function weightIn(text: string, paper: boolean): { weight: SaidWeight; rest: string } | null {
  const found = (m: RegExpExecArray, weight: SaidWeight) => ({
    weight,
    rest: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
  });
  const area = PER_AREA.exec(text);
  if (area) return found(area, { grammage: number(area[1]!) });
  const basis = BASIS_WEIGHT.exec(text);
  if (basis) {
    const of = basis[2]!.toLowerCase() as keyof typeof BASIS;
    return found(basis, { grammage: Math.round(Number(basis[1]) * BASIS[of]) });
  }
  const mass = MASS.exec(text);
  if (!mass) return null;
  const word = mass[2]!.toLowerCase();
  const unit =
    word === '#' || word.startsWith('lb') || word.startsWith('pound')
      ? 'lb'
      : word.startsWith('k')
        ? 'kg'
        : word.startsWith('o')
          ? 'oz'
          : 'g';
  const n = number(mass[1]!);
  if (!(n > 0)) return null;
  const each = /each|a piece/i.test(mass[0]);
  if (paper && !each && unit === 'g' && n <= 1500) return found(mass, { grammage: n });
  if (paper && !each && unit === 'lb' && n >= 16 && n <= 140)
    return found(mass, { grammage: Math.round(n * BASIS.cover) });
  return found(mass, { mass: Math.round(n * GRAMS[unit]! * 1000) / 1000 });
}

/** A sheet weighs what its size and its paper make it; where those are known, so is that. */
export function weighSheet(supply: Pick<Supply, 'form' | 'grammage' | 'width' | 'depth' | 'mass' | 'usual'>): void {
  const { form, grammage, width, depth } = supply;
  if (form !== 'sheet' || grammage === null || width === null || depth === null) return;
  supply.mass = Math.round(sheetMass(width, depth, grammage) * 100) / 100;
  if (!supply.usual.includes('width') && !supply.usual.includes('depth'))
    supply.usual = supply.usual.filter((field) => field !== 'mass');
}
