import { type KindOfSupply } from '../../things/kinds/index.ts';
import { type Sized } from '../../record/plan/index.ts';
import { type SaidSize } from './sizes.ts';
import { type Draft } from './line-read.ts';

/** One length alone is taken where it says something of the kind; else it stays part of the name (“5 m”). */
export function sizeWanted(size: SaidSize, kind: KindOfSupply | null): boolean {
  if (size.given.length > 1 || size.round || size.of !== null) return true;
  if (!kind) return false;
  return true;
}

/** Puts a size where it belongs by what kind of thing it is. */
export function setSize(supply: Draft, size: SaidSize, known: Set<Sized>): void {
  const set = (field: 'width' | 'depth' | 'height', mm: number) => {
    supply[field] = Math.round(mm * 1000) / 1000;
    known.add(field);
  };
  const [a, b, c] = size.given as [number, number?, number?];
  if (size.round) {
    set('width', a);
    set('depth', a);
    if (b !== undefined) set('height', b);
    return;
  }
  if (b !== undefined) {
    set('width', a);
    set('depth', b);
    if (c !== undefined) set('height', c);
    return;
  }
  const { width, depth, height } = supply;
  if (size.of === 'wide' && supply.form !== 'spool' && supply.form !== 'roll') return set('width', a);
  if (size.of === 'high') return set('height', a);
  if (size.of === 'thick') return set('height', a);
  if (width !== null && width === depth && depth === height) {
    set('width', a);
    set('depth', a);
    return set('height', a);
  }
  if (supply.form === 'spool') return set('height', a);
  // one length is that of the longest side
  const longest = Math.max(width ?? 0, depth ?? 0, height ?? 0);
  if (longest > 0 && height === longest && supply.form === 'bottle') set('height', a);
  else if (longest > 0 && width === longest && depth === longest) {
    set('width', a);
    set('depth', a);
  } else if (longest > 0 && width === longest) set('width', a);
  else set('depth', a);
}

/** One length and no more. */
export const isOneLength = (size: SaidSize): boolean => size.given.length === 1 && !size.round;

/** A stick so thick and so long, mm. */
export function setStick(supply: Draft, thick: number, long: number, known: Set<Sized>): void {
  const round = (mm: number) => Math.round(mm * 1000) / 1000;
  Object.assign(supply, { width: round(thick), depth: round(long), height: round(thick) });
  for (const field of ['width', 'depth', 'height'] as const) known.add(field);
}
