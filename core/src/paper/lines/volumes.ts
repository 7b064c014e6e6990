import { gallonOf } from '../../measures/lengths/index.ts';
import { type KindOfSupply } from '../../things/kinds/index.ts';
import { type Region } from '../../record/plan/index.ts';

/** Litres of a unit as people write it where they live. */
function litresOf(n: number, unit: string, region: Region): number {
  const { litres, ounces } = gallonOf(region);
  const units: readonly (readonly [RegExp, number])[] = [
    [/^(?:ml|millilit(?:er|re)s?)$/i, 0.001],
    [/^(?:cl|centilit(?:er|re)s?)$/i, 0.01],
    [/^(?:l|lit(?:er|re)s?)$/i, 1],
    [/^(?:fl\.?\s?oz\.?|fluid ounces?|oz\.?)$/i, litres / ounces],
    [/^(?:pints?|pt)$/i, litres / 8],
    [/^(?:quarts?|qts?)$/i, litres / 4],
    [/^(?:gallons?|gal)$/i, litres],
  ];
  return n * (units.find(([pattern]) => pattern.test(unit.replace(/\.$/, '')))?.[1] ?? 0);
}
const N = String.raw`(?:\d+ \d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?|half an?|half|an?|one)`;
const UNIT = String.raw`(?:ml|cl|l|millilit(?:er|re)s?|lit(?:er|re)s?|fl\.?\s?oz\.?|fluid ounces?|pints?|pt|quarts?|qts?|gallons?|gal)(?![a-z])`;
const VESSEL = String.raw`(?:bottles?|jars?|tubs?|tins?|cans?|jugs?|pots?|pails?|cartons?|canisters?|containers?)`;
/** “500 ml bottle of ink”, “3 x 250ml gesso”, “2 quart jars of varnish”; an ounce only of what stands in a bottle. */
const FRONT = new RegExp(
  String.raw`^(?:(\d+)(?:\s*x\s*|\s+)(?=\d))?(${N})[\s-]?(${UNIT}|oz\.?(?=\s+${VESSEL}\b))\s*(${VESSEL}\b)?\s*(of\b)?\s*(?=\S)`,
  'i',
);
/** “gesso 500 ml”, “white glue, one gallon”. */
const BEHIND = new RegExp(String.raw`[\s,]+(${N})[\s-]?(${UNIT})(?:\s+${VESSEL})?\.?$`, 'i');
/** Said of what comes by the pint, quart or gallon: “2 pints of gesso” are two of one pint. */
const BY_THE = /^(?:pint|quart|gallon)/i;

function amount(text: string): number {
  const t = text.toLowerCase().replace(',', '.');
  if (t.startsWith('half')) return 0.5;
  if (/^(?:an?|one)$/.test(t)) return 1;
  const m = /^(?:(\d+) )?(\d+)\/(\d+)$/.exec(t);
  return m ? Number(m[1] ?? 0) + Number(m[2]) / Number(m[3]) : Number(t);
}

export type SaidVolume = {
  /** of one */
  litres: number;
  /** how many vessels; null: not said here */
  count: number | null;
  /** what it is in, as it was said; empty: not said */
  vessel: string;
  /** the line without it */
  rest: string;
};

/** How much a vessel holds, said at the front of a line or at its end; null: nothing of the kind is said. */
export function volumeIn(text: string, region: Region = 'us'): SaidVolume | null {
  const front = FRONT.exec(text);
  if (front) {
    const [all, count, n, unit, vessel, of] = front as unknown as [string, ...(string | undefined)[]];
    const rest = text.slice(all.length);
    const each = amount(n!);
    const several =
      count === undefined &&
      Number.isInteger(each) &&
      each >= 2 &&
      BY_THE.test(unit!) &&
      (vessel ? /s$/i.test(vessel) : of !== undefined);
    const litres = litresOf(several ? 1 : each, unit!, region);
    const vessels = several ? each : count ? Number(count) : null;
    return litres > 0 ? { litres, count: vessels, vessel: vessel ?? '', rest } : null;
  }
  const behind = BEHIND.exec(text);
  if (!behind) return null;
  const litres = litresOf(amount(behind[1]!), behind[2]!, region);
  return litres > 0 ? { litres, count: null, vessel: '', rest: text.slice(0, behind.index) } : null;
}

/** What a phrase says a vessel holds, and what vessel that is: “quart jar”, “3 gallon tub”. */
export function vesselIn(phrase: string, region: Region = 'us'): { litres: number; vessel: string } | null {
  const m = new RegExp(String.raw`^(?:(${N})[\s-]?)?(${UNIT})\s+(\S.*)$`, 'i').exec(phrase);
  if (!m) return null;
  const litres = litresOf(m[1] ? amount(m[1]) : 1, m[2]!, region);
  return litres > 0 ? { litres, vessel: m[3]! } : null;
}

/** So much of the box round a bottle or jar is what is in it (own estimate: π/4 for the round, the rest for walls, neck and air; usual bottles of 0.06 to 0.5 l agree). */
const HELD = 0.62;
/** What is poured weighs about so much a litre, with its vessel, g (own assumption). */
export const GRAMS_A_LITRE = 1100;
/** How high such a vessel is where nobody knows its kind, in its widths (own assumption). */
const HIGH = 1.6;

/** What holds so many times more or less than is usual has other proportions: a gallon of glue is a jug, no bottle half a metre high (own assumption). */
const LIKE = 4;

/** Outer sizes of a vessel that holds so much, of the proportions that its kind usually has where it is about as large, mm. */
export function vesselOf(litres: number, kind: KindOfSupply | null): { width: number; depth: number; height: number } {
  const usual = kind?.height ? (kind.width * kind.depth * kind.height * HELD) / 1e6 : 0;
  const shape =
    kind?.height && litres < usual * LIKE && litres > usual / LIKE
      ? { width: kind.width, depth: kind.depth, height: kind.height }
      : { width: 1, depth: 1, height: HIGH };
  const by = Math.cbrt((litres * 1e6) / HELD / (shape.width * shape.depth * shape.height));
  const size = (mm: number) => Math.round(mm * by);
  return { width: size(shape.width), depth: size(shape.depth), height: size(shape.height) };
}
