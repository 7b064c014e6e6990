import { monthWords, type Supply } from '../../record/plan/index.ts';
import { readLine } from './read-line.ts';

type Written = Pick<
  Supply,
  | 'name'
  | 'kind'
  | 'working'
  | 'backstock'
  | 'width'
  | 'depth'
  | 'height'
  | 'mass'
  | 'grammage'
  | 'colour'
  | 'usual'
  | 'packOf'
  | 'months'
>;

const number = (n: number) => String(Number(n.toFixed(3)));

/**
 * A supply as one line that {@link readLine} reads back, with the kind given where it has one: name, counts, sizes, weights, colour and months are the same
 * then. Sizes that are only usual are left out, the kind gives them again. A name that would be taken for something else stands in quotes.
 */
export function writeLine(supply: Written): string {
  const plain = lineOf(supply, supply.name);
  return readsBack(plain, supply) ? plain : lineOf(supply, `"${supply.name.replaceAll('"', '″')}"`);
}

function lineOf(supply: Written, name: string): string {
  const { working, backstock, width, depth, height, mass, grammage, colour, usual, months } = supply;
  const said = (field: 'width' | 'depth' | 'height') => !usual.includes(field) && supply[field] !== null;
  const parts = [`${working} ${name}`];
  if ((said('width') || said('depth') || said('height')) && width !== null && depth !== null)
    parts.push(`${[width, depth, ...(height === null ? [] : [height])].map(number).join(' x ')} mm`);
  if (grammage !== null) parts.push(`${number(grammage)} g/m²`);
  else if (mass > 0 && !usual.includes('mass')) parts.push(`${number(mass)} g each`);
  if (colour !== null) parts.push(colour);
  const season = months.length > 0 && months.length < 12 ? `, only ${monthWords(months)}` : '';
  return `${parts.join(', ')}${backstock > 0 ? ` + ${backstock} in reserve` : ''}${season}`;
}

function readsBack(line: string, supply: Written): boolean {
  const back = readLine(line, { measure: 'metric', chosen: supply.kind });
  if (back.what !== 'supply' || back.supply.note !== '') return false;
  const same = (['name', 'working', 'backstock', 'packOf', 'grammage', 'colour'] as const).every(
    (field) => back.supply[field] === supply[field],
  );
  const near = (['width', 'depth', 'height', 'mass'] as const).every(
    (field) =>
      back.supply[field] === supply[field] || Math.abs((back.supply[field] ?? 0) - (supply[field] ?? 0)) < 0.01,
  );
  const inSeason = supply.months.length === 12 ? [] : supply.months;
  return same && near && back.supply.months.join() === [...inSeason].sort((a, b) => a - b).join();
}
