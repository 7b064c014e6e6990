import { type Supply } from '../plan/index.ts';
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
  | 'form'
  | 'packOf'
>;

const number = (n: number) => String(Number(n.toFixed(3)));

/**
 * A supply as one line that {@link readLine} reads back, with the kind given where it has one: name, counts, sizes, weights and colour are the same
 * then. Sizes that are only usual are left out, the kind gives them again.
 */
export function writeLine(supply: Written): string {
  const { name, working, backstock, width, depth, height, mass, grammage, colour, usual } = supply;
  const plain = `${working} ${name}`;
  const bare = readLine(plain, { measure: 'metric', chosen: supply.kind });
  const asIs =
    bare.what === 'supply' &&
    bare.supply.name === name &&
    bare.supply.working === working &&
    bare.supply.note === '' &&
    (colour !== null || bare.supply.colour === null) &&
    bare.supply.packOf === supply.packOf;
  const said = (field: 'width' | 'depth' | 'height') => !usual.includes(field) && supply[field] !== null;
  const parts = [asIs ? plain : `${working} "${name.replaceAll('"', '″')}"`];
  if (said('width') || said('depth') || said('height')) {
    const sizes = [width, depth, ...(height === null ? [] : [height])];
    if (width !== null && depth !== null) parts.push(`${sizes.map((mm) => number(mm!)).join(' x ')} mm`);
  }
  if (grammage !== null) parts.push(`${number(grammage)} g/m²`);
  else if (mass > 0 && !usual.includes('mass')) parts.push(`${number(mass)} g each`);
  if (colour !== null) parts.push(colour);
  if (backstock > 0) parts.push(`+ ${backstock} in reserve`);
  return parts.join(', ').replace(', +', ' +');
}
